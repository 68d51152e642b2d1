<script setup lang="ts">
import { computed } from 'vue';
import type { CaseResource, Knowledge } from '@/shared/api/client';
import PlaceTags from './PlaceTags.vue';
import SuspectPart from './SuspectPart.vue';
import { columns, dischargeY, fields, height, inletY, plungerY, valve, width, type Place } from './layout';
import { suspicion } from './suspicion';
import { spotOf, type Spot } from './spots';

/** The pump as it stands before you, head on: tap a place to tell what you measured or saw there. */
const props = defineProps<{ data: CaseResource; knowledge: Knowledge; chosen?: Spot }>();
const emit = defineEmits<{ tap: [spot: Spot, event: Event] }>();

const pump = computed(() => props.data.pump.pump);
const hasControl = computed(() => (pump.value.control ?? 'none') !== 'none');
const cols = computed(() => columns(pump.value.cylinders ?? 3));
const places = computed(() => fields(hasControl.value));
const parts = computed(() => suspicion(props.data.diagnosis.suspects));
const plain = computed(() => pump.value.headLayout === 'stacked-bore');
const sides = ['discharge', 'inlet'] as const;
const first = computed(() => cols.value[0]?.x ?? 0);
const last = computed(() => cols.value.at(-1)?.x ?? 0);
const setting = computed(() => props.data.pump.setup.controlSetting);
const control = computed(() => {
  const kind = pump.value.control ?? 'none';
  return kind === 'auto-stop' ? 'auto stop' : kind;
});

function tap(place: Place, event: Event, cylinder?: number, side?: 'inlet' | 'discharge') {
  emit('tap', spotOf(place, cylinder, side), event);
}

function isChosen(place: Place, cylinder?: number, side?: string): boolean {
  return props.chosen?.place === place && props.chosen.cylinder === cylinder && props.chosen.side === side;
}

/** A share worth writing beside its part. */
function share(part: string): string {
  const p = parts.value[part] ?? 0;
  return p >= 0.04 ? `${Math.min(99, Math.round(100 * p))} %` : '';
}

function seal(cylinder: number): number {
  return (parts.value[`hp-seal:${cylinder}`] ?? 0) + (parts.value[`lp-seal:${cylinder}`] ?? 0);
}
</script>

<template>
  <div class="scroller">
    <div class="drawing">
      <svg :viewBox="`0 0 ${width} ${height}`" role="group" aria-label="The pump, head on">
        <defs>
          <pattern id="suspect-hatch" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <rect width="2" height="7" class="stripe" />
          </pattern>
        </defs>

        <!-- supply, strainer, inlet manifold -->
        <g class="pipe">
          <path :d="`M 78 ${inletY} H ${last + 40}`" class="wall" />
          <path :d="`M 78 ${inletY} H ${last + 38}`" class="water" />
        </g>
        <SuspectPart
          name="Supply tank"
          :box="{ x: 12, y: 388, w: 66, h: 74 }"
          :probability="parts.supply"
          :chosen="isChosen('supply')"
          @tap="tap('supply', $event)"
        >
          <rect x="15" y="420" width="60" height="39" class="fluid" />
        </SuspectPart>
        <SuspectPart
          name="Strainer and inlet hose"
          :box="{ x: 122, y: 418, w: 58, h: 54 }"
          :probability="(parts.strainer ?? 0) + (parts.inlet ?? 0)"
          @tap="tap('supply', $event)"
        >
          <path d="M 136 426 v 38 M 151 426 v 38 M 166 426 v 38" class="mesh" />
          <text v-if="share('strainer')" x="151" y="408" class="share">{{ share('strainer') }}</text>
        </SuspectPart>

        <!-- discharge manifold, hose, nozzle -->
        <g class="pipe">
          <path :d="`M ${first - 40} ${dischargeY} H 880 Q 912 ${dischargeY} 912 196 V 234`" class="wall" />
          <path :d="`M ${first - 38} ${dischargeY} H 880 Q 912 ${dischargeY} 912 196 V 232`" class="water" />
        </g>

        <!-- bypass -->
        <g v-if="hasControl" class="pipe">
          <path :d="`M 822 ${dischargeY} V 540 H 45 V 464`" class="wall thin" />
          <path :d="`M 822 ${dischargeY} V 540 H 45 V 464`" class="water thin" />
        </g>

        <!-- shaft behind the plungers -->
        <path :d="`M ${first} ${plungerY} H 692`" class="shaft" />

        <g v-for="c in cols" :key="c.cylinder">
          <path :d="`M ${c.x} ${dischargeY} V ${inletY}`" class="wall" />
          <path :d="`M ${c.x} ${dischargeY - 6} V ${inletY + 6}`" class="water" />
          <text :x="c.x" :y="dischargeY - 20" class="number">{{ c.cylinder }}</text>

          <SuspectPart
            v-for="side in sides"
            :key="side"
            :name="`${side === 'inlet' ? 'Inlet' : 'Discharge'} valve ${c.cylinder}`"
            :box="c[side]"
            :probability="parts[`${side}-valve:${c.cylinder}`]"
            :chosen="isChosen('caps', c.cylinder, plain ? undefined : side)"
            @tap="tap('caps', $event, c.cylinder, plain ? undefined : side)"
          >
            <path :d="`M ${c.x - 14} ${valve[side] + 38} H ${c.x + 14}`" class="seat" />
            <circle :cx="c.x" :cy="valve[side] + 26" r="9" class="ball" />
            <path :d="`M ${c.x} ${valve[side] + 15} v -9`" class="spring" />
          </SuspectPart>

          <SuspectPart
            :name="`Plunger and seals ${c.cylinder}`"
            round
            :box="{ x: c.x - c.plunger.r, y: plungerY - c.plunger.r, w: 2 * c.plunger.r, h: 2 * c.plunger.r }"
            :probability="seal(c.cylinder)"
            :chosen="isChosen('weep', c.cylinder)"
            @tap="tap('weep', $event, c.cylinder)"
          >
            <circle :cx="c.x" :cy="plungerY" :r="c.plunger.r - 8" class="ring" />
            <circle :cx="c.x" :cy="plungerY" :r="c.plunger.r - 15" class="ceramic" />
          </SuspectPart>

          <text v-if="share(`discharge-valve:${c.cylinder}`)" :x="c.x" :y="valve.discharge - 5" class="share">
            {{ share(`discharge-valve:${c.cylinder}`) }}
          </text>
          <text v-if="seal(c.cylinder) >= 0.04" :x="c.x" :y="plungerY + 5" class="share">
            {{ Math.round(100 * seal(c.cylinder)) }} %
          </text>
          <text v-if="share(`inlet-valve:${c.cylinder}`)" :x="c.x" :y="valve.inlet + 70" class="share">
            {{ share(`inlet-valve:${c.cylinder}`) }}
          </text>
        </g>

        <!-- gauge -->
        <path :d="`M 690 ${dischargeY} V 148`" class="wall thin" />
        <SuspectPart
          name="Pressure gauge"
          round
          :box="{ x: 668, y: 104, w: 44, h: 44 }"
          :probability="parts.gauge"
          :chosen="isChosen('gauge')"
          @tap="tap('gauge', $event)"
        >
          <path d="M 690 129 L 701 117" class="spring" />
        </SuspectPart>

        <!-- pulley -->
        <SuspectPart
          name="Crank and drive"
          round
          :box="{ x: 690, y: plungerY - 24, w: 48, h: 48 }"
          :probability="parts.crank"
          :chosen="isChosen('crank')"
          @tap="tap('crank', $event)"
        >
          <circle :cx="714" :cy="plungerY" r="7" class="ceramic" />
          <text v-if="share('crank')" x="744" :y="plungerY + 20" class="share start">{{ share('crank') }}</text>
        </SuspectPart>

        <!-- unloader -->
        <template v-if="hasControl">
          <SuspectPart
            :name="`The ${control}`"
            :box="{ x: 796, y: 344, w: 52, h: 60 }"
            :probability="parts.control"
            :chosen="isChosen('control')"
            @tap="tap('control', $event)"
          >
            <path d="M 806 388 H 838 M 822 388 V 366 M 814 366 H 830 M 816 359 H 828 M 818 352 H 826" class="spring" />
          </SuspectPart>
          <text x="856" y="370" class="label start">{{ control }}</text>
          <text v-if="setting" x="856" y="391" class="label start">set {{ setting.value }} {{ setting.unit }}</text>
          <text v-if="share('control')" x="822" y="336" class="share">{{ share('control') }}</text>
        </template>

        <!-- nozzle -->
        <SuspectPart
          name="Nozzle"
          :box="{ x: 888, y: 234, w: 48, h: 50 }"
          :probability="parts.nozzle"
          :chosen="isChosen('nozzle')"
          @tap="tap('nozzle', $event)"
        >
          <path d="M 898 240 H 926 L 917 277 H 907 Z" class="tip" />
        </SuspectPart>
        <path d="M 903 291 L 888 320 M 912 291 V 324 M 921 291 L 936 320" class="jet" />
        <text v-if="share('nozzle')" x="944" y="264" class="share start">{{ share('nozzle') }}</text>
        <text x="944" y="316" class="label start">nozzle</text>

        <text x="45" y="410" class="label">supply</text>
        <text x="10" y="130" class="label start">valves and caps</text>
        <text x="10" y="266" class="label start">plungers and seals</text>
        <text v-if="hasControl" x="740" y="530" class="label">return</text>
      </svg>

      <PlaceTags
        v-for="field in places"
        :key="field.place"
        class="tags"
        :class="field.from"
        :style="{
          left: `${(100 * field.x) / width}%`,
          top: `${(100 * field.y) / height}%`,
          width: `${(100 * field.w) / width}%`,
          maxHeight: `${(100 * field.h) / height}%`,
        }"
        :place="field.place"
        :data="data"
        :knowledge="knowledge"
        @tap="(spot, event) => emit('tap', spot, event)"
      />
    </div>
  </div>
</template>

<style scoped>
.scroller {
  overflow-x: auto;
}

.drawing {
  position: relative;
  min-width: 820px;
}

svg {
  display: block;
  width: 100%;
  height: auto;
}

.tags {
  position: absolute;
}

.wall {
  fill: none;
  stroke: var(--ink);
  stroke-width: 24;
}

.water {
  fill: none;
  stroke: var(--water-soft);
  stroke-width: 19;
}

.wall.thin {
  stroke-width: 12;
}

.water.thin {
  stroke-width: 8;
}

.stripe {
  fill: var(--suspect);
}

.fluid {
  fill: var(--water-soft);
}

.shaft {
  fill: none;
  stroke: var(--ink-2);
  stroke-width: 10;
}

.mesh,
.seat,
.spring,
.jet,
.ring {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2.5;
}

.seat {
  stroke-width: 4;
}

.mesh {
  stroke-dasharray: 3 4;
}

.jet {
  stroke: var(--water);
}

.ball,
.tip {
  fill: var(--ink);
}

.ceramic {
  fill: var(--paper);
  stroke: var(--ink);
  stroke-width: 2;
}

text {
  fill: var(--ink);
  text-anchor: middle;
  pointer-events: none;
}

.number {
  font-family: var(--font-tag);
  font-weight: 600;
  font-size: 24px;
}

.label {
  fill: var(--ink-2);
  font-family: var(--font-text);
  font-size: 18px;
}

.share {
  font-family: var(--font-figure);
  font-weight: 600;
  font-size: 18px;
  paint-order: stroke;
  stroke: var(--paper);
  stroke-width: 5px;
}

.start {
  text-anchor: start;
}
</style>
