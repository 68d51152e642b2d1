<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core';
import Button from 'primevue/button';
import SelectButton from 'primevue/selectbutton';
import Textarea from 'primevue/textarea';
import { computed, ref, watch } from 'vue';
import type { Schemas } from '@/shared/api/client';
import PhotoStrip from '@/shared/ui/PhotoStrip.vue';
import PictureView from '@/shared/ui/PictureView.vue';
import TextField from '@/shared/ui/TextField.vue';
import MeasureFields from './MeasureFields.vue';
import WhoField from '@/cases/opening/WhoField.vue';
import { placeName, type Plan, type Work } from './cards';

/** What was found at one part in one place: a tap for what it is, what it tells, and what else to look at. */
const props = defineProps<{ caseId: string; plan: Plan; work: Work; place: string; leader: string }>();
const emit = defineEmits<{
  find: [place: string, found: Omit<Schemas['FoundPartDto'], 'by'> | null];
  choose: [place: string];
}>();

const at = computed(() => props.plan.inspect.find((i) => i.id === props.place));
const kind = computed(() => props.plan.kinds.find((k) => k.kind === at.value?.kind));
const found = computed(() => props.work.found[props.place]);
const finding = computed(() => kind.value?.findings.find((f) => f.id === found.value?.finding));
const stored = computed(() => ({
  note: found.value?.note ?? '',
  held: found.value?.suctionSeconds == null ? '' : String(found.value.suctionSeconds),
}));
// What is typed and not taken yet stays on this device, place by place, whatever becomes of the server meanwhile.
const drafts = useLocalStorage<Record<string, { note: string; held: string }>>(`mild-hunch.found.${props.caseId}`, {});
const note = ref('');
const held = ref('');
watch(
  [() => props.place, stored],
  () => {
    const draft = drafts.value[props.place] ?? stored.value;
    note.value = draft.note;
    held.value = draft.held;
  },
  { immediate: true },
);
// Kept while it differs from what was taken.
watch([note, held, stored], () => {
  const typed = { note: note.value, held: held.value };
  const same = typed.note.trim() === stored.value.note && typed.held.trim() === stored.value.held;
  const others = Object.fromEntries(Object.entries(drafts.value).filter(([place]) => place !== props.place));
  drafts.value = same ? others : { ...others, [props.place]: typed };
});

const unseen = computed(() => props.plan.inspect.filter((i) => props.work.found[i.id] === undefined));
const next = computed(() => unseen.value.find((i) => i.id !== props.place));
const moves = computed({
  get: () => found.value?.moves ?? null,
  set: (value: boolean | null) => keep({ moves: value ?? undefined }),
});
const heldNumber = computed(() => (held.value.trim() === '' ? undefined : Number(held.value.replace(',', '.'))));
const heldProblem = computed(() =>
  heldNumber.value !== undefined && !(heldNumber.value >= 0 && heldNumber.value <= 3600)
    ? 'Seconds from 0 to 3600'
    : '',
);

/** What stands of it, with one thing changed. */
function keep(change: Partial<Schemas['FoundPartDto']>) {
  const now = found.value;
  emit('find', props.place, {
    state: now?.state ?? 'fine',
    finding: now?.finding ?? undefined,
    note: note.value.trim() || undefined,
    suctionSeconds: heldProblem.value ? undefined : heldNumber.value,
    moves: now?.moves ?? undefined,
    measures: now?.measures ?? undefined,
    photos: now?.photos ?? [],
    ...change,
  });
}

const states = ['fine', 'worn', 'failed'] as const;
const named = (state: string) => kind.value?.findings.filter((f) => f.state === state) ?? [];
</script>

<template>
  <section class="card" aria-labelledby="inspect-title">
    <template v-if="at">
      <p class="quiet">
        {{ unseen.length ? `${unseen.length} of ${plan.inspect.length} not looked at` : 'All looked at' }}
      </p>
      <h2 id="inspect-title">{{ at.name }}{{ placeName(at.place) ? `, ${placeName(at.place)}` : '' }}</h2>
      <ul class="look">
        <li v-for="l in at.look" :key="l">{{ l }}</li>
      </ul>
      <div v-for="s in states" :key="s" class="row" role="group" :aria-label="s">
        <Button
          :label="s === 'fine' ? 'Fine' : s === 'worn' ? 'Worn' : 'Failed'"
          :variant="found?.state === s && !found.finding ? undefined : 'outlined'"
          :severity="found?.state === s && !found.finding ? undefined : 'secondary'"
          :aria-pressed="found?.state === s && !found.finding"
          @click="keep({ state: s, finding: undefined })"
        />
        <Button
          v-for="f in named(s)"
          :key="f.id"
          :label="f.name"
          :severity="found?.finding === f.id ? undefined : 'secondary'"
          :variant="found?.finding === f.id ? undefined : 'outlined'"
          :aria-pressed="found?.finding === f.id"
          @click="keep({ state: s, finding: f.id })"
        >
          <template v-if="f.drawing" #icon>
            <PictureView class="small" :name="f.name" :picture="f.drawing" :look="() => 'still'" />
          </template>
        </Button>
      </div>
      <div v-if="found" class="tells" aria-live="polite">
        <p v-if="finding?.cause">
          <b>{{ finding.cause }}</b>
        </p>
        <p v-for="o in found.outside" :key="o">
          <b>{{ o }}</b>
        </p>
        <p v-if="finding?.then">{{ finding.then }}</p>
        <p v-if="found.state === 'failed'" class="quiet">The verdict now says: {{ leader }}.</p>
      </div>
      <div v-if="kind?.tested" class="tests">
        <TextField
          v-model="held"
          label="Suction by tool, held s"
          :problem="heldProblem"
          @focusout="held !== '' && !heldProblem && keep({})"
        />
        <div role="group" aria-label="Pressed by hand">
          <span>Pressed by hand</span>
          <SelectButton
            v-model="moves"
            :options="[
              { value: true, text: 'moves' },
              { value: false, text: 'does not' },
            ]"
            option-label="text"
            option-value="value"
            aria-label="Pressed by hand"
          />
        </div>
      </div>
      <MeasureFields
        v-if="at.measures.length"
        :key="place"
        :draft="`mild-hunch.measured.${caseId}.${place}`"
        :measures="at.measures"
        :taken="found?.measures ?? {}"
        @take="keep({ measures: $event })"
      />
      <PhotoStrip :photos="found?.photos ?? []" @change="keep({ photos: $event })" />
      <label>
        Note
        <Textarea
          v-model="note"
          rows="1"
          auto-resize
          maxlength="1000"
          fluid
          @blur="note.trim() !== (found?.note ?? '') && keep({})"
        />
      </label>
      <Button
        v-if="found"
        variant="text"
        severity="secondary"
        label="Not looked at after all"
        @click="emit('find', place, null)"
      />
      <WhoField />
    </template>
    <template v-else>
      <h2 id="inspect-title">Look at every part that is off</h2>
      <p>Tap a place on the map. Judge it before it is wiped.</p>
    </template>
    <slot :next="next" />
  </section>
</template>

<style scoped src="./card.css"></style>
<style scoped>
.small {
  flex: none;
  width: 56px;
  height: 40px;
  overflow: hidden;
}

.small :deep(.picture) {
  min-width: 0 !important;
  min-height: 0 !important;
}

.look {
  padding-left: 1.1rem;
}

.row {
  display: flex;
  flex-wrap: wrap;
  gap: 0.35rem;
}

.tells {
  display: grid;
  gap: 0.2rem;
  padding: 0.5rem 0.7rem;
  border-left: 5px solid var(--water);
  background: var(--paper);
}

.tests {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 0.75rem;
  align-items: end;
}

.tests span {
  display: block;
}
</style>
