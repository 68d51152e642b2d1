<script setup lang="ts">
import { computed } from 'vue';
import type { Schemas } from '@/shared/api/client';
import DriveEnd from './drive/DriveEnd.vue';
import OutletSide from './OutletSide.vue';
import PumpChamber from './PumpChamber.vue';
import PumpFittings from './PumpFittings.vue';
import SharePlate from './SharePlate.vue';
import SupplySide from './SupplySide.vue';
import SuspectPart from './SuspectPart.vue';
import './drawing.css';
import { capSides, tellsSides } from './layout/heads';
import { columns, height, valve, width, type Place } from './layout/layout';
import { spotOf, type Spot } from './layout/spots';
import { worthAPlate, type Suspicion } from './suspicion';

/** The pump as it stands before you, generated from what it is; parts fill up with suspicion. */
const props = defineProps<{
  pump: Schemas['PumpDto'];
  setup: Schemas['SetupDto'];
  parts: Suspicion;
  chosen?: Spot;
}>();
const emit = defineEmits<{ tap: [spot: Spot] }>();

const arrangement = computed(() => props.pump.arrangement ?? 'crank-plunger');
const ends = computed(() => arrangement.value === 'intensifier');
const hasControl = computed(() => (props.pump.control ?? 'none') !== 'none');
const cols = computed(() => columns(props.pump.cylinders ?? 3, arrangement.value));
const plain = computed(() => !tellsSides(props.pump));
const caps = computed(() => capSides(props.pump));
const first = computed(() => cols.value[0]?.x ?? 0);
const last = computed(() => cols.value.at(-1)?.x ?? 0);
const half = computed(() => (cols.value[0]?.plunger.r ?? 38) + 6);
const atHead = computed(() => (props.parts.head ?? 0) + (props.parts['head:1'] ?? 0) + (props.parts['head:2'] ?? 0));

const tap = (place: Place, cylinder?: number, side?: 'inlet' | 'discharge') =>
  emit('tap', spotOf(place, cylinder, side));

function isChosen(place: Place, cylinder?: number, side?: string): boolean {
  return props.chosen?.place === place && props.chosen.cylinder === cylinder && props.chosen.side === side;
}
</script>

<template>
  <svg class="pump-drawing" :viewBox="`0 0 ${width} ${height}`" role="group" aria-label="The pump, head on">
    <defs>
      <pattern id="suspect-hatch" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <rect width="2" height="7" class="stripe" />
      </pattern>
    </defs>

    <SupplySide :last="last" :parts="parts" :chosen="isChosen" @tap="tap" />
    <OutletSide :first="first" :has-control="hasControl" :parts="parts" :chosen="isChosen" @tap="tap" />

    <SuspectPart
      name="Head"
      :box="{
        x: first - half,
        y: valve.discharge - 8,
        w: last - first + 2 * half,
        h: valve.inlet + valve.height - valve.discharge + 16,
      }"
      :probability="atHead"
      :chosen="isChosen('caps')"
      spot="caps"
      @tap="tap('caps')"
    />
    <DriveEnd
      :arrangement="arrangement"
      :xs="cols.map((c) => c.x)"
      :probability="parts.crank"
      :chosen="isChosen('crank')"
      @tap="tap('crank')"
    />

    <PumpChamber
      v-for="c in cols"
      :key="c.cylinder"
      :column="c"
      :arrangement="arrangement"
      :parts="parts"
      :plain="plain"
      :caps="caps"
      :chosen="isChosen"
      @tap="tap"
    />

    <PumpFittings :pump="pump" :setup="setup" :parts="parts" :chosen="isChosen" @tap="tap" />

    <path v-if="worthAPlate(atHead)" :d="`M 210 261 H ${first - half}`" class="leader" />
    <SharePlate :x="190" :y="261" :probability="atHead" />
    <text x="10" y="118" class="label start">
      {{ ends ? 'poppets' : caps.length > 0 ? 'valves and caps' : 'valves' }}
    </text>
    <text x="10" y="263" class="label start">
      {{ arrangement === 'twin-piston' ? 'cups and sleeves' : 'plungers and seals' }}
    </text>
  </svg>
</template>

<style scoped>
svg {
  display: block;
  width: 100%;
  height: auto;
}
</style>
