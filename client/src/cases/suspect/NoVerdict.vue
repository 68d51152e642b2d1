<script setup lang="ts">
import Button from 'primevue/button';
import { computed } from 'vue';
import type { CaseResource, ChangeRequest, Knowledge } from '@/shared/api/client';
import { quantity } from '@/shared/format';

/** In place of a verdict that cannot be computed: why, and everything that was noted, each to be taken out. */
const props = defineProps<{ data: CaseResource; knowledge: Knowledge; busy: boolean }>();
const emit = defineEmits<{ tell: [change: ChangeRequest] }>();

const nameOf = (id: string) => props.knowledge.observables.find((o) => o.id === id)?.name ?? id;

// "readings[4]: 30 bar on a gauge …": the entry itself is marked, so its number says nothing.
const why = computed(() => (props.data.trouble?.text ?? '').replace(/^(?:readings|cues)\[\d+\][^:]*: /, ''));

const entries = computed(() => [
  ...props.data.readings.map((r) => ({
    id: r.id,
    says: `${nameOf(r.quantity)}: ${quantity(r.value)}`,
    judged: r.judged,
  })),
  ...props.data.cues.map((c) => ({ id: c.id, says: c.says, judged: c.judged })),
]);
</script>

<template>
  <div class="sheet">
    <section role="alert">
      <h2>No verdict from what stands here</h2>
      <p>{{ why }}</p>
      <p class="quiet">Everything is kept. Take out what cannot be, undo, or correct the pump.</p>
    </section>
    <ul>
      <li v-for="e in entries" :key="e.id" :class="{ odd: e.id === data.trouble?.entry }">
        <span>{{ e.says }}<span v-if="!e.judged" class="quiet"> · does not fit this pump, not counted</span></span>
        <Button
          severity="secondary"
          variant="outlined"
          label="Take out"
          :disabled="busy"
          @click="emit('tell', { remove: [e.id] })"
        />
      </li>
    </ul>
  </div>
</template>

<style scoped>
ul {
  margin: 1rem 0;
  padding: 0;
  list-style: none;
}

li {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 1rem;
  min-height: 48px;
  border-bottom: 1px solid var(--line);
}

.odd {
  font-weight: 700;
  border-bottom-color: var(--suspect);
}

button {
  flex: none;
}
</style>
