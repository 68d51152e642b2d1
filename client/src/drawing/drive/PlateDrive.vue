<script setup lang="ts">
import { computed } from 'vue';
import DriveBox from './DriveBox.vue';
import { drive } from '@/drawing/layout/layout';

/** A tilted plate with its pistons round it, seen from the side, and the motor that turns it. */
const props = defineProps<{ xs: number[]; probability?: number; chosen: boolean }>();
defineEmits<{ tap: [] }>();

const middle = { x: drive.x + 58, y: drive.y + drive.h / 2 };
const lean = 0.42;
/** Pistons on a circle seen edge-on: they stand as far out as the plate leans there. */
const pistons = computed(() =>
  props.xs.map((_, k) => {
    const up = Math.sin((2 * Math.PI * (k + 0.25)) / props.xs.length) * 21;
    return { y: middle.y + up, foot: middle.x - up * lean - 5 };
  }),
);
</script>

<template>
  <DriveBox name="Tilted plate and motor" :xs="xs" :probability="probability" :chosen="chosen" @tap="$emit('tap')">
    <path v-for="(p, k) in pistons" :key="k" :d="`M ${drive.x + 6} ${p.y} H ${p.foot}`" class="piston" />
    <ellipse
      :cx="middle.x"
      :cy="middle.y"
      rx="6"
      ry="29"
      :transform="`rotate(23 ${middle.x} ${middle.y})`"
      class="plate"
    />
    <path :d="`M ${middle.x} ${middle.y} H ${drive.x + 84}`" class="shaft-end" />
    <rect :x="drive.x + 84" :y="middle.y - 20" width="44" height="40" class="motor" />
    <path v-for="k in 4" :key="`fin${k}`" :d="`M ${drive.x + 84 + k * 9} ${middle.y - 20} v 40`" class="fin" />
  </DriveBox>
</template>

<style scoped>
.piston {
  stroke: var(--ink);
  stroke-width: 7;
}

.plate {
  fill: var(--paper);
  stroke: var(--ink);
  stroke-width: 3;
}

.shaft-end {
  stroke: var(--ink);
  stroke-width: 6;
}

.motor {
  fill: var(--paper);
  stroke: var(--ink);
  stroke-width: 2.5;
}

.fin {
  stroke: var(--ink-2);
  stroke-width: 2;
}
</style>
