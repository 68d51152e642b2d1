<script setup lang="ts">
import InputText from 'primevue/inputtext';
import Select from 'primevue/select';
import { useId } from 'vue';

/** A figure as it is typed, with its unit beside it. What is typed stays text until somebody asks. */
const text = defineModel<string>({ required: true });
const unit = defineModel<string>('unit', { default: '' });
defineProps<{
  label: string;
  units?: readonly string[];
  /** What counts while the field is empty. */
  hint?: string;
  problem?: string;
  required?: boolean;
  disabled?: boolean;
  optional?: boolean;
  autofocus?: boolean;
}>();
const id = useId();
</script>

<template>
  <div class="entry">
    <label :for="id"
      >{{ label }}<span v-if="required" class="quiet"> (needed)</span
      ><span v-if="optional" class="quiet">, if known</span></label
    >
    <div class="row">
      <InputText
        :id="id"
        v-model="text"
        class="figure"
        inputmode="decimal"
        autocomplete="off"
        :autofocus="autofocus || undefined"
        :disabled="disabled"
        :placeholder="hint"
        :invalid="!!problem"
        :aria-describedby="problem ? `${id}-problem` : undefined"
      />
      <Select
        v-if="units && units.length > 1"
        v-model="unit"
        :options="[...units]"
        :aria-label="`Unit of ${label}, ${unit}`"
        class="unit"
      />
      <span v-else-if="units?.[0]" class="unit">{{ units[0] }}</span>
      <slot />
    </div>
    <p v-if="problem" :id="`${id}-problem`" class="problem" role="alert">{{ problem }}</p>
  </div>
</template>

<style scoped>
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
}

.row > .figure {
  flex: 1 1 5rem;
  min-width: 0;
  width: 5rem;
}

span.unit {
  min-width: 2.5rem;
}
</style>
