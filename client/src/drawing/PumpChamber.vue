<script setup lang="ts">
import { computed } from 'vue';
import SuspectPart from './SuspectPart.vue';
import MovingPart from './MovingPart.vue';
import SharePlate from './SharePlate.vue';
import { dischargeY, inletY, plungerY, valve, type Column, type Place } from './layout/layout';
import { spotKey, spotOf } from './layout/spots';
import type { Suspicion } from './suspicion';

/** One cylinder or end: its two valves and what moves between them, drawn the way the arrangement is built. */
const props = defineProps<{
  column: Column;
  arrangement: string;
  parts: Suspicion;
  /** A stacked bore tells the cylinder but not the side. */
  plain: boolean;
  /** Sides whose valves stand under caps. */
  caps: ('inlet' | 'discharge')[];
  chosen: (place: Place, cylinder?: number, side?: string) => boolean;
}>();
const emit = defineEmits<{ tap: [place: Place, cylinder?: number, side?: 'inlet' | 'discharge'] }>();

const sides = ['discharge', 'inlet'] as const;
const k = computed(() => props.column.cylinder);
const x = computed(() => props.column.x);
const r = computed(() => props.column.plunger.r);
const end = computed(() => props.arrangement === 'intensifier');
const name = computed(() => (end.value ? (k.value === 1 ? 'left' : 'right') : String(k.value)));
const inside = computed(() =>
  ['hp-seal', 'lp-seal', 'plunger'].reduce((sum, part) => sum + (props.parts[`${part}:${k.value}`] ?? 0), 0),
);

const valveName = (side: string) =>
  `${side === 'inlet' ? 'Inlet' : 'Discharge'} ${end.value ? 'poppet' : 'valve'} ${name.value}`;
</script>

<template>
  <g>
    <path :d="`M ${x} ${dischargeY} V ${inletY}`" class="wall" />
    <path :d="`M ${x} ${dischargeY - 6} V ${inletY + 6}`" class="water" />
    <path v-if="caps.includes('discharge')" :d="`M ${x - 15} ${valve.discharge - 8} v -7 h 30 v 7`" class="cap" />
    <path
      v-if="caps.includes('inlet')"
      :d="`M ${x - 15} ${valve.inlet + valve.height + 8} v 7 h 30 v -7`"
      class="cap"
    />
    <text :x="x" :y="dischargeY - 20" class="number">{{ name }}</text>

    <SuspectPart
      v-for="side in sides"
      :key="side"
      :name="valveName(side)"
      :box="column[side]"
      :probability="parts[`${side}-valve:${k}`]"
      :chosen="chosen('caps', k, plain ? undefined : side)"
      :spot="spotKey(spotOf('caps', k, plain ? undefined : side))"
      @tap="emit('tap', 'caps', k, plain ? undefined : side)"
    >
      <path :d="`M ${x - 14} ${valve[side] + 38} H ${x + 14}`" class="seat" />
      <path
        v-if="end"
        :d="`M ${x - 9} ${valve[side] + 36} L ${x} ${valve[side] + 16} L ${x + 9} ${valve[side] + 36} Z`"
        class="ball"
      />
      <circle v-else :cx="x" :cy="valve[side] + 26" r="9" class="ball" />
      <path :d="`M ${x} ${valve[side] + 15} v -9`" class="spring" />
    </SuspectPart>

    <!-- the inlet valve rides on the rod of a flow-through plunger -->
    <path v-if="arrangement === 'flow-through'" :d="`M ${x} ${plungerY + r} V ${valve.inlet}`" class="rod" />

    <MovingPart
      :column="column"
      :arrangement="arrangement"
      :label="name"
      :probability="inside"
      :chosen="chosen('weep', k)"
      @tap="emit('tap', 'weep', k)"
    />

    <SharePlate :x="x" :y="valve.discharge - 12" :probability="parts[`discharge-valve:${k}`]" />
    <SharePlate :x="x" :y="plungerY" :probability="inside" />
    <SharePlate :x="x" :y="valve.inlet + valve.height + 12" :probability="parts[`inlet-valve:${k}`]" />
  </g>
</template>

<style scoped>
.cap {
  fill: var(--card);
  stroke: var(--ink);
  stroke-width: 2;
}

.rod {
  fill: none;
  stroke: var(--ink-2);
  stroke-width: 6;
}
</style>
