<script setup lang="ts">
import { computed } from 'vue';
import type { JudgedCase, ChangeRequest, Knowledge } from '@/shared/api/client';
import StageNote from './StageNote.vue';
import WhatWasIt from './WhatWasIt.vue';

/** Proving: the hazards first, what to do, what it was, and room for notes. */
const props = defineProps<{
  data: JudgedCase;
  knowledge: Knowledge;
  tell: (change: ChangeRequest) => Promise<boolean>;
}>();

const hazards = computed(() => {
  const likely = props.data.diagnosis.suspects.filter((s) => s.probability >= 0.03).flatMap((s) => s.hazards);
  return [...new Map(likely.map((h) => [h.id, h])).values()];
});
</script>

<template>
  <section class="work" aria-label="Prove">
    <ul v-if="hazards.length" class="hazards">
      <li v-for="h in hazards" :key="h.id">{{ h.text }}</li>
    </ul>
    <p class="quiet">The maker's manual, the site's permit rules and local codes come before this page.</p>
    <h2>Prove it</h2>
    <p>
      Dry floor, water on, air purged at no pressure; then in steps to full pressure, and the readings once more. They
      stand against the expectation on the left.
    </p>
    <WhatWasIt :data="data" :knowledge="knowledge" :tell="tell" />
    <StageNote :data="data" name="note-prove" label="Notes: prove" :tell="tell" />
  </section>
</template>

<style scoped>
.work {
  display: grid;
  gap: 0.5rem;
  padding: 0.5rem 1rem 1rem;
}

p {
  margin: 0;
}

.hazards {
  margin: 0;
  padding: 0.5rem 0.6rem 0.5rem 1.6rem;
  border-left: 4px solid var(--suspect);
  background: var(--card);
  font-size: 0.9375rem;
}
</style>
