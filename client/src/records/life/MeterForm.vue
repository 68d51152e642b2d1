<script setup lang="ts">
import Button from 'primevue/button';
import { useLocalStorage } from '@vueuse/core';
import { ref } from 'vue';
import { readNumber } from '@/shared/numbers';
import { useDraft } from '@/shared/drafts/useDraft';
import DayField from '@/shared/ui/DayField.vue';
import EntryField from '@/shared/ui/EntryField.vue';
import TickBox from '@/shared/ui/TickBox.vue';
import type { LifeAccess } from './useLife';

/** What the hour meter shows. */
const props = defineProps<{ id: string; access: LifeAccess; today: string }>();
const emit = defineEmits<{ done: [] }>();
const draft = useDraft(`mild-hunch.meter.${props.id}`, () => ({ on: '', hours: '', strokes: '', newMeter: false }));
const { typed } = draft;
const by = useLocalStorage('mild-hunch.name', '');
const problem = ref('');
const uncounted = ref('');

async function note() {
  const hours = readNumber(typed.value.hours);
  const strokes = typed.value.strokes ? readNumber(typed.value.strokes) : undefined;
  problem.value = hours === null ? 'Hours as the meter shows them, like 1240.' : '';
  uncounted.value = strokes === null ? 'Strokes as the counter shows them, like 18400000.' : '';
  if (hours === null || strokes === null) return;
  const { on, newMeter } = typed.value;
  if (!(await props.access.read({ on: on || props.today, hours, strokes, newMeter, by: by.value || undefined })))
    return;
  draft.takeStored();
  emit('done');
}
</script>

<template>
  <form class="fields" aria-label="Hours on the meter" @submit.prevent="note">
    <EntryField
      v-model="typed.hours"
      label="The meter shows"
      :units="['h']"
      :problem="problem || access.problems.value.hours"
    />
    <EntryField
      v-model="typed.strokes"
      label="Strokes, where they are counted"
      :problem="uncounted || access.problems.value.strokes"
    />
    <DayField v-model="typed.on" label="On (today, if left empty)" :max="today" :problem="access.problems.value.on" />
    <TickBox v-model="typed.newMeter" label="A new meter, fitted that day" />
    <Button type="submit" label="Note the hours" />
  </form>
</template>

<style scoped>
.fields {
  display: grid;
  gap: 0.6rem;
}
</style>
