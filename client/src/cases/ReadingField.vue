<script setup lang="ts">
import { computed, ref } from 'vue';
import type { ChangeRequest, Schemas } from '@/shared/api/client';
import DraftConflict from '@/shared/drafts/DraftConflict.vue';
import { useDraft } from '@/shared/drafts/useDraft';
import { forField, readEntry } from '@/shared/numbers';

/** One number with its unit. What is typed stays until it is taken: refused, shut away, reloaded or offline. */
const props = defineProps<{
  caseId: string;
  what: Schemas['ObservableDto'];
  standing?: Schemas['ReadingEntryDto'];
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
const { text, conflict } = draft;
const unit = unitDraft.text;
const problem = ref('');
const saving = ref(false);

async function send(change: ChangeRequest) {
  saving.value = true;
  if (await props.tell(change)) takeStored();
  saving.value = false;
}

function takeStored() {
  draft.takeStored();
  unitDraft.takeStored();
}

// "28 to 46" are the two ends of a swing; a unit typed with a number wins over the one chosen beside it.
function save(again = false) {
  const { entry, problem: why } = readEntry(text.value);
  if (!entry) {
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
  <form class="reading" @submit.prevent="save()">
    <label :for="`reading-${what.id}`">{{ what.name }}</label>
    <div class="row">
      <input
        :id="`reading-${what.id}`"
        v-model="text"
        class="figure"
        inputmode="decimal"
        autocomplete="off"
        :aria-invalid="problem ? true : undefined"
        :aria-describedby="problem ? `problem-${what.id}` : undefined"
      />
      <select v-model="unit" :aria-label="`Unit of ${what.name}`">
        <option v-for="u in what.units" :key="u">{{ u }}</option>
      </select>
      <button type="submit" class="tap on">Note</button>
      <button v-if="standing" type="button" class="tap" title="Keep both and combine them" @click="save(true)">
        Read again
      </button>
      <button v-if="standing" type="button" class="tap" @click="send({ remove: [standing.id] })">Take out</button>
    </div>
    <DraftConflict
      v-if="conflict !== undefined && !saving"
      :theirs="conflict && `${conflict} ${notedUnit()}`"
      what="this reading"
      @mine="draft.keepMine()"
      @theirs="takeStored"
    />
    <p v-if="problem" :id="`problem-${what.id}`" class="problem" role="alert">{{ problem }}</p>
  </form>
</template>

<style scoped>
.reading {
  padding: 0.5rem 0;
  border-top: 1px solid var(--line);
}

.row {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin-top: 0.25rem;
}

input {
  width: 6.5rem;
}
</style>
