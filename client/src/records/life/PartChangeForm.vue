<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core';
import Button from 'primevue/button';
import { computed, ref } from 'vue';
import { useDraft } from '@/shared/drafts/useDraft';
import { readNumber } from '@/shared/numbers';
import ChoiceField from '@/shared/ui/ChoiceField.vue';
import DayField from '@/shared/ui/DayField.vue';
import EntryField from '@/shared/ui/EntryField.vue';
import FilePick from '@/shared/ui/FilePick.vue';
import TextField from '@/shared/ui/TextField.vue';
import type { PumpLife } from './lines';
import type { LifeAccess } from './useLife';

/** A part changed outside a case, or written down long ago. */
const props = defineProps<{ id: string; life: PumpLife; access: LifeAccess; today: string }>();
const emit = defineEmits<{ done: [] }>();
const whats = [
  { value: 'failed', text: 'changed: it had failed' },
  { value: 'along', text: 'changed along with others' },
  { value: 'fitted', text: 'fitted where none was noted' },
  { value: 'out', text: 'taken out, nothing put in' },
];
const draft = useDraft(`mild-hunch.part-change.${props.id}`, () => ({
  where: '',
  what: 'failed',
  on: '',
  hours: '',
  batch: '',
  kit: '',
  warranty: '',
  note: '',
}));
const { typed } = draft;
const by = useLocalStorage('mild-hunch.name', '');
const places = computed(() =>
  props.life.positions.map((p) => ({ value: p.key, text: p.where ? `${p.name}, ${p.where}` : p.name })),
);
const missing = ref<Record<string, string>>({});

async function paper(file: File) {
  if (await props.access.takePaper(file)) emit('done');
}

async function note() {
  const { where, what, on, hours, batch, kit, warranty, note: text } = typed.value;
  const at = props.life.positions.find((p) => p.key === where);
  const read = hours ? readNumber(hours) : undefined;
  missing.value = {
    ...(at ? {} : { where: 'Choose the part and its place.' }),
    ...(read === null ? { hours: 'Hours as the meter showed them, like 1240.' } : {}),
  };
  if (!at || read === null) return;
  const noted = await props.access.change({
    part: at.part,
    cylinder: at.place.cylinder ?? undefined,
    side: at.place.side ?? undefined,
    end: at.place.end ?? undefined,
    on: on || props.today,
    hours: read,
    out: what === 'fitted' ? undefined : what === 'out' ? 'unsaid' : what,
    putIn: what !== 'out',
    batch: batch || undefined,
    kit: kit || undefined,
    warranty: warranty || undefined,
    note: text || undefined,
    by: by.value || undefined,
  });
  if (!noted) return;
  draft.takeStored();
  emit('done');
}
</script>

<template>
  <form class="fields" aria-label="A part changed" @submit.prevent="note">
    <ChoiceField
      v-model="typed.where"
      label="Which part"
      :options="places"
      placeholder="Part and place"
      :problem="missing.where ?? access.problems.value.part"
    />
    <ChoiceField v-model="typed.what" label="It was" :options="whats" />
    <DayField v-model="typed.on" label="On (today, if left empty)" :max="today" :problem="access.problems.value.on" />
    <EntryField
      v-model="typed.hours"
      label="The meter showed"
      :units="['h']"
      optional
      :problem="missing.hours ?? access.problems.value.hours"
    />
    <TextField v-model="typed.kit" label="From which kit" :problem="access.problems.value.kit" />
    <TextField v-model="typed.batch" label="Batch" :problem="access.problems.value.batch" />
    <DayField
      v-if="typed.what !== 'out'"
      v-model="typed.warranty"
      label="Warranty until"
      :problem="access.problems.value.warranty"
    />
    <TextField v-model="typed.note" label="Note" :problem="access.problems.value.note" />
    <Button type="submit" label="Note it" />
    <p class="quiet">Years of it on paper? One row a change, the same columns as the table that is fetched here.</p>
    <div class="table">
      <a class="link" :href="`/api/pumps/${id}/part-changes.csv`">As a table</a>
      <FilePick label="Take in a table" name="Changes of parts" accept=".csv,text/csv" @pick="paper" />
    </div>
  </form>
</template>

<style scoped>
.table {
  display: flex;
  gap: 1rem;
  align-items: center;
}

p {
  margin: 0.5rem 0 0;
}

.fields {
  display: grid;
  gap: 0.6rem;
}
</style>
