<script setup lang="ts">
import { ref } from 'vue';
import type { CaseResource } from '@/shared/api/client';
import { useDraft } from '@/shared/drafts/useDraft';
import { forField, readNumber } from '@/shared/numbers';
import EntryField from '@/shared/ui/EntryField.vue';

/** Hours of one wearing part; half typed, they survive a change of stage and a reload. */
const props = defineProps<{
  data: CaseResource;
  part: string;
  save: (part: string, hours: number | null) => Promise<boolean>;
}>();

const names: Record<string, string> = {
  'hp-seal': 'High-pressure seals',
  'lp-seal': 'Low-pressure seals',
  plunger: 'Cups',
};

const noted = () => {
  const hours = props.data.hours.find((h) => h.part === props.part && !h.cylinder)?.hours;
  return hours === undefined || hours === null ? '' : forField(hours);
};
const draft = useDraft(`mild-hunch.hours.${props.data.id}.${props.part}`, noted);
const { text, changed } = draft;
const problem = ref('');

async function leave() {
  if (!changed.value) return;
  const typed = text.value.trim();
  const hours = typed ? readNumber(typed) : null;
  if (typed && (hours === null || hours < 0)) {
    problem.value = `“${typed}” is no number of hours. Write it like 850, or nothing.`;
    return;
  }
  problem.value = '';
  if (await props.save(props.part, hours)) draft.done();
}
</script>

<template>
  <EntryField v-model="text" :label="names[part] ?? part" :problem="problem" @focusout="leave" />
</template>
