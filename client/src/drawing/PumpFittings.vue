<script setup lang="ts">
import { computed } from 'vue';
import type { Schemas } from '@/shared/api/client';
import { quantity } from '@/shared/format';
import SharePlate from './SharePlate.vue';
import SuspectPart from './SuspectPart.vue';
import { dischargeY, fittings, inletY, type Place } from './layout/layout';
import type { Suspicion } from './suspicion';

/** What surrounds the pump, where it is fitted: dampener, relief, injector, hose, and the control drawn as what it is. */
const props = defineProps<{
  pump: Schemas['PumpDto'];
  setup: Schemas['SetupDto'];
  parts: Suspicion;
  chosen: (place: Place) => boolean;
}>();
const emit = defineEmits<{ tap: [place: Place] }>();

const kind = computed(() => props.pump.control ?? 'none');
const controlName = computed(() => (kind.value === 'auto-stop' ? 'auto stop' : kind.value));
const setting = computed(() => props.setup.controlSetting);
// A relief that nobody drew in is suspected where the control is.
const control = computed(() => (props.parts.control ?? 0) + (props.setup.relief ? 0 : (props.parts.relief ?? 0)));
const injector = computed(() => (props.setup.injector === 'outlet' ? fittings.outletInjector : fittings.inletInjector));
</script>

<template>
  <g>
    <SuspectPart
      v-if="setup.dampener"
      name="Dampener"
      round
      :box="fittings.dampener"
      :probability="parts.dampener"
      @tap="emit('tap', 'nozzle')"
    >
      <path d="M 742 140 Q 760 128 778 140" class="ring" />
    </SuspectPart>
    <SharePlate v-if="setup.dampener" :x="760" :y="148" :probability="parts.dampener" />

    <template v-if="setup.injector">
      <path v-if="setup.injector === 'inlet'" :d="`M 204 ${inletY - 12} V 424`" class="spring" />
      <SuspectPart name="Chemical injector" :box="injector" :probability="parts.injector" @tap="emit('tap', 'inlet')">
        <path :d="`M ${injector.x + 22} ${injector.y + 6} l 10 18 a 11 11 0 1 1 -20 0 Z`" class="ring" />
      </SuspectPart>
      <SharePlate :x="injector.x + 22" :y="injector.y + 32" :probability="parts.injector" />
    </template>

    <template v-if="setup.relief">
      <path :d="`M 860 ${dischargeY + 12} V 188`" class="spring" />
      <SuspectPart
        name="Relief valve"
        :box="fittings.relief"
        :probability="parts.relief"
        @tap="emit('tap', kind === 'none' ? 'nozzle' : 'control')"
      >
        <path d="M 848 222 L 872 222 L 860 206 Z M 860 206 V 194 M 853 200 H 867 M 855 195 H 865" class="ring" />
      </SuspectPart>
      <SharePlate :x="860" :y="220" :probability="parts.relief" />
    </template>

    <SuspectPart name="Outlet hose" :box="fittings.hose" :probability="parts.hose" @tap="emit('tap', 'nozzle')">
      <path d="M 898 198 q 7 -7 14 0 t 14 0 M 898 212 q 7 -7 14 0 t 14 0" class="jet" />
    </SuspectPart>
    <SharePlate :x="940" :y="206" from="left" :probability="parts.hose" />

    <template v-if="kind !== 'none'">
      <SuspectPart
        :name="`The ${controlName}`"
        :box="{ x: 796, y: 344, w: 52, h: 60 }"
        :probability="control"
        :chosen="chosen('control')"
        spot="control"
        @tap="emit('tap', 'control')"
      >
        <path
          v-if="kind === 'unloader'"
          d="M 806 388 H 838 M 822 388 V 366 M 814 366 H 830 M 816 359 H 828 M 818 352 H 826"
          class="spring"
        />
        <path
          v-else-if="kind === 'regulator'"
          d="M 804 384 Q 822 356 840 384 M 802 384 H 842 M 822 370 V 350 M 815 356 H 829 M 817 350 H 827"
          class="spring"
        />
        <path
          v-else-if="kind === 'auto-stop'"
          d="M 810 392 V 372 M 834 392 V 372 M 810 372 L 830 358 M 822 352 V 364"
          class="spring"
        />
        <path v-else d="M 808 392 H 836 L 822 372 Z M 822 372 V 352 M 815 364 H 829 M 816 357 H 828" class="spring" />
      </SuspectPart>
      <text x="856" y="367" class="label start">{{ controlName }}</text>
      <text v-if="setting" x="856" y="393" class="label start">set {{ quantity(setting) }}</text>
      <SharePlate :x="822" :y="330" :probability="control" />
    </template>
  </g>
</template>
