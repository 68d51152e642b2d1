<script setup lang="ts">
import Button from 'primevue/button';
import { computed, ref } from 'vue';
import type { ChangeRequest, Schemas } from '@/shared/api/client';
import DraftConflict from '@/shared/drafts/DraftConflict.vue';
import { useDraft } from '@/shared/drafts/useDraft';
import { forField, readEntry } from '@/shared/numbers';
import EntryField from '@/shared/ui/EntryField.vue';

/** One number with its unit. What is typed stays until it is taken: refused, shut away, reloaded or offline. */
const props = defineProps<{
  caseId: string;
  what: Schemas['ObservableDto'];
  standing?: Schemas['ReadingEntryDto'];
  /** Why the last change was refused. */
  trouble?: string;
  /** It is what the editor was opened for. */
  autofocus?: boolean;
  tell: (change: ChangeRequest) => Promise<boolean>;
}>();

const noted = computed(() => {
  const { value, to } = props.standing ?? {};
  return value ? forField(value.value) + (to ? ` to ${forField(to.value)}` : '') : '';
});
const notedUnit = () => props.standing?.value.unit ?? props.what.units[0] ?? '';
const key = `mild-hunch.reading.${props.caseId}.${props.what.id}`;
const draft = useDraft(key, () => noted.value);
const unitDraft = useDraft(`${key}.unit`, notedUnit);
const { typed: text, conflict } = draft;
const unit = unitDraft.typed;
const problem = ref('');
const saving = ref(false);
const refused = ref(false);
const form = ref<HTMLFormElement>();
const says = computed(() => problem.value || (refused.value ? props.trouble : '') || undefined);

async function send(change: ChangeRequest) {
  saving.value = true;
  refused.value = !(await props.tell(change));
  saving.value = false;
  if (!refused.value) takeStored();
  else form.value?.querySelector('input')?.focus();
}

function takeStored() {
  draft.takeStored();
  unitDraft.takeStored();
}

// "28 to 46" are the two ends of a swing; a unit typed with a number wins over the one chosen beside it.
function save(again = false) {
  const { entry, problem: why } = readEntry(text.value);
  if (!entry) {
    refused.value = false;
    form.value?.querySelector('input')?.focus();
    problem.value = text.value.trim() ? `${why} Write it like 31, 12.6 or 28 to 46.` : 'Type a number first.';
    return;
  }
  problem.value = '';
  const amount = (n: { value: number; unit: string }) => ({ value: n.value, unit: n.unit || unit.value });
  const reading = {
    quantity: props.what.id,
    value: amount(entry.from),
    ...(entry.to ? { to: amount(entry.to) } : {}),
  };
  void send({ readings: [reading], ...(again ? { again: true } : {}) });
}
</script>

<template>
  <form ref="form" class="reading" @submit.prevent="save()">
    <EntryField
      v-model="text"
      v-model:unit="unit"
      :label="what.name"
      :units="what.units"
      :problem="says"
      :autofocus="autofocus"
    >
      <Button type="submit" label="Note" />
      <template v-if="standing">
        <Button
          severity="secondary"
          variant="outlined"
          label="Read again"
          title="Keep both and combine them"
          @click="save(true)"
        />
        <Button severity="secondary" variant="outlined" label="Take out" @click="send({ remove: [standing.id] })" />
      </template>
    </EntryField>
    <DraftConflict
      v-if="conflict !== undefined && !saving"
      :theirs="conflict && `${conflict} ${notedUnit()}`"
      what="this reading"
      @mine="draft.keepMine()"
      @theirs="takeStored"
    />
  </form>
</template>

<style scoped>
.reading {
  padding: 0.35rem 0;
}
</style>
