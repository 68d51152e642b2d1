<script setup lang="ts">
import { computed } from 'vue';
import { digits } from '@/shared/format';

/** The gauge as it would stand: needle at the mean, a hatched wedge over which it swings, a mark where the sound pump stands. */
const props = defineProps<{ mean: number; swing: number; sound?: number; span: number; unit: string }>();
const centre = { x: 105, y: 98 };
const reach = 82;

/** Angle of a pressure, from a quarter past seven to a quarter to five. */
const angle = (value: number) => Math.PI * (1.2 - 1.4 * Math.min(Math.max(value / props.span, 0), 1.05));
const point = (value: number, r: number) => ({
  x: centre.x + r * Math.cos(angle(value)),
  y: centre.y - r * Math.sin(angle(value)),
});
const at = (value: number, r: number) => {
  const p = point(value, r);
  return `${p.x.toFixed(1)},${p.y.toFixed(1)}`;
};
const low = computed(() => Math.max(0, props.mean - props.swing / 2));
const high = computed(() => props.mean + props.swing / 2);
const arc = (from: number, to: number, r: number) =>
  `${at(from, r)} A ${r} ${r} 0 ${angle(from) - angle(to) > Math.PI ? 1 : 0} 1 ${at(to, r)}`;
const wedge = computed(() => `M ${centre.x},${centre.y} L ${arc(low.value, high.value, reach - 8)} Z`);
const marks = computed(() => Array.from({ length: 9 }, (_, i) => (props.span * i) / 8));
</script>

<template>
  <div class="gauge">
    <svg
      viewBox="0 0 210 152"
      role="img"
      :aria-label="`Gauge at the head: ${digits(mean)} ${unit}, swinging by ${digits(swing, 2)} ${unit}`"
    >
      <defs>
        <pattern id="swing-hatch" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="7" height="7" class="soft" />
          <rect width="1.5" height="7" class="stripe" />
        </pattern>
      </defs>
      <path :d="`M ${arc(0, span, reach)}`" class="rim" />
      <g v-for="(m, i) in marks" :key="m">
        <path :d="`M ${at(m, reach)} L ${at(m, reach - (i % 2 ? 6 : 11))}`" class="tick" />
        <text v-if="i % 4 === 0" :x="point(m, reach - 26).x" :y="point(m, reach - 26).y + 5">{{ digits(m, 3) }}</text>
      </g>
      <path :d="wedge" fill="url(#swing-hatch)" />
      <path v-if="sound !== undefined" :d="`M ${at(sound, reach + 2)} L ${at(sound, reach + 12)}`" class="sound" />
      <path :d="`M ${centre.x},${centre.y} L ${at(mean, reach - 8)}`" class="needle" />
      <circle :cx="centre.x" :cy="centre.y" r="6" class="hub" />
    </svg>
    <p>
      <b class="figure">{{ digits(mean) }} {{ unit }}</b>
      <span class="quiet">swings by {{ digits(swing, 2) }} {{ unit }}</span>
    </p>
  </div>
</template>

<style scoped>
.gauge {
  width: 13.125rem;
}

svg {
  display: block;
  width: 100%;
}

p {
  display: grid;
  margin: 0;
  text-align: center;
}

b {
  font-size: 1.375rem;
}

path {
  fill: none;
}

.rim {
  stroke: var(--ink);
  stroke-width: 2;
}

.tick {
  stroke: var(--ink);
  stroke-width: 1.5;
}

.soft {
  fill: var(--suspect-soft);
}

.stripe {
  fill: var(--suspect);
}

path[fill^='url'] {
  fill: url('#swing-hatch');
}

.needle {
  stroke: var(--ink);
  stroke-width: 4;
  stroke-linecap: round;
}

.hub {
  fill: var(--ink);
}

.sound {
  stroke: var(--water);
  stroke-width: 6;
}

text {
  fill: var(--ink);
  font-family: var(--font-figure);
  font-size: 15px;
  text-anchor: middle;
}
</style>
