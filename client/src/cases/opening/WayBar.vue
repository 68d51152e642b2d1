<script setup lang="ts">
import { cardKey, isDone, type Card, type Plan, type Work } from './cards/cards';

/** The whole way at the foot: what is done, where we are, what is left. */
defineProps<{ cards: Card[]; at: number; plan: Plan; work: Work; name: string }>();
</script>

<template>
  <div class="way" role="img" :aria-label="`${name}: card ${at + 1} of ${cards.length}`">
    <span class="name">{{ name }}</span>
    <i v-for="(c, i) in cards" :key="cardKey(c)" :class="{ done: isDone(c, plan, work), here: i === at }" />
  </div>
</template>

<style scoped>
.way {
  display: flex;
  gap: 4px;
  align-items: center;
  height: 44px;
  padding: 0 1rem;
  background: var(--bar);
}

.name {
  margin-right: 0.5rem;
  color: var(--bar-ink);
  font-family: var(--font-tag);
  font-size: 1.125rem;
  white-space: nowrap;
}

i {
  flex: 1;
  min-width: 2px;
  height: 14px;
  background: var(--bar-2);
}

.done {
  background: var(--water-soft);
}

.here {
  height: 24px;
  background: var(--bar-ink);
}

:global(.dark) .done {
  background: var(--water);
}
</style>
