<script setup lang="ts">
import Button from 'primevue/button';
import type { Schemas } from '@/shared/api/client';
import { digits } from '@/shared/format';
import BandMark from './BandMark.vue';
import { deviation, isOff } from '@/parts/deviation';

/** Each reading against what a healthy pump would show, in words, with band and mark on one scale. Tap for the working. */
defineProps<{ comparisons: Schemas['ComparisonDto'][] }>();
defineEmits<{ working: [quantity: string] }>();
</script>

<template>
  <section v-if="comparisons.length" class="readings" aria-label="Readings against expectation">
    <Button
      v-for="c in comparisons"
      :key="c.quantity"
      variant="text"
      severity="secondary"
      class="reading"
      :class="{ off: isOff(c) }"
      @click="$emit('working', c.quantity)"
    >
      <span class="top"
        ><span>{{ c.short }}</span> <span class="quiet">expect {{ digits(c.expected.value) }}</span></span
      >
      <span class="middle"
        ><span class="read"
          ><b class="figure">{{ digits(c.read.value, 4) }}</b> {{ c.read.unit }}</span
        >
        <BandMark :comparison="c"
      /></span>
      <span class="away">{{ deviation(c) }}</span>
      <span class="sr-only">Show the working of: {{ c.name }}.</span>
    </Button>
  </section>
</template>

<style scoped>
.readings {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(9.5rem, 1fr));
  gap: 0 0.75rem;
  padding: 0 0.6rem;
}

.reading.reading {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 0;
  align-content: start;
  justify-items: stretch;
  text-align: left;
  padding: 0 0.4rem;
  line-height: 1.2;
}

.top {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 0 0.5rem;
  font-size: 0.9375rem;
}

.middle {
  display: flex;
  gap: 0.6rem;
  align-items: center;
}

.read {
  flex: none;
}

b {
  font-size: 1.3125rem;
}

.off .away {
  color: var(--suspect);
  font-weight: 700;
}
</style>
