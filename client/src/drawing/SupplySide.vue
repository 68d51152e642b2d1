<script setup lang="ts">
import SharePlate from './SharePlate.vue';
import SuspectPart from './SuspectPart.vue';
import { inletY, type Place } from './layout/layout';
import type { Suspicion } from './suspicion';

/** Where the water comes from: tank, strainer, inlet manifold up to the last cylinder. */
defineProps<{ last: number; parts: Suspicion; chosen: (place: Place) => boolean }>();
defineEmits<{ tap: [place: Place] }>();
</script>

<template>
  <g>
    <path :d="`M 78 ${inletY} H ${last + 40}`" class="wall" />
    <path :d="`M 78 ${inletY} H ${last + 38}`" class="water" />
    <SuspectPart
      name="Supply tank"
      :box="{ x: 12, y: 388, w: 66, h: 74 }"
      :probability="parts.supply"
      :chosen="chosen('supply')"
      spot="supply"
      @tap="$emit('tap', 'supply')"
    >
      <rect x="15" y="420" width="60" height="39" class="fluid" />
      <text x="45" y="410" class="label">supply</text>
    </SuspectPart>
    <SharePlate :x="45" :y="440" :probability="parts.supply" />
    <SuspectPart
      name="Strainer and inlet hose"
      :box="{ x: 122, y: 418, w: 58, h: 54 }"
      :probability="(parts.strainer ?? 0) + (parts.inlet ?? 0)"
      @tap="$emit('tap', 'supply')"
    >
      <path d="M 136 426 v 38 M 151 426 v 38 M 166 426 v 38" class="mesh" />
    </SuspectPart>
    <SharePlate :x="151" :y="404" :probability="(parts.strainer ?? 0) + (parts.inlet ?? 0)" />
  </g>
</template>
