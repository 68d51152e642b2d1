<script setup lang="ts">
import Button from 'primevue/button';
import { computed, ref, watch } from 'vue';
import {
  allTaps,
  boltAt,
  boltPasses,
  boltWork,
  isTicked,
  nextPlace,
  placeName,
  type BoltGroup,
  type Step,
  type StepPlace,
  type Work,
} from './cards';
import StepNotes from './StepNotes.vue';
import WrenchField from '@/cases/opening/WrenchField.vue';
import type { StepTold } from '@/cases/opening/useStepNotes';

/** Bolts by their numbers, round by round: one tap a bolt, and what the wrench is to be set to. */
const props = defineProps<{
  pump: string;
  step: Step;
  group: BoltGroup;
  work: Work;
  hazards: readonly { id: string; text: string }[];
  caseId: string;
  at: number;
  of: number;
  next: string;
}>();
const emit = defineEmits<{
  keep: [place: StepPlace, told: StepTold];
  tap: [place: StepPlace, taps: number];
  tick: [places: StepPlace[], torque: boolean];
  next: [];
  turn: [];
}>();

const place = computed(() => nextPlace(props.step, props.work) ?? props.step.places[0]);
const passes = computed(() => boltPasses(props.step));
const all = computed(() => allTaps(passes.value));
const kept = computed(() => {
  const tick = place.value && props.work.steps[place.value.tick];
  return tick ? (tick.taps ?? all.value) : 0;
});
// A quick hand is ahead of the server: what was tapped counts at once.
const taps = ref(kept.value);
watch([kept, place], ([now, where], [before, was]) => {
  if (where !== was || now > taps.value || now < before) taps.value = now;
});

const turn = computed(() => boltAt(passes.value, taps.value));
const pass = computed(() => (turn.value ? passes.value[turn.value.pass] : undefined));
const closes = computed(() => props.step.tightens);
const label = computed(() => {
  if (!turn.value || !pass.value) return `All bolts done. Next: ${props.next}`;
  const after = boltAt(passes.value, taps.value + 1);
  const to = pass.value.torque[0];
  const done = `${turn.value.number} ${to ? `is at ${to}` : pass.value.name === 'out' ? 'is out' : `done, ${pass.value.name}`}`;
  if (!after) return `${done}. That was the last`;
  return after.pass === turn.value.pass
    ? `${done}. Next: ${after.number}`
    : `${done}. Then ${passes.value[after.pass]?.name}: ${after.number}`;
});

function forward() {
  if (!place.value || isTicked(props.work, place.value.tick)) return emit('next');
  taps.value = Math.min(taps.value + 1, all.value);
  emit('turn');
  if (taps.value >= all.value) emit('tick', [place.value], closes.value);
  else emit('tap', place.value, taps.value);
}

function back() {
  if (!place.value || taps.value === 0) return;
  taps.value--;
  emit('tap', place.value, taps.value);
}

/** How a bolt stands in this round. */
function look(number: string): string {
  if (!turn.value || !pass.value) return 'done';
  if (Number(number) === turn.value.number) return 'now';
  const before = passes.value.slice(0, turn.value.pass).reduce((sum, p) => sum + p.order.length, 0);
  return pass.value.order.slice(0, taps.value - before).includes(Number(number)) ? 'done' : '';
}

const says = (number: string) => (turn.value && Number(number) === turn.value.number ? `Bolt ${number}: done` : '');

defineExpose({ forward, look, says });
</script>

<template>
  <section class="card" aria-labelledby="bolts-title">
    <p class="quiet">
      Step {{ at }} of {{ of }}<template v-if="place && placeName(place)"> · {{ placeName(place) }}</template>
    </p>
    <h2 id="bolts-title">{{ group.name }}: {{ boltWork(step) }}</h2>
    <p v-if="turn && pass" class="torque" aria-live="polite">
      <span
        >Bolt <b class="bolt">{{ turn.number }}</b> {{ pass.name }}</span
      >
      <template v-if="pass.torque.length">
        <b v-for="t in pass.torque" :key="t" class="figure">{{ t }}</b>
      </template>
    </p>
    <ol class="rounds" aria-label="Rounds">
      <li v-for="(p, i) in passes" :key="i" :class="{ done: turn ? i < turn.pass : true, now: i === turn?.pass }">
        {{ p.name }}
      </li>
    </ol>
    <p v-if="closes && group.dressing">Thread {{ group.dressing }}: the torque holds for that only.</p>
    <p v-if="closes && group.basis === 'estimate'" class="quiet">
      Estimate: the bolt’s ceiling by size, grade and thread. The maker’s figure comes first.
    </p>
    <p v-else-if="closes && group.basis === 'none' && group.passes.length" class="problem">
      No torque on record: note the maker’s figure, or size and grade of the bolts for an estimate.
      <RouterLink class="link" :to="`/pumps/${pump}/service`">Note it</RouterLink>
    </p>
    <div class="mind">
      <p v-for="m in step.mind" :key="m"><b>Mind:</b> {{ m }}</p>
      <p v-if="closes && group.doubt"><b>Mind:</b> {{ group.doubt }}</p>
      <p v-for="h in step.hazards" :key="h">{{ hazards.find((x) => x.id === h)?.text }}</p>
    </div>
    <p v-if="group.wrench" class="quiet">
      Fits: {{ group.wrench }}{{ group.drive ? `, ${group.drive} in drive` : '' }}
    </p>
    <details v-if="step.schools" class="quiet">
      <summary>Two schools</summary>
      {{ step.schools }}
    </details>
    <WrenchField v-if="closes && group.passes.length" />
    <StepNotes
      v-if="place"
      :case-id="caseId"
      :step="step"
      :place="place"
      :work="work"
      @keep="emit('keep', place, $event)"
    />
    <Button v-if="taps > 0" variant="text" severity="secondary" label="One bolt back" @click="back" />
    <slot :label="label" :go="forward" />
  </section>
</template>

<style scoped src="./card.css"></style>
<style scoped>
.rounds {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem;
  margin: 0;
  padding: 0;
  list-style: none;
}

.rounds li {
  padding: 0.3rem 0.6rem;
  border: 1px solid var(--line);
}

.rounds .done {
  border-color: var(--water);
  background: var(--water-soft);
}

.rounds .now {
  border: 2px solid var(--ink);
  font-weight: 700;
}

.bolt {
  font-size: 1.75rem;
}
</style>
