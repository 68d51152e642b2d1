<script setup lang="ts">
import { computed } from 'vue';
import SuspectPart from './SuspectPart.vue';
import { dischargeY, inletY, plungerY, valve, type Column, type Place } from './layout';
import { share, type Suspicion } from './suspicion';

/** One cylinder or end: its two valves and what moves between them, drawn the way the arrangement is built. */
const props = defineProps<{
  column: Column;
  arrangement: string;
  parts: Suspicion;
  /** A stacked bore tells the cylinder but not the side. */
  plain: boolean;
  chosen: (place: Place, cylinder?: number, side?: string) => boolean;
}>();
const emit = defineEmits<{ tap: [place: Place, event: Event, cylinder?: number, side?: 'inlet' | 'discharge'] }>();

const sides = ['discharge', 'inlet'] as const;
const k = computed(() => props.column.cylinder);
const x = computed(() => props.column.x);
const r = computed(() => props.column.plunger.r);
const end = computed(() => props.arrangement === 'intensifier');
const name = computed(() => (end.value ? (k.value === 1 ? 'left' : 'right') : String(k.value)));
const inside = computed(() =>
  ['hp-seal', 'lp-seal', 'plunger'].reduce((sum, part) => sum + (props.parts[`${part}:${k.value}`] ?? 0), 0),
);
const moving = computed(() => (props.arrangement === 'twin-piston' ? 'Cup and sleeve' : 'Plunger and seals'));

const valveName = (side: string) =>
  `${side === 'inlet' ? 'Inlet' : 'Discharge'} ${end.value ? 'poppet' : 'valve'} ${name.value}`;
</script>

<template>
  <g>
    <path :d="`M ${x} ${dischargeY} V ${inletY}`" class="wall" />
    <path :d="`M ${x} ${dischargeY - 6} V ${inletY + 6}`" class="water" />
    <text :x="x" :y="dischargeY - 20" class="number">{{ name }}</text>

    <SuspectPart
      v-for="side in sides"
      :key="side"
      :name="valveName(side)"
      :box="column[side]"
      :probability="parts[`${side}-valve:${k}`]"
      :chosen="chosen('caps', k, plain ? undefined : side)"
      @tap="emit('tap', 'caps', $event, k, plain ? undefined : side)"
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

    <SuspectPart
      :name="`${moving} ${name}`"
      round
      :box="{ x: x - r, y: plungerY - r, w: 2 * r, h: 2 * r }"
      :probability="inside"
      :chosen="chosen('weep', k)"
      @tap="emit('tap', 'weep', $event, k)"
    >
      <template v-if="arrangement === 'twin-piston'">
        <!-- a cup in its sleeve -->
        <path
          :d="`M ${x - r + 9} ${plungerY - 20} V ${plungerY + 20} M ${x + r - 9} ${plungerY - 20} V ${plungerY + 20}`"
          class="seat"
        />
        <path
          :d="`M ${x - r + 12} ${plungerY - 12} Q ${x - r + 14} ${plungerY + 8} ${x} ${plungerY + 8} Q ${x + r - 14} ${plungerY + 8} ${x + r - 12} ${plungerY - 12}`"
          class="ring"
        />
        <path :d="`M ${x} ${plungerY + 8} V ${plungerY + 24}`" class="rod" />
      </template>
      <template v-else>
        <circle :cx="x" :cy="plungerY" :r="r - 8" class="ring" />
        <circle :cx="x" :cy="plungerY" :r="r - 15" class="ceramic" />
        <!-- water runs through the plunger -->
        <circle v-if="arrangement === 'flow-through'" :cx="x" :cy="plungerY" :r="Math.max(2, r - 25)" class="fluid" />
        <!-- static seal on the valves' side, dynamic seal on the oil's -->
        <path
          v-if="end"
          :d="`M ${x - r + 4} ${plungerY - 14} H ${x + r - 4} M ${x - r + 4} ${plungerY + 14} H ${x + r - 4}`"
          class="ring"
        />
      </template>
    </SuspectPart>

    <text v-if="share(parts[`discharge-valve:${k}`])" :x="x" :y="valve.discharge - 5" class="share">
      {{ share(parts[`discharge-valve:${k}`]) }}
    </text>
    <text v-if="share(inside)" :x="x" :y="plungerY + 5" class="share">{{ share(inside) }}</text>
    <text v-if="share(parts[`inlet-valve:${k}`])" :x="x" :y="valve.inlet + 70" class="share">
      {{ share(parts[`inlet-valve:${k}`]) }}
    </text>
  </g>
</template>

<style scoped>
.rod {
  fill: none;
  stroke: var(--ink-2);
  stroke-width: 6;
}
</style>
