<script setup lang="ts">
import { computed } from 'vue';
import SuspectPart from './SuspectPart.vue';
import { plungerY, type Box, type Column } from './layout/layout';
import { spotKey, spotOf } from './layout/spots';

/** What moves in a cylinder, with its seals: a plunger seen end on, or a cup in its sleeve seen from the side. */
const props = defineProps<{
  column: Column;
  arrangement: string;
  label: string;
  probability?: number;
  chosen: boolean;
}>();
defineEmits<{ tap: [] }>();

const k = computed(() => props.column.cylinder);
const x = computed(() => props.column.x);
const r = computed(() => props.column.plunger.r);
const isCup = computed(() => props.arrangement === 'twin-piston');
const box = computed<Box>(() =>
  isCup.value
    ? { x: x.value - 40, y: plungerY - 30, w: 80, h: 60 }
    : { x: x.value - r.value, y: plungerY - r.value, w: 2 * r.value, h: 2 * r.value },
);
const cup = computed(() => {
  const [lip, root] = [x.value + out.value * 26, x.value + out.value * 2];
  const [top, bottom] = [plungerY - 17, plungerY + 17];
  return `M ${lip} ${top} Q ${root} ${top} ${root} ${plungerY} Q ${root} ${bottom} ${lip} ${bottom}`;
});
/** Outwards: away from the crank between the two. */
const out = computed(() => (k.value === 1 ? -1 : 1));
</script>

<template>
  <SuspectPart
    :name="`${isCup ? 'Cup and sleeve' : 'Plunger and seals'} ${label}`"
    :round="!isCup"
    :box="box"
    :probability="probability"
    :chosen="chosen"
    :spot="spotKey(spotOf('weep', k))"
    @tap="$emit('tap')"
  >
    <template v-if="isCup">
      <path :d="`M ${x - 36} ${plungerY - 22} H ${x + 36} M ${x - 36} ${plungerY + 22} H ${x + 36}`" class="seat" />
      <path :d="cup" class="cup" />
      <path :d="`M ${x + out * 2} ${plungerY} H ${x - out * 38}`" class="rod" />
    </template>
    <template v-else>
      <circle :cx="x" :cy="plungerY" :r="r - 8" class="ring" />
      <circle :cx="x" :cy="plungerY" :r="r - 15" class="ceramic" />
      <!-- water runs through the plunger -->
      <circle v-if="arrangement === 'flow-through'" :cx="x" :cy="plungerY" :r="Math.max(2, r - 25)" class="fluid" />
      <!-- static seal on the valves' side, dynamic seal on the oil's -->
      <path
        v-if="arrangement === 'intensifier'"
        :d="`M ${x - r + 4} ${plungerY - 14} H ${x + r - 4} M ${x - r + 4} ${plungerY + 14} H ${x + r - 4}`"
        class="ring"
      />
    </template>
  </SuspectPart>
</template>

<style scoped>
.rod {
  fill: none;
  stroke: var(--ink-2);
  stroke-width: 6;
}

.cup {
  fill: none;
  stroke: var(--ink);
  stroke-width: 6;
  stroke-linecap: round;
}
</style>
