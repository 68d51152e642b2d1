<script setup lang="ts">
import { computed } from 'vue';
import type { CaseResource, ChangeRequest, Knowledge } from '@/shared/api/client';
import HoursField from './HoursField.vue';

/** Hours run by what wears: past their life seals are suspected more. */
const props = defineProps<{
  data: CaseResource;
  knowledge: Knowledge;
  tell: (change: ChangeRequest) => Promise<boolean>;
}>();

const parts = computed(() =>
  props.knowledge.wearingParts
    .filter((part) => props.knowledge.faults.some((f) => f.part === part))
    .filter((part) => part !== 'plunger' || props.data.pump.pump.arrangement === 'twin-piston'),
);

// Hours of one cylinder's part are noted elsewhere and stay.
const save = (part: string, hours: number | null) => {
  const others = props.data.hours.filter((h) => h.part !== part || h.cylinder);
  return props.tell({ hours: hours === null ? others : [...others, { part, hours, cylinder: null }] });
};
</script>

<template>
  <fieldset v-if="parts.length" class="hours">
    <legend>Hours since new</legend>
    <HoursField v-for="part in parts" :key="part" :data="data" :part="part" :save="save" />
  </fieldset>
</template>

<style scoped>
.hours {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0.4rem 1rem;
  margin: 0;
  border: 1px solid var(--line);
}
</style>
