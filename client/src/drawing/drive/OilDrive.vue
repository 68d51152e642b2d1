<script setup lang="ts">
import { computed } from 'vue';
import SharePlate from '@/drawing/SharePlate.vue';
import SuspectPart from '@/drawing/SuspectPart.vue';
import { plungerY } from '@/drawing/layout/layout';

/** The oil piston between two ends, held together by long tie rods. */
const props = defineProps<{ xs: number[]; probability?: number; chosen: boolean }>();
defineEmits<{ tap: [] }>();

const first = computed(() => props.xs[0] ?? 0);
const last = computed(() => props.xs.at(-1) ?? 0);
const middle = computed(() => (first.value + last.value) / 2);
const rods = [plungerY - 53, plungerY + 53];
</script>

<template>
  <g>
    <g v-for="y in rods" :key="y" class="tie">
      <path :d="`M ${first - 62} ${y} H ${last + 62}`" />
      <rect
        v-for="x in [first - 62, first + 52, last - 58, last + 56]"
        :key="x"
        :x="x"
        :y="y - 7"
        width="6"
        height="14"
      />
    </g>
    <path :d="`M ${first + 30} ${plungerY} H ${last - 30}`" class="barrel" />
    <path :d="`M ${first + 30} ${plungerY} H ${last - 30}`" class="plunger" />
    <SuspectPart
      name="Oil piston and shift"
      :box="{ x: middle - 66, y: plungerY - 46, w: 132, h: 92 }"
      :probability="probability"
      :chosen="chosen"
      spot="crank"
      @tap="$emit('tap')"
    >
      <path :d="`M ${middle} ${plungerY - 40} V ${plungerY + 40}`" class="piston" />
    </SuspectPart>
    <text v-for="side in [-34, 34]" :key="side" :x="middle + side" :y="plungerY - 22" class="label">oil</text>
    <SharePlate :x="middle" :y="plungerY + 28" :probability="probability" />
  </g>
</template>

<style scoped>
.tie path {
  stroke: var(--ink-2);
  stroke-width: 4;
}

.tie rect {
  fill: var(--ink);
}

.barrel {
  stroke: var(--ink);
  stroke-width: 34;
}

.plunger {
  stroke: var(--paper);
  stroke-width: 29;
}

.piston {
  fill: none;
  stroke: var(--ink);
  stroke-width: 10;
}
</style>
