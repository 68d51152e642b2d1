<script setup lang="ts">
import { computed } from 'vue';
import { percent } from '@/shared/format';
import { reach, type Box } from './layout/layout';
import { strength } from './suspicion';

/** A part of the drawing: can be tapped, also a little beside it, and fills up with suspicion. */
const props = defineProps<{
  name: string;
  probability?: number;
  box: Box;
  round?: boolean;
  chosen?: boolean;
  /** Where an editor that belongs to it finds it again. */
  spot?: string;
}>();
defineEmits<{ tap: [] }>();

const fill = computed(() => strength(props.probability));
const hit = computed(() => reach(props.box));
const body = computed(() => ({
  x: props.box.x,
  y: props.box.y,
  width: props.box.w,
  height: props.box.h,
  rx: props.round ? props.box.w / 2 : 5,
}));
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
    :data-spot="spot"
    @click="$emit('tap')"
    @keydown.enter.prevent="$emit('tap')"
    @keydown.space.prevent="$emit('tap')"
  >
    <rect class="hit" :x="hit.x" :y="hit.y" :width="hit.w" :height="hit.h" />
    <rect class="body" v-bind="body" />
    <rect v-if="fill > 0" class="suspicion" v-bind="body" :fill-opacity="fill" />
    <rect v-if="fill > 0" class="pattern" v-bind="body" :style="{ opacity: fill }" />
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
  stroke-width: 5;
}

.hit {
  fill: transparent;
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
