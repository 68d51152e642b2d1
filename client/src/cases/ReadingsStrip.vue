<script setup lang="ts">
import type { Schemas } from '@/shared/api/client';
import { digits, signed } from '@/shared/format';

/** Each reading against what a sound pump would show: band and mark on one scale. Tap for the working. */
defineProps<{ comparisons: Schemas['ComparisonDto'][] }>();
defineEmits<{ working: [quantity: string] }>();

type Row = Schemas['ComparisonDto'];

function scale(c: Row) {
  const least = Math.min(c.read.value, c.low.value);
  const most = Math.max(c.read.value, c.high.value);
  const room = Math.max((most - least) * 0.12, Math.abs(c.expected.value) * 0.02, 1e-9);
  const at = (v: number) => (100 * (v - least + room)) / (most - least + 2 * room);
  return { low: at(c.low.value), band: Math.max(3, at(c.high.value) - at(c.low.value)), read: at(c.read.value) };
}

const off = (c: Row) => Math.abs(c.sigmas) > 2;
</script>

<template>
  <section v-if="comparisons.length" class="readings" aria-label="Readings against expectation">
    <button
      v-for="c in comparisons"
      :key="c.quantity"
      type="button"
      class="reading"
      :class="{ off: off(c) }"
      @click="$emit('working', c.quantity)"
    >
      <span class="top"
        ><span class="name">{{ c.name }}</span> <span class="quiet">expect {{ digits(c.expected.value) }}</span></span
      >
      <span class="middle"
        ><b class="figure">{{ digits(c.read.value, 4) }}</b> {{ c.read.unit }}
        <span class="away figure">{{ signed(c.sigmas, 2) }} σ</span></span
      >
      <span class="sr-only">Show the working.</span>
      <svg viewBox="0 0 100 12" preserveAspectRatio="none" aria-hidden="true">
        <line x1="0" y1="11" x2="100" y2="11" />
        <rect class="band" :x="scale(c).low" y="3" :width="scale(c).band" height="8" />
        <rect class="mark" :x="scale(c).read - 0.8" y="0" width="1.6" height="12" />
      </svg>
    </button>
  </section>
</template>

<style scoped>
.readings {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(10.5rem, 1fr));
  gap: 0.25rem 1.25rem;
  padding: 0.25rem 1rem 0.5rem;
}

.reading {
  display: block;
  min-width: 0;
  padding: 0.25rem 0;
  border: 0;
  background: none;
  color: var(--ink);
  font: inherit;
  text-align: left;
  cursor: pointer;
}

.top {
  display: flex;
  justify-content: space-between;
  gap: 0.5rem;
  font-size: 0.875rem;
  white-space: nowrap;
}

.name {
  overflow: hidden;
  text-overflow: ellipsis;
}

.middle b {
  font-size: 1.375rem;
}

.away {
  float: right;
  margin-top: 0.35rem;
}

.off .away {
  color: var(--suspect);
  font-weight: 600;
}

svg {
  display: block;
  width: 100%;
  height: 12px;
}

line {
  stroke: var(--ink);
}

.band {
  fill: var(--water-soft);
  stroke: var(--water);
  stroke-width: 0.5;
}

.mark {
  fill: var(--ink);
}

.off .mark {
  fill: var(--suspect);
}
</style>
