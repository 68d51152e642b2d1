<script setup lang="ts">
import { computed, ref } from 'vue';
import type { CaseResource } from '@/shared/api/client';
import DraftConflict from '@/shared/drafts/DraftConflict.vue';
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
// What the pump's record says counts while nothing is typed here.
const recorded = computed(() => {
  const all = props.data.hoursOnRecord.filter((h) => h.part === props.part).map((h) => Math.round(h.hours ?? 0));
  if (!all.length) return undefined;
  const [least, most] = [Math.min(...all), Math.max(...all)];
  return least === most ? `${most} on record` : `${least} to ${most} on record`;
});
const draft = useDraft(`mild-hunch.hours.${props.data.id}.${props.part}`, noted);
const { typed: text, changed, conflict } = draft;
const problem = ref('');
const saving = ref(false);

async function leave() {
  if (!changed.value || conflict.value !== undefined) return;
  const told = text.value.trim();
  const hours = told ? readNumber(told) : null;
  if (told && (hours === null || hours < 0)) {
    problem.value = `“${told}” is no number of hours. Write it like 850, or nothing.`;
    return;
  }
  problem.value = '';
  saving.value = true;
  if (await props.save(props.part, hours)) draft.takeStored();
  saving.value = false;
}

function keepMine() {
  draft.keepMine();
  void leave();
}
</script>

<template>
  <div>
    <EntryField v-model="text" :label="names[part] ?? part" :problem="problem" :hint="recorded" @focusout="leave" />
    <DraftConflict
      v-if="conflict !== undefined && !saving"
      :theirs="conflict && `${conflict} h`"
      what="these hours"
      @mine="keepMine"
      @theirs="draft.takeStored()"
    />
  </div>
</template>
