<script setup lang="ts">
import { computed } from 'vue';
import DriveBox from './DriveBox.vue';
import { drive } from '@/drawing/layout/layout';

/** Crank and connecting rods seen from the side: one throw and one rod a cylinder, a full turn shared among them. */
const props = defineProps<{ xs: number[]; probability?: number; chosen: boolean }>();
defineEmits<{ tap: [] }>();

const shaft = { x: drive.x + 98, y: drive.y + drive.h / 2, throw: 15, wheel: 24 };
const rods = computed(() =>
  props.xs.map((_, k) => {
    const turn = (2 * Math.PI * k) / props.xs.length - 0.5;
    const middle = (props.xs.length - 1) / 2;
    const apart = Math.min(17, 44 / Math.max(1, props.xs.length - 1));
    return {
      pin: { x: shaft.x + shaft.throw * Math.cos(turn), y: shaft.y + shaft.throw * Math.sin(turn) },
      head: { x: drive.x + 18, y: shaft.y + (k - middle) * apart },
    };
  }),
);
</script>

<template>
  <DriveBox name="Crank and drive" :xs="xs" :probability="probability" :chosen="chosen" @tap="$emit('tap')">
    <circle :cx="shaft.x" :cy="shaft.y" :r="shaft.wheel" class="wheel" />
    <g v-for="(r, k) in rods" :key="k">
      <path :d="`M ${r.head.x} ${r.head.y} L ${r.pin.x} ${r.pin.y}`" class="rod" />
      <path :d="`M ${drive.x + 4} ${r.head.y} H ${r.head.x}`" class="crosshead" />
      <circle :cx="r.pin.x" :cy="r.pin.y" r="4" class="pin" />
    </g>
    <circle :cx="shaft.x" :cy="shaft.y" r="6" class="pin" />
  </DriveBox>
</template>

<style scoped>
.wheel {
  fill: var(--paper);
  stroke: var(--ink);
  stroke-width: 2.5;
}

.rod {
  stroke: var(--ink);
  stroke-width: 3;
}

.crosshead {
  stroke: var(--ink);
  stroke-width: 7;
}

.pin {
  fill: var(--ink);
}
</style>
