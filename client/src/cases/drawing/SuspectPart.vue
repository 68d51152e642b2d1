<script setup lang="ts">
import { computed } from 'vue';
import { percent } from '@/shared/format';
import { strength } from './suspicion';

/** A part of the drawing: can be tapped, and fills up with suspicion. */
const props = defineProps<{
  name: string;
  probability?: number;
  box: { x: number; y: number; w: number; h: number };
  round?: boolean;
  chosen?: boolean;
}>();
defineEmits<{ tap: [event: Event] }>();

const fill = computed(() => strength(props.probability));
const says = computed(() =>
  props.probability && props.probability >= 0.01
    ? `${props.name}, suspected ${percent(props.probability)}`
    : props.name,
);
</script>

<template>
  <g
    class="part"
    :class="{ chosen }"
    role="button"
    tabindex="0"
    :aria-label="says"
    @click="$emit('tap', $event)"
    @keydown.enter.prevent="$emit('tap', $event)"
    @keydown.space.prevent="$emit('tap', $event)"
  >
    <rect class="body" v-bind="{ x: box.x, y: box.y, width: box.w, height: box.h, rx: round ? box.w / 2 : 5 }" />
    <rect
      v-if="fill > 0"
      class="suspicion"
      v-bind="{ x: box.x, y: box.y, width: box.w, height: box.h, rx: round ? box.w / 2 : 5 }"
      :fill-opacity="fill"
    />
    <rect
      v-if="fill > 0"
      class="pattern"
      v-bind="{ x: box.x, y: box.y, width: box.w, height: box.h, rx: round ? box.w / 2 : 5 }"
      :style="{ opacity: fill }"
    />
    <slot />
  </g>
</template>

<style scoped>
.part {
  cursor: pointer;
}

.part:focus-visible {
  outline: none;
}

.part:focus-visible .body,
.chosen .body {
  stroke: var(--focus);
  stroke-width: 4;
}

.body {
  fill: var(--card);
  stroke: var(--ink);
  stroke-width: 2;
}

.suspicion {
  fill: var(--suspect-soft);
  stroke: var(--suspect);
  stroke-width: 2.5;
}

.pattern {
  fill: url(#suspect-hatch);
  pointer-events: none;
}
</style>
