<script setup lang="ts">
import { computed } from 'vue';
import SharePlate from '@/drawing/SharePlate.vue';
import SuspectPart from '@/drawing/SuspectPart.vue';
import { drive, plungerY } from '@/drawing/layout/layout';

/** A drive that stands at the end of the row, with the axis that leads from the first plunger to it. */
const props = defineProps<{ name: string; xs: number[]; probability?: number; chosen: boolean }>();
defineEmits<{ tap: [] }>();

const first = computed(() => props.xs[0] ?? 0);
</script>

<template>
  <g>
    <path :d="`M ${first} ${plungerY} H ${drive.x}`" class="axis" />
    <SuspectPart :name="name" :box="drive" :probability="probability" :chosen="chosen" spot="crank" @tap="$emit('tap')">
      <slot />
    </SuspectPart>
    <SharePlate :x="drive.x + drive.w / 2" :y="drive.y + drive.h / 2" :probability="probability" />
  </g>
</template>

<style scoped>
.axis {
  fill: none;
  stroke: var(--ink-2);
  stroke-width: 2;
  stroke-dasharray: 10 4 2 4;
}
</style>
