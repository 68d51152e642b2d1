<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core';
import Button from 'primevue/button';
import { computed, ref } from 'vue';
import { digits, quantity } from '@/shared/format';
import { spoken } from '@/shared/units/useUnits';
import ChoiceField from '@/shared/ui/ChoiceField.vue';
import TextField from '@/shared/ui/TextField.vue';
import PictureView from '@/shared/ui/PictureView.vue';
import QuantityFields from './QuantityFields.vue';
import { turnWords } from './timer';
import { useQuantities, type AskedQuantity } from './useQuantities';
import type { ProofAccess, ProofStage } from './useProof';

/** The control set: its screw turned as the next line says, read after each turn, the knee and the limits in view. */
const props = defineProps<{ caseId: string; stage: ProofStage; access: ProofAccess }>();

const screw = computed(() => props.access.proof.value.screw ?? {});
const moves = computed(() => screw.value.moves ?? []);
const setting = computed(() => props.access.view.value?.setting ?? undefined);
const next = computed(() => setting.value?.next);
const unit = computed(() => spoken('bar'));

const aims = computed<AskedQuantity[]>(() => [
  { name: 'target', label: 'Running pressure that is wanted', units: [unit.value], required: true },
  { name: 'limit', label: 'Lowest other rating: hose, gun …', units: [unit.value] },
]);
const aim = useQuantities(
  () => `${props.caseId}.screw`,
  () => aims.value,
);
const reads = computed<AskedQuantity[]>(() => [
  { name: 'running', label: 'Running', units: [unit.value], required: true },
  { name: 'spike', label: 'Spike as it shuts', units: [unit.value], required: next.value?.shut },
]);
const reading = useQuantities(
  () => `${props.caseId}.screw.${moves.value.length}`,
  () => reads.value,
);
const height = useLocalStorage(`mild-hunch.screw-height.${props.caseId}`, screw.value.height ?? '');
const bypass = ref('');
const tried = ref(false);

// Turned as the last advice said; where nothing was to be turned, the screw stands where it stood.
const turns = computed(() => {
  const before = moves.value.at(-1)?.turns ?? 0;
  return Math.round((before + (moves.value.length ? (next.value?.turns ?? 0) : 0)) * 1000) / 1000;
});

async function begin() {
  tried.value = true;
  if (!aim.ready.value) return;
  const { target, limit } = aim.values.value;
  const limits = limit ? [{ what: 'lowest other rating', pressure: limit }] : [];
  if (await props.access.screw({ height: height.value.trim() || undefined, target, limits, moves: [] })) {
    aim.clear();
    tried.value = false;
  }
}

async function take() {
  tried.value = true;
  if (!reading.ready.value) return;
  const { running, spike } = reading.values.value;
  const move = { turns: turns.value, running: running ?? null, spike, bypass: bypass.value || undefined };
  if (await props.access.screw({ ...screw.value, moves: [...moves.value, move] })) {
    bypass.value = '';
    tried.value = false;
  }
}

const said = computed(() => {
  const n = next.value;
  if (!n) return '';
  if (n.do === 'turn') return `Turn it ${turnWords(n.turns ?? 0)}`;
  if (n.do === 'back') return `Back: ${turnWords(n.turns ?? 0)}`;
  return n.do === 'done' ? 'It stands' : n.do === 'stop' ? 'Leave it' : 'Shut, open, read again';
});
// What only a shut reading tells is asked for as long as it is missing.
const ended = computed(() => next.value?.do === 'done' || (next.value?.do === 'stop' && !next.value.shut));
const noted = computed(() => props.access.proof.value.steps[`${props.stage.id}.100`]);
const look = (key: string) =>
  key.startsWith('running') ? 'done' : key.startsWith('spike') ? '' : key === 'limit' ? 'failed' : 'lit';
const atScrew = async () => {
  const last = moves.value.at(-1);
  if (last?.running) await props.access.read(`${props.stage.id}.100`, { pressure: last.running });
};
</script>

<template>
  <form v-if="!screw.target" class="set" aria-label="What it is set to" @submit.prevent="begin">
    <TextField v-model="height" label="Screw’s height and nuts, as measured before it was backed off" />
    <QuantityFields :asked="aims" :from="aim" :tried="tried" />
    <p class="quiet">
      The rating of the pump, the relief less a tenth and what the driver can carry count by themselves.
    </p>
    <Button type="submit" label="Set it to this" />
  </form>
  <div v-else class="set">
    <p>
      Wanted <b class="figure">{{ quantity(screw.target) }}</b><template v-if="setting"
        >; not past {{ setting.nearestLimit.pressure ? quantity(setting.nearestLimit.pressure) : '' }},
        {{ setting.nearestLimit.what }}</template
      >.
      <Button
        variant="text"
        severity="secondary"
        label="Another target"
        @click="access.screw({ height: screw.height })"
      />
    </p>
    <div v-if="next" class="next" aria-live="polite">
      <h3>{{ said }}</h3>
      <p v-if="next.expected">
        It should then read
        <b class="figure"
          >{{ digits(next.expected.low) }} to {{ digits(next.expected.high) }} {{ next.expected.unit }}</b
        >.
      </p>
      <p>{{ next.why }}</p>
    </div>
    <PictureView
      v-if="access.view.value?.settingDrawing && moves.length"
      name="Pressure against turns"
      class="picture"
      :picture="access.view.value.settingDrawing"
      :look="look"
    />
    <form v-if="!ended" aria-label="Reading after this turn" @submit.prevent="take">
      <p class="quiet">
        Water flowing while it turns; outlet shut and opened once before reading.
        <template v-if="moves.length">This reading is for {{ digits(turns) }} turns in.</template>
      </p>
      <QuantityFields :asked="reads" :from="reading" :tried="tried" />
      <ChoiceField
        v-model="bypass"
        label="From the bypass"
        :options="[
          { value: '', text: 'not looked' },
          { value: 'none', text: 'nothing' },
          { value: 'some', text: 'some' },
          { value: 'most', text: 'most of it' },
        ]"
      />
      <Button type="submit" label="Take this reading" />
    </form>
    <p v-else-if="noted">Noted as set at {{ quantity(noted.pressure) }} by {{ noted.by }}.</p>
    <Button v-else label="Note it as set" @click="atScrew" />
    <Button
      v-if="moves.length && !noted"
      variant="text"
      severity="secondary"
      label="Take the last reading out"
      @click="access.screw({ ...screw, moves: moves.slice(0, -1) })"
    />
  </div>
</template>

<style scoped>
.set,
.set form {
  display: grid;
  gap: 0.45rem;
}

.next {
  padding: 0.4rem 0.7rem;
  border-left: 5px solid var(--water);
  background: var(--paper);
}

h3 {
  font-family: var(--font-text);
  font-size: 1.25rem;
}

p {
  margin: 0;
}

.picture {
  max-height: 20rem;
}
</style>
