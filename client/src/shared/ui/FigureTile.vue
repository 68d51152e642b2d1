<script setup lang="ts">
import Button from 'primevue/button';
import type { Figure } from '../api/client';
import { digits, quantity } from '../format';

/** A figure that opens its working. Beside it, where given, what it is in the sound pump. */
defineProps<{ figure: Figure; sound?: Figure }>();
defineEmits<{ open: [figure: Figure] }>();
</script>

<template>
  <Button severity="secondary" variant="outlined" class="tile" @click="$emit('open', figure)">
    <span>{{ figure.name }}</span>
    <b class="figure">{{ quantity(figure.value) }}</b>
    <span v-if="sound && quantity(sound.value) !== quantity(figure.value)" class="figure was"
      >healthy {{ quantity(sound.value) }}</span
    >
    <span v-else-if="figure.low.value !== figure.high.value" class="quiet figure"
      >{{ digits(figure.low.value) }} to {{ quantity(figure.high) }}</span
    >
    <span class="sr-only">Show the working.</span>
  </Button>
</template>

<style scoped>
.tile.tile {
  display: grid;
  gap: 0.1rem;
  align-content: start;
  justify-items: start;
  padding: 0.5rem 0.75rem;
  border-color: var(--line);
}

b {
  font-size: 1.375rem;
}

.quiet,
.was {
  font-size: 0.9375rem;
}

.was {
  color: var(--water);
}
</style>
