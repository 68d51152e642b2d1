<script setup lang="ts">
import { computed } from 'vue';
import type { CaseResource, ChangeRequest } from '@/shared/api/client';
import { quantity } from '@/shared/format';

/** In place of a verdict that cannot be computed: why, and everything that was noted, each to be taken out. */
const props = defineProps<{ data: CaseResource; busy: boolean }>();
const emit = defineEmits<{ tell: [change: ChangeRequest] }>();

const entries = computed(() => [
  ...props.data.readings.map((r) => ({ id: r.id, says: `${r.quantity}: ${quantity(r.value)}`, judged: r.judged })),
  ...props.data.cues.map((c) => ({ id: c.id, says: c.says, judged: c.judged })),
]);
</script>

<template>
  <main class="sheet">
    <section role="alert">
      <h2>No verdict from what stands here</h2>
      <p>{{ data.trouble?.text }}</p>
    </section>
    <ul>
      <li v-for="e in entries" :key="e.id">
        <span>{{ e.says }}<span v-if="!e.judged" class="quiet"> · does not fit this pump, not counted</span></span>
        <button type="button" class="tap" :disabled="busy" @click="emit('tell', { remove: [e.id] })">Take out</button>
      </li>
    </ul>
  </main>
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
</style>
