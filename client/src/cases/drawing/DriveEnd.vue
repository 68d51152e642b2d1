<script setup lang="ts">
import { computed } from 'vue';
import SuspectPart from './SuspectPart.vue';
import { plungerY } from './layout';
import { share } from './suspicion';

/** What moves the plungers: a crank and its pulley, a slanted plate on a motor, or oil between two ends. */
const props = defineProps<{
  arrangement: string;
  first: number;
  last: number;
  probability?: number;
  chosen: boolean;
}>();
defineEmits<{ tap: [event: Event] }>();

const middle = computed(() => (props.first + props.last) / 2);
</script>

<template>
  <g>
    <template v-if="arrangement === 'intensifier'">
      <path :d="`M ${first + 20} ${plungerY} H ${last - 20}`" class="shaft" />
      <SuspectPart
        name="Oil piston and shift"
        :box="{ x: middle - 62, y: plungerY - 48, w: 124, h: 96 }"
        :probability="probability"
        :chosen="chosen"
        @tap="$emit('tap', $event)"
      >
        <path :d="`M ${middle} ${plungerY - 42} V ${plungerY + 42}`" class="piston" />
        <text :x="middle - 32" :y="plungerY - 28" class="label">oil</text>
        <text :x="middle + 32" :y="plungerY - 28" class="label">oil</text>
        <text v-if="share(probability)" :x="middle" :y="plungerY + 40" class="share">{{ share(probability) }}</text>
      </SuspectPart>
    </template>
    <template v-else-if="arrangement === 'axial'">
      <path :d="`M ${first} ${plungerY} H 668`" class="shaft" />
      <path :d="`M 654 ${plungerY - 16} L 674 ${plungerY + 40}`" class="plate" />
      <SuspectPart
        name="Slanted plate and motor"
        :box="{ x: 684, y: plungerY - 14, w: 76, h: 52 }"
        :probability="probability"
        :chosen="chosen"
        @tap="$emit('tap', $event)"
      >
        <path
          :d="`M 698 ${plungerY - 8} v 40 M 712 ${plungerY - 8} v 40 M 726 ${plungerY - 8} v 40 M 740 ${plungerY - 8} v 40`"
          class="mesh"
        />
        <text v-if="share(probability)" x="764" :y="plungerY + 20" class="share start">{{ share(probability) }}</text>
      </SuspectPart>
    </template>
    <template v-else>
      <path :d="`M ${first} ${plungerY} H 692`" class="shaft" />
      <SuspectPart
        name="Crank and drive"
        round
        :box="{ x: 690, y: plungerY - 24, w: 48, h: 48 }"
        :probability="probability"
        :chosen="chosen"
        @tap="$emit('tap', $event)"
      >
        <circle cx="714" :cy="plungerY" r="7" class="ceramic" />
        <text v-if="share(probability)" x="744" :y="plungerY + 20" class="share start">{{ share(probability) }}</text>
      </SuspectPart>
    </template>
  </g>
</template>

<style scoped>
.plate,
.piston {
  fill: none;
  stroke: var(--ink);
  stroke-width: 9;
}
</style>
