<script setup lang="ts">
import type { JudgedCase } from '@/shared/api/client';
import { percent } from '@/shared/format';
import { pairName } from './suspects';

/** The likeliest pairs of faults, where two at once explain what one cannot. */
defineProps<{ pairs: JudgedCase['diagnosis']['pairs']; probability: number }>();
</script>

<template>
  <div v-if="pairs.length" class="pairs">
    <h3>
      Two at once <span class="figure">{{ percent(probability) }}</span>
    </h3>
    <ul>
      <li v-for="p in pairs" :key="pairName(p)">
        <span>{{ pairName(p) }}</span> <span class="figure">{{ percent(p.probability) }}</span>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.pairs {
  padding: 0.4rem 1rem 0;
  font-size: 0.9375rem;
}

h3 {
  font-size: 1rem;
}

ul {
  margin: 0;
  padding: 0;
  list-style: none;
}

li {
  display: flex;
  justify-content: space-between;
  gap: 0.5rem;
}

.figure {
  white-space: nowrap;
}
</style>
