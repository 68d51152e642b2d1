<script setup lang="ts">
import { computed } from 'vue';
import type { JudgedCase, Knowledge } from '@/shared/api/client';
import { range } from '@/shared/format';
import type { Place } from './layout';
import { placeNames, spotOf, standingAt, type Spot } from './spots';

/** What was noted at one place, pinned where it was taken; the dashed tag takes more. */
const props = defineProps<{ place: Place; data: JudgedCase; knowledge: Knowledge }>();
const emit = defineEmits<{ tap: [spot: Spot, event: Event] }>();

const asks: Record<Place, string> = {
  gauge: 'pressure',
  nozzle: 'flow',
  bypass: 'bypass',
  control: 'unloader',
  crank: 'speed',
  inlet: 'inlet',
  supply: 'supply',
  caps: 'caps',
  weep: 'drips',
};
// The pump, as it was corrected, can no longer show it: it stays, can be left out, and does not count.
const idle = ' · not counted';
const short: Record<string, string> = {
  swing: 'swing ',
  'supply-flow': 'draws ',
  'gauge-at-rest': 'at rest ',
  'pressure-fall': 'falls ',
  'stroke-left': 'left ',
  'stroke-right': 'right ',
  'gun-pressure': 'gun ',
};

const standing = computed(() => standingAt(props.place, props.data, props.knowledge));
const asked = computed(() =>
  props.place === 'control' ? (props.data.pump.pump.control ?? 'control') : asks[props.place],
);
const empty = computed(() => standing.value.readings.length + standing.value.cues.length === 0);

function off(id: string): boolean {
  return Math.abs(props.data.diagnosis.comparisons.find((c) => c.quantity === id)?.sigmas ?? 0) > 2;
}

const healthy = (cue: string, answer: string) =>
  props.knowledge.cues.find((c) => c.id === cue)?.answers.find((a) => a.id === answer)?.healthy ?? true;

function tap(event: Event, cylinder?: number | null, side?: string | null) {
  emit('tap', spotOf(props.place, cylinder ?? undefined, (side as 'inlet' | 'discharge' | null) ?? undefined), event);
}
</script>

<template>
  <div class="field">
    <button
      v-for="r in standing.readings"
      :key="r.id"
      type="button"
      class="tag figure"
      :class="{ off: r.judged && off(r.quantity) }"
      @click="tap"
    >
      {{ short[r.quantity] }}{{ range(r) }}{{ r.at ? ` ${r.at}` : '' }}{{ r.judged ? '' : idle }}
    </button>
    <button
      v-for="c in standing.cues"
      :key="c.id"
      type="button"
      class="tag"
      :class="{ off: c.judged && c.dropsPerMinute !== 0 && !healthy(c.cue, c.answer) }"
      :title="c.says"
      @click="tap($event, c.cylinder, c.side)"
    >
      {{ c.tag }}{{ c.at ? ` ${c.at}` : '' }}{{ c.judged ? '' : idle }}
    </button>
    <button
      type="button"
      class="tag add"
      :aria-label="`+ ${empty ? asked : ''} (${placeNames[place]})`"
      @click="tap($event)"
    >
      + {{ empty ? asked : '' }}
    </button>
  </div>
</template>

<style scoped>
.field {
  display: flex;
  flex-wrap: wrap;
  gap: 3px 4px;
  overflow-y: auto;
  pointer-events: none;
}

.field.right {
  justify-content: flex-end;
}

.tag {
  display: inline-flex;
  align-items: center;
  min-height: 44px;
  min-width: 44px;
  max-width: 100%;
  padding: 0 0.6rem;
  border: 1.5px solid var(--ink);
  border-radius: 4px;
  background: var(--card);
  color: var(--ink);
  font-family: var(--font-text);
  font-size: 0.9375rem;
  text-align: left;
  line-height: 1.1;
  cursor: pointer;
  pointer-events: auto;
}

.tag.figure {
  font-family: var(--font-figure);
  font-weight: 600;
  font-size: 1.0625rem;
  white-space: nowrap;
}

.tag.off {
  background: var(--suspect);
  border-color: var(--suspect);
  color: var(--on-strong);
}

.tag.add {
  justify-content: center;
  border-style: dashed;
  border-color: var(--ink-2);
  background: var(--paper);
  color: var(--ink-2);
  white-space: nowrap;
}
</style>
