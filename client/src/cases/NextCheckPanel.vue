<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import type { JudgedCase, ChangeRequest, Knowledge, NextCheck } from '@/shared/api/client';
import { useKeys } from '@/shared/keys/useKeys';
import ReadingField from './ReadingField.vue';

/** The check that tells most a minute (or the cheapest), answerable here; each answer says first what it would do. */
const props = defineProps<{
  data: JudgedCase;
  knowledge: Knowledge;
  tell: (change: ChangeRequest) => Promise<boolean>;
}>();
const emit = defineEmits<{ plan: []; limit: [] }>();

const cheapest = ref(false);
const skipped = ref(0);
const panel = ref<HTMLElement>();
const more = ref(false);
const how = ref(false);
const few = 3;

const checks = computed(() => {
  const all = [...props.data.diagnosis.nextChecks];
  return cheapest.value
    ? all.sort((a, b) => a.minutes + a.putBackMinutes - b.minutes - b.putBackMinutes || b.information - a.information)
    : all;
});
const check = computed<NextCheck | undefined>(() => checks.value[Math.min(skipped.value, checks.value.length - 1)]);
const answers = computed(() => check.value?.answers.slice(0, more.value ? undefined : few) ?? []);
const measured = computed(() => props.knowledge.observables.find((o) => o.id === check.value?.reading));

watch(
  () => props.data.version,
  () => {
    skipped.value = 0;
    more.value = false;
    how.value = false;
  },
);

function answer(index: number) {
  const chosen = check.value?.answers[index];
  const cue = check.value?.cue;
  if (!chosen || !cue) return;
  const { answer: id, cylinder, side } = chosen;
  void props.tell({ cues: [{ cue, answer: id, ...(cylinder ? { cylinder } : {}), ...(side ? { side } : {}) }] });
}

const limited = computed(() => {
  const l = props.data.limits;
  return !!(l.keepRunning || l.apprentice || l.mostMinutes || l.without?.length || l.avoid?.length);
});

/** Tried in vain: no evidence, and not asked for again. */
function couldNot() {
  const id = check.value?.cue ?? check.value?.reading;
  if (id) void props.tell({ couldNot: [...props.data.couldNot, id] });
}

useKeys([
  { keys: 'n', says: 'Next check', run: () => panel.value?.focus() },
  ...Array.from({ length: 9 }, (_, i) => ({
    keys: String(i + 1),
    says: `Answer ${i + 1} of the next check`,
    run: () => answer(i),
  })),
]);
</script>

<template>
  <section ref="panel" class="next" tabindex="-1" aria-label="Next check">
    <header>
      <h2>Next check</h2>
      <button type="button" class="tap plain order" :aria-pressed="cheapest" @click="cheapest = !cheapest">
        {{ cheapest ? 'cheapest first' : 'most telling first' }}
      </button>
    </header>
    <p class="stop" :class="{ open: data.diagnosis.openNow.recommended }">{{ data.diagnosis.openNow.text }}</p>
    <template v-if="check">
      <p class="cost quiet">
        {{ check.name }} · {{ check.minutes }} min{{
          check.putBackMinutes ? ` + ${check.putBackMinutes} to put back` : ''
        }}
        · opens {{ check.opens }}
      </p>
      <p class="question">{{ check.question }}</p>
      <p v-if="how" class="how">{{ check.how }}</p>
      <ul v-if="check.hazards.length" class="hazards">
        <li v-for="h in check.hazards" :key="h.id"><b>Mind:</b> {{ h.text }}</li>
      </ul>
      <div v-if="check.cue" class="answers">
        <button v-for="(a, i) in answers" :key="a.text" type="button" class="tap answer" @click="answer(i)">
          <kbd>{{ i + 1 }}</kbd>
          <span class="said">{{ a.text }}</span>
          <span class="then quiet">{{ a.then }}</span>
        </button>
      </div>
      <template v-else-if="measured">
        <ReadingField :key="measured.id" :case-id="data.id" :what="measured" :standing="undefined" :tell="tell" />
        <ul class="bands">
          <li v-for="a in check.answers" :key="a.text">
            <span class="figure">{{ a.text }}</span> <span class="quiet">{{ a.then }}</span>
          </li>
        </ul>
      </template>
      <div class="foot">
        <button type="button" class="tap plain" :aria-expanded="how" @click="how = !how">How</button>
        <button v-if="check.answers.length > few && check.cue" type="button" class="tap plain" @click="more = !more">
          {{ more ? 'Fewer answers' : `All ${check.answers.length} answers` }}
        </button>
        <button v-if="skipped < checks.length - 1" type="button" class="tap plain" @click="skipped++">
          Another check
        </button>
        <button v-if="skipped > 0" type="button" class="tap plain" @click="skipped = 0">Back to the first</button>
        <button type="button" class="tap plain" @click="couldNot">Could not do it</button>
        <button type="button" class="tap plain" @click="emit('plan')">Plan of three</button>
        <button type="button" class="tap plain" @click="emit('limit')">
          {{ limited ? 'Limits of today: some' : 'Limits of today' }}
        </button>
      </div>
    </template>
    <p v-else class="quiet">
      No check left would tell much more. Open what leads, or measure again.
      <button type="button" class="tap plain order" @click="emit('limit')">Limits of today</button>
    </p>
  </section>
</template>

<style scoped>
.next {
  padding: 0.25rem 1rem 0.35rem;
  border-top: 2px solid var(--ink);
}

header {
  display: flex;
  justify-content: space-between;
  align-items: center;
}

.order {
  color: var(--ink-2);
  text-decoration: underline;
}

p {
  margin: 0;
}

.stop {
  font-size: 0.9375rem;
}

.stop.open {
  font-weight: 700;
}

.cost {
  font-size: 0.9375rem;
}

.question {
  margin: 0.15rem 0;
  font-size: 1.0625rem;
  font-weight: 700;
}

.how {
  font-size: 0.9375rem;
}

.hazards {
  margin: 0.25rem 0 0;
  padding: 0.15rem 0.6rem;
  border-left: 4px solid var(--suspect);
  background: var(--card);
  list-style: none;
  font-size: 0.875rem;
}

.answers {
  display: grid;
  gap: 6px;
  margin-top: 0.5rem;
}

.answer {
  display: flex;
  flex-wrap: wrap;
  gap: 0 0.6rem;
  align-items: center;
  padding: 0.2rem 0.6rem;
  text-align: left;
}

.said {
  font-weight: 700;
}

.said::first-letter {
  text-transform: uppercase;
}

.then {
  margin-left: auto;
  font-size: 0.875rem;
}

.bands {
  margin: 0.35rem 0 0;
  padding: 0;
  list-style: none;
  font-size: 0.875rem;
}

.bands li {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.foot {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
}

.foot .tap {
  padding-left: 0;
  color: var(--ink-2);
  text-decoration: underline;
}
</style>
