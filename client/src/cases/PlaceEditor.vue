<script setup lang="ts">
import Popover from 'primevue/popover';
import { computed, nextTick, ref } from 'vue';
import type { JudgedCase, ChangeRequest, Knowledge } from '@/shared/api/client';
import { answersAt, cuesAt, observablesAt, spotName, type Spot } from './drawing/spots';
import { readNumber, whyNot } from '@/shared/numbers';
import ReadingField from './ReadingField.vue';
import { isMended } from './taken';

/** A small editor at the place that was tapped: its readings and its questions, nothing else. */
const props = defineProps<{
  data: JudgedCase;
  knowledge: Knowledge;
  trouble: string;
  tell: (change: ChangeRequest) => Promise<boolean>;
}>();
const emit = defineEmits<{ closed: [] }>();

const popover = ref<InstanceType<typeof Popover>>();
const spot = ref<Spot>();
const drops = ref('');
const dropsProblem = ref('');
const stream = ref(false);
const when = ref<'running' | 'standing'>();

const readings = computed(() =>
  spot.value && !spot.value.cylinder ? observablesAt(spot.value.place, props.knowledge) : [],
);
const cues = computed(() =>
  spot.value ? cuesAt(spot.value, props.knowledge).map((cue) => ({ ...cue, answers: told(cue) })) : [],
);

function told(cue: Knowledge['cues'][number]) {
  return spot.value ? answersAt(spot.value, cue) : [];
}

// What was seen before a mend stands, but is no longer what the buttons show.
function standing(cue: string) {
  return props.data.cues.filter((c) => c.cue === cue && (c.at === 'after') === isMended(props.data));
}

function isOn(cue: string, answer: { id: string; at: string }): boolean {
  return standing(cue).some((c) => c.answer === answer.id && here(answer, c) && c.dropsPerMinute !== 0);
}

// Two caps of one cylinder are two places.
function here(answer: { at: string }, told: { cylinder: number | null; side: string | null }): boolean {
  if (answer.at === 'none') return true;
  return (
    told.cylinder === (spot.value?.cylinder ?? null) &&
    (answer.at !== 'cavity' || !spot.value?.side || !told.side || told.side === spot.value.side)
  );
}

function answer(cue: string, a: { id: string; at: string }) {
  const on = standing(cue).find((c) => c.answer === a.id && here(a, c));
  const seen = cue === 'leak-at' && a.id !== 'none' ? drip() : {};
  if (!seen) return;
  if (on && isOn(cue, a) && Object.keys(seen).length === 0) {
    void props.tell({ remove: [on.id] });
    return;
  }
  const at =
    a.at === 'none'
      ? {}
      : {
          cylinder: spot.value?.cylinder ?? null,
          ...(a.at === 'cavity' && spot.value?.side ? { side: spot.value.side } : {}),
        };
  // What was typed of a drip goes only once it is taken.
  void props.tell({ cues: [{ cue, answer: a.id, ...at, ...seen }] }).then((taken) => taken && forget());
}

// Undefined where the drops are no number: what was typed stays, with the reason.
function drip() {
  const counted = drops.value.trim() ? readNumber(drops.value) : null;
  dropsProblem.value =
    drops.value.trim() && !stream.value && counted === null ? `${whyNot(drops.value)}. Write it like 30.` : '';
  if (dropsProblem.value) return undefined;
  const rate = stream.value ? { stream: true } : counted === null ? {} : { dropsPerMinute: counted };
  return { ...rate, ...(when.value ? { when: when.value } : {}) };
}

function forget() {
  drops.value = '';
  dropsProblem.value = '';
  stream.value = false;
  when.value = undefined;
}

const pick = (told: 'running' | 'standing') => (when.value = when.value === told ? undefined : told);

function open(at: Spot, event: Event) {
  spot.value = at;
  forget();
  const target = event.currentTarget ?? event.target;
  popover.value?.hide();
  void nextTick(() => popover.value?.show(event, target));
}

defineExpose({ open });
</script>

<template>
  <Popover ref="popover" class="place-editor" @hide="emit('closed')">
    <section v-if="spot" :aria-label="spotName(spot)">
      <header>
        <h2>{{ spotName(spot) }}</h2>
        <button type="button" class="tap plain" @click="popover?.hide()">Close</button>
      </header>
      <ReadingField
        v-for="what in readings"
        :key="what.id"
        :what="what"
        :standing="data.readings.find((r) => r.quantity === what.id)"
        :case-id="data.id"
        :tell="tell"
      />
      <div v-for="cue in cues" :key="cue.id" class="cue">
        <p>{{ cue.question }}</p>
        <div v-if="cue.id === 'leak-at'" class="drip">
          <label class="drops">
            Drops a minute, if you counted
            <input
              v-model="drops"
              inputmode="decimal"
              class="figure"
              :disabled="stream"
              :aria-invalid="dropsProblem ? true : undefined"
            />
          </label>
          <p v-if="dropsProblem" class="problem" role="alert">{{ dropsProblem }}</p>
          <div class="answers" role="group" aria-label="How it drips">
            <button type="button" class="tap" :class="{ on: stream }" :aria-pressed="stream" @click="stream = !stream">
              A stream
            </button>
            <button
              type="button"
              class="tap"
              :class="{ on: when === 'running' }"
              :aria-pressed="when === 'running'"
              @click="pick('running')"
            >
              Only while running
            </button>
            <button
              type="button"
              class="tap"
              :class="{ on: when === 'standing' }"
              :aria-pressed="when === 'standing'"
              @click="pick('standing')"
            >
              Also standing
            </button>
          </div>
          <p class="then">Then where it drips:</p>
        </div>
        <div class="answers" role="group" :aria-label="cue.name">
          <button
            v-for="a in cue.answers"
            :key="a.id"
            type="button"
            class="tap"
            :class="{ on: isOn(cue.id, a) }"
            :aria-pressed="isOn(cue.id, a)"
            @click="answer(cue.id, a)"
          >
            {{ a.text }}
          </button>
        </div>
      </div>
      <p v-if="trouble" class="problem" role="alert">{{ trouble }}</p>
    </section>
  </Popover>
</template>

<style scoped>
section {
  width: min(25rem, 86vw);
  max-height: min(70vh, 34rem);
  overflow-y: auto;
}

header {
  display: flex;
  align-items: center;
  justify-content: space-between;
}

.cue {
  padding: 0.5rem 0;
  border-top: 1px solid var(--line);
}

.cue p {
  margin: 0 0 0.5rem;
}

.answers {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}

.drip {
  margin-bottom: 0.5rem;
}

.cue .then {
  margin: 0.5rem 0 0;
}

.drops {
  display: flex;
  align-items: center;
  gap: 0.5rem;
  margin-bottom: 0.5rem;
}

.drops input {
  width: 5rem;
}
</style>

<style>
/* So tall an editor is moved to where it fits; a beak would point beside the place. */
.place-editor.p-popover {
  margin: 8px;
}

.place-editor.p-popover::before,
.place-editor.p-popover::after {
  display: none;
}
</style>
