<script setup lang="ts">
import { computed } from 'vue';
import { plateWidth } from './layout/layout';
import { share } from './suspicion';

/** How likely a part is the culprit, on a plate of its own: no line of the drawing runs through the figure. */
const props = defineProps<{ x: number; y: number; probability?: number; from?: 'left' }>();
const text = computed(() => share(props.probability));
const wide = computed(() => plateWidth(text.value));
const start = computed(() => (props.from === 'left' ? props.x : props.x - wide.value / 2));
</script>

<template>
  <g v-if="text" class="share-plate" aria-hidden="true">
    <rect :x="start" :y="y - 12" :width="wide" height="24" rx="3" />
    <text :x="start + wide / 2" :y="y + 6">{{ text }}</text>
  </g>
</template>

<style scoped>
g {
  pointer-events: none;
}

rect {
  fill: var(--card);
  stroke: var(--suspect);
  stroke-width: 2;
}

text {
  fill: var(--suspect);
  font-family: var(--font-figure);
  font-weight: 600;
  font-size: 18px;
}
</style>
