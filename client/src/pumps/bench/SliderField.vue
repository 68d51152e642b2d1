<script setup lang="ts">
import Slider from 'primevue/slider';
import { useId } from 'vue';

/** One thing to move, with what it stands at. */
const model = defineModel<number>({ required: true });
defineProps<{ label: string; min: number; max: number; step: number; text: string; suspect?: boolean }>();
const id = useId();
const set = (value: number | number[]) => (model.value = Array.isArray(value) ? (value[0] ?? model.value) : value);
</script>

<template>
  <div class="slide" :class="{ suspect }">
    <div class="top">
      <span :id="id">{{ label }}</span>
      <b class="figure">{{ text }}</b>
    </div>
    <Slider
      :model-value="model"
      :min="min"
      :max="max"
      :step="step"
      :aria-labelledby="id"
      :pt="{ handle: { 'aria-valuetext': text } }"
      @update:model-value="set"
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

.suspect {
  --p-slider-range-background: var(--suspect);
  --p-slider-handle-content-background: var(--suspect);
  --p-slider-handle-content-hover-background: var(--suspect);
}

.suspect b {
  color: var(--suspect);
}
</style>
