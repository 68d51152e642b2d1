<script setup lang="ts">
import type { Figure } from '../api/client';
import { digits, quantity } from '../format';

/** A figure that opens its working. Beside it, where given, what it is in the sound pump. */
defineProps<{ figure: Figure; sound?: Figure }>();
defineEmits<{ open: [figure: Figure] }>();
</script>

<template>
  <button type="button" class="tile" @click="$emit('open', figure)">
    <span>{{ figure.name }}</span>
    <b class="figure">{{ quantity(figure.value) }}</b>
    <span v-if="sound && quantity(sound.value) !== quantity(figure.value)" class="figure was"
      >healthy {{ quantity(sound.value) }}</span
    >
    <span v-else-if="figure.low.value !== figure.high.value" class="quiet figure"
      >{{ digits(figure.low.value) }} to {{ quantity(figure.high) }}</span
    >
    <span class="sr-only">Show the working.</span>
  </button>
</template>

<style scoped>
.tile {
  display: grid;
  gap: 0.1rem;
  align-content: start;
  min-height: 44px;
  padding: 0.5rem 0.75rem;
  border: 1.5px solid var(--line);
  border-radius: 4px;
  background: var(--card);
  color: var(--ink);
  font: inherit;
  text-align: left;
  cursor: pointer;
}

b {
  font-size: 1.375rem;
}

.quiet,
.was {
  font-size: 0.875rem;
}

.was {
  color: var(--water);
}
</style>
