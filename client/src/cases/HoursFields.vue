<script setup lang="ts">
import { computed, ref } from 'vue';
import type { CaseResource, ChangeRequest, Knowledge } from '@/shared/api/client';
import { readNumber } from '@/shared/numbers';

/** Hours run by what wears: past their life seals are suspected more. */
const props = defineProps<{
  data: CaseResource;
  knowledge: Knowledge;
  tell: (change: ChangeRequest) => Promise<boolean>;
}>();

const names: Record<string, string> = {
  'hp-seal': 'High-pressure seals',
  'lp-seal': 'Low-pressure seals',
  plunger: 'Cups',
};
const parts = computed(() =>
  props.knowledge.wearingParts
    .filter((part) => props.knowledge.faults.some((f) => f.part === part))
    .filter((part) => part !== 'plunger' || props.data.pump.pump.arrangement === 'twin-piston'),
);
const problem = ref('');

const hoursOf = (part: string) => props.data.hours.find((h) => h.part === part && !h.cylinder)?.hours;

async function save(part: string, event: Event) {
  const text = (event.target as HTMLInputElement).value.trim();
  const hours = text ? readNumber(text) : null;
  if (text && (hours === null || hours < 0)) {
    problem.value = `“${text}” is no number of hours. Write it like 850, or nothing.`;
    return;
  }
  problem.value = '';
  // Hours of one cylinder's part are noted elsewhere and stay.
  const others = props.data.hours.filter((h) => h.part !== part || h.cylinder);
  await props.tell({ hours: hours === null ? others : [...others, { part, hours, cylinder: null }] });
}
</script>

<template>
  <fieldset v-if="parts.length" class="hours">
    <legend>Hours since new</legend>
    <label v-for="part in parts" :key="part">
      {{ names[part] ?? part }}
      <input
        class="figure"
        inputmode="decimal"
        autocomplete="off"
        :value="hoursOf(part) ?? ''"
        @change="save(part, $event)"
      />
    </label>
    <p v-if="problem" role="alert" class="problem">{{ problem }}</p>
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

p {
  grid-column: 1 / -1;
  margin: 0;
}
</style>
