<script setup lang="ts">
import Button from 'primevue/button';
import { computed, ref } from 'vue';
import type { ChangeRequest, JudgedCase, Knowledge } from '@/shared/api/client';
import { useDraft } from '@/shared/drafts/useDraft';
import { forField, readNumber } from '@/shared/numbers';
import EntryField from '@/shared/ui/EntryField.vue';
import ChoiceField from '@/shared/ui/ChoiceField.vue';
import TextField from '@/shared/ui/TextField.vue';

/** What it turned out to be, and where: closes the case, and speaks for the next pump of its kind. */
const props = defineProps<{
  data: JudgedCase;
  knowledge: Knowledge;
  tell: (change: ChangeRequest) => Promise<boolean>;
}>();

const faults = computed(() => props.knowledge.faults);
const cylinders = computed(() => props.data.pump.pump.cylinders ?? 1);
const placeName = (location: string, k: number) =>
  location === 'end' ? (k === 1 ? 'left end' : 'right end') : `cylinder ${k}`;
const closedAs = computed(() => {
  const [id, cylinder] = (props.data.closed ?? '').split('@');
  const found = faults.value.find((f) => f.id === id);
  return found ? `${found.name}${cylinder ? `, ${placeName(found.location, Number(cylinder))}` : ''}` : '';
});

// What it was is chosen by hand; until then what was mended stands there where that helped, else the leader. A choice made stays,
// whatever the verdict does meanwhile.
const was = computed(() =>
  props.data.diagnosis.suspects[0]?.fault === 'no-fault' ? props.data.diagnosis.mended?.was : undefined,
);
const draft = useDraft(`mild-hunch.found.${props.data.id}`, () => ({ fault: '', cylinder: '' }));
const choice = draft.typed;
const fault = computed({
  get: () => choice.value.fault || (was.value?.fault ?? props.data.diagnosis.suspects[0]?.fault ?? ''),
  set: (id) => (choice.value = { ...choice.value, fault: id }),
});
const place = computed({
  get: () => choice.value.cylinder || (choice.value.fault ? '' : String(was.value?.cylinder ?? '')),
  set: (cylinder) => (choice.value = { fault: fault.value, cylinder }),
});
const location = computed(() => faults.value.find((f) => f.id === fault.value)?.location ?? 'none');
const places = computed(() => [
  { value: '', text: 'not said' },
  ...Array.from({ length: cylinders.value }, (_, i) => ({
    value: String(i + 1),
    text: placeName(location.value, i + 1),
  })),
]);

// Hours on the meter make the lives of the parts that were changed.
const meter = useDraft(`mild-hunch.meter-hours.${props.data.id}`, () => props.data.facts['meter-hours'] ?? '');
const problem = ref('');

async function close() {
  const told = meter.typed.value.trim();
  const hours = told ? readNumber(told) : undefined;
  problem.value = hours === null ? `“${told}” is no number of hours. Write it like 1240, or nothing.` : '';
  if (hours === null) return;
  const cylinder = location.value !== 'none' && place.value;
  const closed = cylinder ? `${fault.value}@${cylinder}` : fault.value;
  const facts = { closed, ...(hours === undefined ? {} : { 'meter-hours': forField(hours) }) };
  if (!(await props.tell({ facts }))) return;
  draft.takeStored();
  meter.takeStored();
}

const reason = ref('');
const asked = ref(false);
async function again() {
  asked.value = !reason.value.trim();
  if (asked.value) return;
  if (await props.tell({ facts: { closed: '', reopened: reason.value.trim() } })) reason.value = '';
}
</script>

<template>
  <h2>What was it?</h2>
  <p v-if="closedAs">
    Closed as: <b>{{ closedAs }}</b>
  </p>
  <form v-if="closedAs" class="close" @submit.prevent="again">
    <TextField v-model="reason" label="Open it again because" :problem="asked ? 'A sentence: why?' : undefined" />
    <Button type="submit" severity="secondary" variant="outlined" label="Open again" />
  </form>
  <form v-else class="close" @submit.prevent="close">
    <ChoiceField v-model="fault" label="Found" :options="faults.map((f) => ({ value: f.id, text: f.name }))" />
    <ChoiceField v-if="location !== 'none'" v-model="place" label="Where" :options="places" />
    <EntryField
      v-model="meter.typed.value"
      label="Hours on the pump’s meter"
      :units="['h']"
      optional
      :problem="problem"
    />
    <Button type="submit" label="Close the case" />
  </form>
</template>

<style scoped>
p {
  margin: 0;
}

.close {
  display: grid;
  gap: 0.5rem;
}

.close > :last-child {
  justify-self: start;
}
</style>
