<script setup lang="ts">
import { useId } from 'vue';

/** One thing to move, with what it stands at. */
const model = defineModel<number>({ required: true });
defineProps<{ label: string; min: number; max: number; step: number; text: string; suspect?: boolean }>();
const id = useId();
</script>

<template>
  <div>
    <div class="top">
      <label :for="id">{{ label }}</label>
      <b class="figure" :class="{ suspect }">{{ text }}</b>
    </div>
    <input
      :id="id"
      v-model.number="model"
      type="range"
      :min="min"
      :max="max"
      :step="step"
      :aria-valuetext="text"
      :class="{ suspect }"
    />
  </div>
</template>

<style scoped>
.top {
  display: flex;
  justify-content: space-between;
  gap: 0.75rem;
  align-items: baseline;
}

b.suspect {
  color: var(--suspect);
}

input {
  width: 100%;
  min-height: 44px;
  padding: 0;
  border: 0;
  background: transparent;
  accent-color: var(--water);
  cursor: pointer;
}

input.suspect {
  accent-color: var(--suspect);
}
</style>
