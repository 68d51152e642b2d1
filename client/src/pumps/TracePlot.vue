<script setup lang="ts">
import { computed, ref } from 'vue';
import type { Schemas } from '@/shared/api/client';
import { digits } from '@/shared/format';

/** A stretch of simulated time at one place, with the turns of the crank marked. */
const props = defineProps<{ trace: Schemas['TraceDto']; cycles?: boolean }>();
const place = ref('head');
const wide = 430;
const high = 104;
const left = 58;

const places = computed(() => [
  { id: 'head', name: 'the head' },
  { id: 'gun', name: 'the nozzle' },
  { id: 'inlet', name: 'the inlet' },
  ...props.trace.chambers.map((_, k) => ({ id: `chamber-${k}`, name: `inside chamber ${k + 1}` })),
]);
const values = computed(() => {
  if (place.value === 'gun') return props.trace.gun;
  if (place.value === 'inlet') return props.trace.inlet;
  const chamber = /^chamber-(\d+)$/.exec(place.value);
  return (chamber ? props.trace.chambers[Number(chamber[1])] : undefined) ?? props.trace.head;
});
const range = computed(() => {
  const [least, most] = [Math.min(...values.value), Math.max(...values.value)];
  // A quiet trace is drawn quiet: never less than a tenth of its level fills the height.
  const room = Math.max(most - least, 0.1 * Math.abs(most), 0.05) * 0.6;
  const middle = (most + least) / 2;
  return { least: middle - room, most: middle + room };
});
const end = computed(() => props.trace.seconds.at(-1) ?? 1);
const x = (t: number) => left + ((wide - left) * t) / end.value;
const y = (v: number) => high - (high * (v - range.value.least)) / (range.value.most - range.value.least);
const line = computed(() =>
  values.value.map((v, i) => `${x(props.trace.seconds[i] ?? 0).toFixed(1)},${y(v).toFixed(1)}`).join(' '),
);
const turns = computed(() => {
  const marks: number[] = [];
  props.trace.turns.forEach((t, i) => {
    const before = props.trace.turns[i - 1];
    if (before !== undefined && Math.floor(t + 1e-9) > Math.floor(before + 1e-9))
      marks.push(props.trace.seconds[i] ?? 0);
  });
  return marks.length > 12 ? [] : marks;
});
const told = computed(() => [range.value.most, (range.value.most + range.value.least) / 2, range.value.least]);
const span = computed(() => range.value.most - range.value.least);
const label = (v: number) => v.toFixed(span.value < 1 ? 2 : span.value < 20 ? 1 : 0);
</script>

<template>
  <div>
    <label class="places"
      >Simulated pressure at
      <select v-model="place">
        <option v-for="p in places" :key="p.id" :value="p.id">{{ p.name }}</option>
      </select></label
    >
    <svg
      :viewBox="`0 -8 ${wide} ${high + 34}`"
      role="img"
      :aria-label="`Pressure over time, ${label(Math.min(...values))} to ${label(Math.max(...values))} bar in ${digits(end * 1000)} ms`"
    >
      <path v-for="v in told" :key="v" :d="`M ${left},${y(v)} H ${wide}`" class="grid" />
      <text v-for="v in told" :key="`t${v}`" :x="left - 8" :y="y(v) + 5" class="end">{{ label(v) }}</text>
      <path v-for="t in turns" :key="`n${t}`" :d="`M ${x(t)},0 V ${high}`" class="turn" />
      <polyline :points="line" />
      <text :x="left" :y="high + 22">bar; dashed: one {{ cycles ? 'cycle' : 'turn' }}</text>
      <text :x="wide" :y="high + 22" class="end">{{ digits(end * 1000) }} ms</text>
    </svg>
  </div>
</template>

<style scoped>
.places {
  display: flex;
  align-items: center;
  gap: 0.75rem;
  white-space: nowrap;
}

.places select {
  flex: 1;
  min-width: 0;
}

svg {
  display: block;
  width: 100%;
  max-width: 34rem;
  margin-top: 0.4rem;
}

.grid {
  stroke: var(--line);
}

.turn {
  stroke: var(--ink-2);
  stroke-dasharray: 5 4;
}

polyline {
  fill: none;
  stroke: var(--water);
  stroke-width: 2.5;
  stroke-linejoin: round;
}

text {
  fill: var(--ink);
  font-family: var(--font-figure);
  font-size: 15px;
}

.end {
  text-anchor: end;
}
</style>
