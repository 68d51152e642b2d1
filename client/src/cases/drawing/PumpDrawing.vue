<script setup lang="ts">
import { computed } from 'vue';
import type { JudgedCase, Knowledge } from '@/shared/api/client';
import DriveEnd from './DriveEnd.vue';
import PlaceTags from './PlaceTags.vue';
import PumpChamber from './PumpChamber.vue';
import PumpFittings from './PumpFittings.vue';
import SuspectPart from './SuspectPart.vue';
import './drawing.css';
import { columns, dischargeY, fields, height, inletY, valve, width, type Place } from './layout';
import { share, suspicion } from './suspicion';
import { spotOf, type Spot } from './spots';

/** The pump as it stands before you, head on: tap a place to tell what you measured or saw there. */
const props = defineProps<{ data: JudgedCase; knowledge: Knowledge; chosen?: Spot }>();
const emit = defineEmits<{ tap: [spot: Spot, event: Event] }>();

const pump = computed(() => props.data.pump.pump);
const arrangement = computed(() => pump.value.arrangement ?? 'crank-plunger');
const ends = computed(() => arrangement.value === 'intensifier');
const hasControl = computed(() => (pump.value.control ?? 'none') !== 'none');
const cols = computed(() => columns(pump.value.cylinders ?? 3, arrangement.value));
const places = computed(() => fields(hasControl.value));
const parts = computed(() => suspicion(props.data.diagnosis.suspects));
const plain = computed(() => pump.value.headLayout === 'stacked-bore' || ends.value);
const first = computed(() => cols.value[0]?.x ?? 0);
const last = computed(() => cols.value.at(-1)?.x ?? 0);
const half = computed(() => (cols.value[0]?.plunger.r ?? 38) + 6);
const atHead = computed(() => (parts.value.head ?? 0) + (parts.value['head:1'] ?? 0) + (parts.value['head:2'] ?? 0));

function tap(place: Place, event: Event, cylinder?: number, side?: 'inlet' | 'discharge') {
  emit('tap', spotOf(place, cylinder, side), event);
}

function isChosen(place: Place, cylinder?: number, side?: string): boolean {
  return props.chosen?.place === place && props.chosen.cylinder === cylinder && props.chosen.side === side;
}
</script>

<template>
  <div class="scroller">
    <div class="drawing pump-drawing">
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
          <text v-if="share(parts.strainer)" x="151" y="408" class="share">{{ share(parts.strainer) }}</text>
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
          @tap="tap('caps', $event)"
        />
        <text v-if="share(atHead)" :x="first - half + 4" :y="valve.inlet + valve.height + 2" class="share start">
          {{ share(atHead) }}
        </text>

        <DriveEnd
          :arrangement="arrangement"
          :first="first"
          :last="last"
          :probability="parts.crank"
          :chosen="isChosen('crank')"
          @tap="tap('crank', $event)"
        />

        <PumpChamber
          v-for="c in cols"
          :key="c.cylinder"
          :column="c"
          :arrangement="arrangement"
          :parts="parts"
          :plain="plain"
          :chosen="isChosen"
          @tap="tap"
        />

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

        <PumpFittings :pump="data.pump" :parts="parts" :chosen="isChosen" @tap="tap" />

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
        <text v-if="share(parts.nozzle)" x="944" y="264" class="share start">{{ share(parts.nozzle) }}</text>
        <text x="944" y="316" class="label start">nozzle</text>

        <text x="45" y="410" class="label">supply</text>
        <text x="10" y="130" class="label start">{{ ends ? 'poppets' : 'valves and caps' }}</text>
        <text x="10" y="266" class="label start">
          {{ arrangement === 'twin-piston' ? 'cups and sleeves' : 'plungers and seals' }}
        </text>
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
</style>
