<script setup lang="ts">
import { computed } from 'vue';
import type { Schemas } from '@/shared/api/client';
import { isOff } from '@/parts/deviation';

/** Where a reading stands against the band a healthy pump would keep to. */
const props = defineProps<{ comparison: Schemas['ComparisonDto'] }>();

const marks = computed(() => {
  const c = props.comparison;
  const least = Math.min(c.read.value, c.low.value);
  const most = Math.max(c.read.value, c.high.value);
  const room = Math.max((most - least) * 0.12, Math.abs(c.expected.value) * 0.02, 1e-9);
  const at = (v: number) => (100 * (v - least + room)) / (most - least + 2 * room);
  return { low: at(c.low.value), band: Math.max(3, at(c.high.value) - at(c.low.value)), read: at(c.read.value) };
});
</script>

<template>
  <svg viewBox="0 0 100 12" preserveAspectRatio="none" aria-hidden="true" :class="{ off: isOff(comparison) }">
    <line x1="0" y1="11" x2="100" y2="11" />
    <rect class="band" :x="marks.low" y="3" :width="marks.band" height="8" />
    <rect class="mark" :x="marks.read - 0.8" y="0" width="1.6" height="12" />
  </svg>
</template>

<style scoped>
svg {
  display: block;
  flex: 1;
  min-width: 0;
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
