<script setup lang="ts">
import { computed } from 'vue';
import type { Schemas } from '@/shared/api/client';
import { digits } from '@/shared/format';

/** Patterns that are told, each with its counts; what is not told is said once, so that nobody waits for it. */
const props = defineProps<{ patterns: readonly Schemas['PatternDto'][]; withPump?: boolean }>();
const told = computed(() => props.patterns.filter((p) => p.told));
const most = (p: Schemas['PatternDto']) => Math.max(...p.counts.map((c) => Math.max(c.events, c.expected)), 1);
const share = (n: number, p: Schemas['PatternDto']) => `${(100 * n) / most(p)}%`;
const chance = (p: number) => (p < 0.001 ? 'below 0.001' : digits(p, 2));
</script>

<template>
  <div>
    <article v-for="p in told" :key="`${p.kind}-${p.family}-${p.pump}-${p.leading}`" class="pattern">
      <p class="sentence">
        <RouterLink v-if="withPump && p.pump" class="plate" :to="`/pumps/${p.pump}`">{{ p.tag }}</RouterLink>
        <b>{{ p.sentence }}</b>
      </p>
      <ul>
        <li v-for="c in p.counts.filter((x) => x.events > 0 || x.expected >= 0.5)" :key="c.place">
          <span>{{ c.place }}</span>
          <span class="bars">
            <span class="seen" :class="{ hatch: c.place === p.leading }" :style="{ width: share(c.events, p) }" />
            <span class="mark" :style="{ left: share(c.expected, p) }" />
          </span>
          <span class="figure">{{ c.events }}</span>
        </li>
      </ul>
      <p class="quiet">The stroke marks what was expected. By chance alone: p {{ chance(p.p) }}.</p>
    </article>
    <p v-if="told.length === 0" class="quiet">
      No pattern is told yet: it takes five failures and more than chance, however often one looks.
    </p>
  </div>
</template>

<style scoped>
.pattern {
  padding: 0.4rem 0 0.6rem;
  border-bottom: 1px solid var(--line);
}

.sentence {
  display: flex;
  gap: 0.75rem;
  align-items: start;
}

p {
  margin: 0.15rem 0;
}

ul {
  margin: 0;
  padding: 0;
  list-style: none;
}

li {
  display: grid;
  grid-template-columns: minmax(7rem, 13rem) 1fr 2rem;
  gap: 0.5rem;
  align-items: center;
}

.bars {
  position: relative;
  height: 16px;
}

.seen {
  display: block;
  height: 100%;
  background-color: var(--water-soft);
  border: 1px solid var(--water);
}

.seen.hatch {
  border-color: var(--suspect);
  background-color: var(--suspect-soft);
}

.mark {
  position: absolute;
  top: -2px;
  width: 3px;
  height: 20px;
  background: var(--ink);
}

.figure {
  text-align: right;
}
</style>
