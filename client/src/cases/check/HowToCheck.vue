<script setup lang="ts">
import SelectButton from 'primevue/selectbutton';
import type { NextCheck } from '@/shared/api/client';

/** How a check is done, what opening now would cost instead, and by what the checks are put in order. */
defineProps<{ check: NextCheck; opening: string }>();
const cheapestFirst = defineModel<boolean>('cheapestFirst', { required: true });
const orders = [
  { value: false, text: 'Most telling first' },
  { value: true, text: 'Cheapest first' },
];
</script>

<template>
  <div class="how">
    <p>{{ check.name }}. {{ check.how }}</p>
    <p v-for="h in check.hazards" :key="h.id" class="hazard">{{ h.text }}</p>
    <p class="quiet">{{ opening }}</p>
    <SelectButton
      v-model="cheapestFirst"
      :options="orders"
      option-label="text"
      option-value="value"
      :allow-empty="false"
      aria-label="Order of the checks"
    />
  </div>
</template>

<style scoped>
.how {
  margin-bottom: 0.35rem;
  font-size: 0.9375rem;
}

p {
  margin: 0 0 0.25rem;
}

.hazard {
  padding-left: 0.5rem;
  border-left: 4px solid var(--suspect);
}
</style>
