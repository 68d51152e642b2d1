<script setup lang="ts">
import { useId } from 'vue';
import type { TypedQuantity } from './plate';

/** A number with its unit. Text is kept as typed. */
const model = defineModel<TypedQuantity>({ required: true });
defineProps<{ label: string; units?: string[]; problem?: string; hint?: string }>();
const id = useId();
</script>

<template>
  <div>
    <label :for="id">{{ label }}</label>
    <div class="row">
      <input
        :id="id"
        v-model="model.text"
        class="figure"
        inputmode="decimal"
        autocomplete="off"
        :placeholder="hint"
        :aria-invalid="problem ? true : undefined"
        :aria-describedby="problem ? `${id}-problem` : undefined"
      />
      <select v-if="units && units.length > 1" v-model="model.unit" :aria-label="`Unit of ${label}`">
        <option v-for="u in units" :key="u">{{ u }}</option>
      </select>
      <span v-else-if="units" class="unit">{{ units[0] }}</span>
    </div>
    <p v-if="problem" :id="`${id}-problem`" role="alert">{{ problem }}</p>
  </div>
</template>

<style scoped>
.row {
  display: flex;
  gap: 6px;
  align-items: center;
}

input {
  flex: 1;
  min-width: 0;
}

.unit {
  min-width: 2.5rem;
}

p {
  margin: 0.2rem 0 0;
  color: var(--suspect);
}
</style>
