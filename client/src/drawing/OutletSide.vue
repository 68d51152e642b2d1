<script setup lang="ts">
import SharePlate from './SharePlate.vue';
import SuspectPart from './SuspectPart.vue';
import { dischargeY, type Place } from './layout/layout';
import type { Suspicion } from './suspicion';

/** Where the water goes: discharge manifold with its gauge, nozzle, and the bypass back to the supply. */
defineProps<{ first: number; hasControl: boolean; parts: Suspicion; chosen: (place: Place) => boolean }>();
defineEmits<{ tap: [place: Place] }>();
</script>

<template>
  <g>
    <path :d="`M ${first - 40} ${dischargeY} H 880 Q 912 ${dischargeY} 912 196 V 234`" class="wall" />
    <path :d="`M ${first - 38} ${dischargeY} H 880 Q 912 ${dischargeY} 912 196 V 232`" class="water" />
    <template v-if="hasControl">
      <path :d="`M 822 ${dischargeY} V 540 H 45 V 464`" class="wall thin" />
      <path :d="`M 822 ${dischargeY} V 540 H 45 V 464`" class="water thin" />
      <text x="740" y="530" class="label">return</text>
    </template>
    <path :d="`M 690 ${dischargeY} V 148`" class="wall thin" />
    <SuspectPart
      name="Pressure gauge"
      round
      :box="{ x: 668, y: 104, w: 44, h: 44 }"
      :probability="parts.gauge"
      :chosen="chosen('gauge')"
      spot="gauge"
      @tap="$emit('tap', 'gauge')"
    >
      <path d="M 690 129 L 701 117" class="spring" />
    </SuspectPart>
    <SharePlate :x="690" :y="126" :probability="parts.gauge" />
    <SuspectPart
      name="Nozzle"
      :box="{ x: 888, y: 234, w: 48, h: 50 }"
      :probability="parts.nozzle"
      :chosen="chosen('nozzle')"
      spot="nozzle"
      @tap="$emit('tap', 'nozzle')"
    >
      <path d="M 898 240 H 926 L 917 277 H 907 Z" class="tip" />
    </SuspectPart>
    <path d="M 903 291 L 888 320 M 912 291 V 324 M 921 291 L 936 320" class="jet" />
    <SharePlate :x="940" :y="256" from="left" :probability="parts.nozzle" />
    <text x="944" y="316" class="label start">nozzle</text>
  </g>
</template>
