<script setup lang="ts">
import { computed } from 'vue';
import SharePlate from '@/drawing/SharePlate.vue';
import SuspectPart from '@/drawing/SuspectPart.vue';
import { plungerY } from '@/drawing/layout/layout';

/** One crank between two cups that stand back to back. */
const props = defineProps<{ xs: number[]; probability?: number; chosen: boolean }>();
defineEmits<{ tap: [] }>();

const first = computed(() => props.xs[0] ?? 0);
const last = computed(() => props.xs.at(-1) ?? 0);
const middle = computed(() => (first.value + last.value) / 2);
const pin = computed(() => ({ x: middle.value + 12, y: plungerY - 14 }));
</script>

<template>
  <g>
    <SuspectPart
      name="Crank and drive"
      round
      :box="{ x: middle - 44, y: plungerY - 44, w: 88, h: 88 }"
      :probability="probability"
      :chosen="chosen"
      spot="crank"
      @tap="$emit('tap')"
    >
      <circle :cx="middle" :cy="plungerY" r="26" class="wheel" />
    </SuspectPart>
    <path :d="`M ${first + 38} ${plungerY} L ${pin.x} ${pin.y} L ${last - 38} ${plungerY}`" class="rod" />
    <circle :cx="pin.x" :cy="pin.y" r="6" class="pin" />
    <circle :cx="middle" :cy="plungerY" r="5" class="pin" />
    <SharePlate :x="middle" :y="plungerY + 56" :probability="probability" />
  </g>
</template>

<style scoped>
.wheel {
  fill: var(--paper);
  stroke: var(--ink);
  stroke-width: 2.5;
}

.rod {
  fill: none;
  stroke: var(--ink);
  stroke-width: 6;
  pointer-events: none;
}

.pin {
  fill: var(--ink);
  pointer-events: none;
}
</style>
