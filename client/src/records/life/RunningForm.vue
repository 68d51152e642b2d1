<script setup lang="ts">
import Button from 'primevue/button';
import { ref } from 'vue';
import type { Schemas } from '@/shared/api/client';
import DraftConflict from '@/shared/drafts/DraftConflict.vue';
import { useDraft } from '@/shared/drafts/useDraft';
import { forField, readNumber } from '@/shared/numbers';
import DayField from '@/shared/ui/DayField.vue';
import EntryField from '@/shared/ui/EntryField.vue';
import TextField from '@/shared/ui/TextField.vue';
import TickBox from '@/shared/ui/TickBox.vue';
import type { PumpLife } from './lines';
import type { LifeAccess } from './useLife';

/** How a pump is run, when it must not stand and when it is served. */
const props = defineProps<{ id: string; life: PumpLife; access: LifeAccess }>();
const emit = defineEmits<{ done: [] }>();
const figure = (n?: number | null) => (n === null || n === undefined ? '' : forField(n));

function stored() {
  const r = props.life.running;
  return {
    serial: r.serial ?? '',
    commissioned: r.commissioned ?? '',
    recordFrom: r.recordFrom ?? '',
    hoursPerWeek: figure(r.hoursPerWeek),
    months: figure(r.months),
    seasons: (r.seasons ?? []).map((s) => ({
      name: s.name ?? '',
      from: s.from ?? '',
      to: s.to ?? '',
      hoursPerWeek: figure(s.hoursPerWeek),
      mustRun: s.mustRun ?? false,
    })),
    tasks: (r.tasks ?? []).map((t) => ({
      what: t.what ?? '',
      on: t.on ?? '',
      everyMonths: figure(t.everyMonths),
      done: t.done ?? '',
    })),
    documents: (r.documents ?? []).map((d) => ({ name: d.name ?? '', where: d.where ?? '', photo: d.photo ?? '' })),
  };
}
const draft = useDraft(`mild-hunch.running.${props.id}`, stored);
const { typed, conflict } = draft;
const wrong = ref('');
const problem = (field: string) => props.access.problems.value[field];

function request(): Schemas['RunningDto'] | undefined {
  const asked: string[] = [];
  const number = (text: string, what: string) => {
    if (!text.trim()) return undefined;
    const read = readNumber(text);
    if (read === null) asked.push(`${what}: “${text}” is no number.`);
    return read ?? undefined;
  };
  const t = typed.value;
  const body = {
    serial: t.serial || undefined,
    commissioned: t.commissioned || undefined,
    recordFrom: t.recordFrom || undefined,
    hoursPerWeek: number(t.hoursPerWeek, 'Hours a week'),
    months: number(t.months, 'Months'),
    seasons: t.seasons.map((s) => ({ ...s, hoursPerWeek: number(s.hoursPerWeek, s.name || 'Season') })),
    tasks: t.tasks.map((x) => ({
      what: x.what,
      on: x.on || undefined,
      everyMonths: number(x.everyMonths, x.what || 'Task'),
      done: x.done || undefined,
    })),
    documents: t.documents.map((d) => ({ ...d, photo: d.photo || undefined })),
  };
  wrong.value = asked.join(' ');
  return asked.length ? undefined : body;
}

async function keep() {
  const body = request();
  if (!body || !(await props.access.run(body))) return;
  draft.takeStored();
  emit('done');
}
</script>

<template>
  <form class="fields" aria-label="How it runs" @submit.prevent="keep">
    <div class="pair">
      <TextField v-model="typed.serial" label="Serial number" :problem="problem('serial')" />
      <EntryField v-model="typed.hoursPerWeek" label="Runs" :units="['h a week']" hint="as the meter shows" />
      <DayField v-model="typed.commissioned" label="First run" :problem="problem('commissioned')" />
      <DayField v-model="typed.recordFrom" label="On record since" :problem="problem('recordFrom')" />
      <EntryField
        v-model="typed.months"
        label="Served at the latest every"
        :units="['months']"
        :problem="problem('months')"
      />
    </div>
    <h3>Seasons</h3>
    <p class="quiet">Times of the year in which it runs otherwise, or must not stand.</p>
    <div v-for="(s, i) in typed.seasons" :key="i" class="row">
      <TextField v-model="s.name" label="Name" placeholder="frost nights" :problem="problem(`seasons[${i}].name`)" />
      <TextField v-model="s.from" label="From" placeholder="03-15" :problem="problem(`seasons[${i}].from`)" />
      <TextField v-model="s.to" label="To" placeholder="05-31" :problem="problem(`seasons[${i}].to`)" />
      <EntryField
        v-model="s.hoursPerWeek"
        label="Runs"
        :units="['h a week']"
        :problem="problem(`seasons[${i}].hoursPerWeek`)"
      />
      <TickBox v-model="s.mustRun" label="must not stand" />
      <Button severity="secondary" variant="outlined" label="Remove" @click="typed.seasons.splice(i, 1)" />
    </div>
    <Button
      severity="secondary"
      variant="outlined"
      label="One season more"
      @click="typed.seasons.push({ name: '', from: '', to: '', hoursPerWeek: '', mustRun: false })"
    />
    <h3>By date</h3>
    <div v-for="(t, i) in typed.tasks" :key="i" class="row">
      <TextField v-model="t.what" label="What" placeholder="oil changed" :problem="problem(`tasks[${i}].what`)" />
      <DayField v-model="t.on" label="On" :problem="problem(`tasks[${i}].on`)" />
      <EntryField
        v-model="t.everyMonths"
        label="Again every"
        :units="['months']"
        :problem="problem(`tasks[${i}].everyMonths`)"
      />
      <DayField v-model="t.done" label="Last done" :problem="problem(`tasks[${i}].done`)" />
      <Button severity="secondary" variant="outlined" label="Remove" @click="typed.tasks.splice(i, 1)" />
    </div>
    <Button
      severity="secondary"
      variant="outlined"
      label="One date more"
      @click="typed.tasks.push({ what: '', on: '', everyMonths: '', done: '' })"
    />
    <h3>Papers</h3>
    <div v-for="(d, i) in typed.documents" :key="i" class="row">
      <TextField
        v-model="d.name"
        label="Name"
        placeholder="maker’s manual"
        :problem="problem(`documents[${i}].name`)"
      />
      <TextField v-model="d.where" label="Where it lies" placeholder="folder 3, shelf by the door" />
      <Button severity="secondary" variant="outlined" label="Remove" @click="typed.documents.splice(i, 1)" />
    </div>
    <Button
      severity="secondary"
      variant="outlined"
      label="One paper more"
      @click="typed.documents.push({ name: '', where: '', photo: '' })"
    />
    <DraftConflict
      v-if="conflict"
      what="how this pump runs"
      :theirs="`${conflict.serial} ${conflict.hoursPerWeek} h a week, ${conflict.seasons.map((s) => s.name).join(', ')}`"
      @theirs="draft.takeStored()"
      @mine="draft.keepMine()"
    />
    <p v-if="wrong" class="problem" role="alert">{{ wrong }}</p>
    <Button type="submit" label="Keep" />
  </form>
</template>

<style scoped>
.fields {
  display: grid;
  gap: 0.6rem;
}

.pair {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(12rem, 1fr));
  gap: 0.6rem;
}

.row {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(8.5rem, 1fr));
  gap: 0.5rem;
  align-items: end;
}

h3 {
  margin-top: 0.5rem;
}

p {
  margin: 0;
}
</style>
