<script setup lang="ts">
import Button from 'primevue/button';
import { computed, ref, watch } from 'vue';
import type { JudgedCase, ChangeRequest, Knowledge } from '@/shared/api/client';
import { useKeys } from '@/shared/keys/useKeys';
import CheckAnswers from './CheckAnswers.vue';
import CheckReading from './CheckReading.vue';
import HowToCheck from './HowToCheck.vue';
import { useCheckAnswer } from './useCheckAnswer';
import { useNextCheck } from './useNextCheck';

/** The check that tells most a minute, answerable here; each answer says first what it would do, and stays where the finger is. */
const props = defineProps<{
  data: JudgedCase;
  knowledge: Knowledge;
  trouble?: string;
  tell: (change: ChangeRequest) => Promise<boolean>;
}>();
const emit = defineEmits<{ plan: []; limit: []; opening: [] }>();

const { check, place, count, following, cheapestFirst, another } = useNextCheck(() => props.data);
const panel = ref<HTMLElement>();
const how = ref(false);
const measured = computed(() => props.knowledge.observables.find((o) => o.id === check.value?.reading));
const openNow = computed(() => props.data.diagnosis.openNow);
const minutes = computed(() => {
  const c = check.value;
  return c ? `${c.minutes} min${c.putBackMinutes ? ` + ${c.putBackMinutes} to put back` : ''} · opens ${c.opens}` : '';
});

const opening = computed(() => {
  const { minutesIfOpened, minutesIfTested } = openNow.value;
  return `Opening is quicker: ${Math.round(minutesIfOpened)} min, ${Math.round(minutesIfTested)} tested first.`;
});
/** What is dangerous about the check in a sentence each; all of it stands under "How". */
const mind = computed(() =>
  (check.value?.hazards ?? []).map((h) => /^.*?[.](?= |$)/.exec(h.text)?.[0] ?? h.text).join(' '),
);

watch(
  () => props.data.version,
  () => (how.value = false),
);

const { answer, couldNot, limited } = useCheckAnswer(
  () => props.data,
  check,
  (change) => props.tell(change),
);

useKeys([{ keys: 'n', says: 'Next check', run: () => panel.value?.focus() }]);
</script>

<template>
  <section ref="panel" class="next" tabindex="-1" aria-label="Next check">
    <header>
      <h2>Next check</h2>
      <span class="quiet">{{ minutes }}</span>
      <Button
        variant="text"
        severity="secondary"
        class="limits"
        :label="limited ? 'Limits of today: some' : 'Limits of today'"
        @click="emit('limit')"
      />
    </header>
    <div class="what">
      <p v-if="openNow.recommended && check" class="stop">{{ opening }}</p>
      <template v-if="check">
        <p class="question" aria-live="polite">{{ check.question }}</p>
        <HowToCheck v-if="how" v-model:cheapest-first="cheapestFirst" :check="check" :opening="openNow.text" />
        <p v-if="check.hazards.length" class="hazard"><b>Mind:</b> {{ mind }}</p>
      </template>
      <p v-else class="question">No check left would change much. {{ openNow.text }} Or measure again.</p>
    </div>
    <template v-if="check">
      <CheckAnswers
        v-if="check.cue"
        :answers="check.answers"
        :following="following"
        @answer="answer"
        @could-not="couldNot"
      />
      <CheckReading
        v-else-if="measured"
        :case-id="data.id"
        :check="check"
        :what="measured"
        :trouble="trouble"
        :tell="tell"
        @could-not="couldNot"
      />
    </template>
    <div class="foot">
      <template v-if="check">
        <Button
          severity="secondary"
          variant="outlined"
          label="How"
          :aria-expanded="how"
          :aria-pressed="how"
          @click="how = !how"
        />
        <Button severity="secondary" variant="outlined" :disabled="count < 2" @click="another">
          <span class="p-button-label"
            >Another<span class="sr-only"> check, this is {{ place }} of {{ count }}</span></span
          >
        </Button>
        <Button severity="secondary" variant="outlined" @click="emit('plan')">
          <span class="p-button-label">Plan<span class="sr-only"> of three checks</span></span>
        </Button>
      </template>
      <Button
        :severity="openNow.recommended ? undefined : 'secondary'"
        :variant="openNow.recommended ? undefined : 'outlined'"
        @click="emit('opening')"
        >Open now: {{ Math.round(openNow.minutesIfOpened) }} min</Button
      >
    </div>
  </section>
</template>

<style scoped>
.next {
  display: flex;
  flex-direction: column;
  padding: 0 1rem 0.5rem;
  border-top: 2px solid var(--ink);
}

header {
  display: flex;
  gap: 0 0.75rem;
  align-items: center;
}

header h2 {
  flex: none;
}

header .quiet {
  flex: 1;
  line-height: 1.1;
}

.limits {
  flex: none;
  margin-right: -0.75rem;
}

/* The answers stand on the floor of the panel; what is said above them grows upwards. */
.what {
  display: flex;
  flex: 1;
  flex-direction: column;
  justify-content: flex-end;
}

p {
  margin: 0;
}

.stop {
  font-size: 0.9375rem;
  font-weight: 700;
}

.question {
  margin: 0 0 0.15rem;
  font-size: 1.0625rem;
  font-weight: 700;
  line-height: 1.2;
}

.hazard {
  padding-left: 0.5rem;
  border-left: 4px solid var(--suspect);
  font-size: 0.9375rem;
  line-height: 1.25;
}

.foot {
  display: flex;
  gap: 6px;
  margin-top: 6px;
}

.foot > * {
  flex: 1 1 auto;
  justify-content: center;
  padding-inline: 0.4rem;
  white-space: nowrap;
}

@media print {
  .foot,
  .limits.limits {
    display: none;
  }
}
</style>
