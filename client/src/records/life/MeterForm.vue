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
const draft = useDraft(`mild-hunch.meter.${props.id}`, () => ({ on: '', hours: '', newMeter: false }));
const { typed } = draft;
const by = useLocalStorage('mild-hunch.name', '');
const problem = ref('');

async function note() {
  const hours = readNumber(typed.value.hours);
  problem.value = hours === null ? 'Hours as the meter shows them, like 1240.' : '';
  if (hours === null) return;
  const { on, newMeter } = typed.value;
  if (!(await props.access.read({ on: on || props.today, hours, newMeter, by: by.value || undefined }))) return;
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
