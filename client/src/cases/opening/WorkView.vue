<script setup lang="ts">
import Button from 'primevue/button';
import Message from 'primevue/message';
import { computed, nextTick, ref, useTemplateRef } from 'vue';
import type { CaseResource, ChangeRequest } from '@/shared/api/client';
import { percent } from '@/shared/format';
import { useKeys } from '@/shared/keys/useKeys';
import StageNote from '@/cases/case/StageNote.vue';
import { stageNames } from '@/parts/stages';
import BoltCard from './cards/BoltCard.vue';
import CountCard from './cards/CountCard.vue';
import GoButton from './cards/GoButton.vue';
import HazardCard from './cards/HazardCard.vue';
import InspectCard from './cards/InspectCard.vue';
import PartsCard from './cards/PartsCard.vue';
import PlanChooser from './PlanChooser.vue';
import ReadyCard from './cards/ReadyCard.vue';
import StepCard from './cards/StepCard.vue';
import WayBar from './WayBar.vue';
import WorkPicture from './WorkPicture.vue';
import { placeName, type StepPlace } from './cards/cards';
import { useWay } from './useWay';
import { useStepNotes, type StepTold } from './useStepNotes';
import { useWork } from './useWork';

/** Opening and closing: a plan chosen, then one thing at a time, the drawing beside it, nothing lost on the way. */
const props = defineProps<{
  data: CaseResource;
  stage: 'open' | 'mend';
  trouble: string;
  tell: (change: ChangeRequest) => Promise<boolean>;
}>();
const emit = defineEmits<{ go: [stage: 'open' | 'mend' | 'prove'] }>();

const access = useWork(
  computed(() => props.data),
  (change) => props.tell(change),
);
const { work, plan, left } = access;
const way = useWay(plan, work, () => props.stage);
const { cards, at, card, step, here, next: nextWords, forward, back } = way;
const notes = useStepNotes(props.data.id);
const choosing = ref(false);
// Closed, and it ran: whatever is planned now is another opening.
const ranAgain = computed(() => !work.value.acknowledged && Object.keys(work.value.steps).length > 0);
const noting = ref(false);
const place = ref('');
const inner = useTemplateRef<{
  forward?: () => void;
  look?: (n: string) => string;
  says?: (n: string) => string;
}>('inner');

const leader = computed(() => {
  const first = props.data.diagnosis?.suspects[0];
  return first ? `${first.name.toLowerCase()}, ${percent(first.probability)}` : 'nothing';
});

async function tick(places: StepPlace[], torque: boolean) {
  const from = at.value;
  const last = step.value?.places.filter((p) => !places.includes(p)).every((p) => work.value.steps[p.tick]?.by) ?? true;
  const done = await access.tick(
    places.map((p) => p.tick),
    // What was typed for a place goes along with its tick.
    { torque, told: (t) => notes.told(t, work.value.steps[t]) },
  );
  if (done) places.forEach((p) => notes.taken(p.tick));
  // A second tap while the first was on its way must not pass over a card.
  if (done && last && at.value === from) forward();
}

async function keep(at: StepPlace, told: StepTold) {
  const tick = work.value.steps[at.tick];
  // A photograph before the work is done is no tick.
  const taps = tick ? (tick.taps ?? undefined) : 0;
  if (await access.tick([at.tick], { torque: step.value?.tightens, told: () => told, taps })) notes.taken(at.tick);
}

async function acknowledge(hazards: string[]) {
  if (await access.acknowledge(hazards)) forward();
}

async function choose(chosen: Parameters<typeof access.choose>[0]) {
  if (!(await access.choose(chosen))) return;
  choosing.value = false;
  place.value = '';
  way.restart();
}

async function prove() {
  if (await access.ranAgain()) emit('go', 'prove');
}

const side = useTemplateRef<HTMLElement>('side');
/** What is chosen on the map is judged on the card: upright, the card lies below. */
async function lookAt(key: string) {
  place.value = key;
  await nextTick();
  if (window.matchMedia('(max-width: 900px)').matches) side.value?.scrollIntoView({ block: 'start' });
}

useKeys([
  {
    keys: 'ArrowRight',
    says: 'Done, go on',
    run: () => document.querySelector<HTMLElement>('#work-go button')?.click(),
  },
  { keys: 'ArrowLeft', says: 'One card back', run: back },
]);
</script>

<template>
  <p v-if="work.plan && !plan && !access.trouble.value" class="fetching" aria-live="polite">Fetching the plan …</p>
  <div v-else-if="!work.plan || choosing || !plan" class="work choosing">
    <p v-if="access.trouble.value" class="problem" role="alert">{{ access.trouble.value }}</p>
    <PlanChooser :data="data" @choose="choose" />
    <StageNote
      :key="stage"
      class="keep"
      :data="data"
      :name="`note-${stage}`"
      :label="`Notes: ${stageNames[stage].toLowerCase()}`"
      :tell="tell"
    />
    <p v-if="choosing" class="keep">
      <Button variant="text" severity="secondary" label="Keep the plan as it is" @click="choosing = false" />
    </p>
    <Message v-if="trouble" severity="error" :closable="false">{{ trouble }}</Message>
  </div>
  <div v-else class="work">
    <div class="shown">
      <header>
        <p>
          <b>{{ plan.name }}</b> · stays on:
          {{
            plan.stays
              .map((s) => s.name.toLowerCase())
              .slice(0, 4)
              .join(', ') || 'nothing'
          }}{{ plan.stays.length > 4 ? ' …' : '' }}
        </p>
        <span class="quiet">about {{ Math.round(plan.minutes) }} min · {{ Math.ceil(left) }} left</span>
        <Button variant="text" severity="secondary" label="Notes" :aria-expanded="noting" @click="noting = !noting" />
        <Button
          variant="text"
          severity="secondary"
          :label="ranAgain ? 'Open it again' : 'Another plan'"
          @click="choosing = true"
        />
      </header>
      <StageNote
        v-if="noting"
        :key="stage"
        :data="data"
        :name="`note-${stage}`"
        :label="`Notes: ${stageNames[stage].toLowerCase()}`"
        :tell="tell"
      />
      <WorkPicture
        :plan="plan"
        :work="work"
        :card="card"
        :here="here"
        :place="place"
        :bolt="inner"
        @look="lookAt"
        @tap="inner?.forward?.()"
      />
    </div>
    <aside ref="side" class="side" aria-label="Step">
      <Message v-if="trouble" severity="error" :closable="false">{{ trouble }}</Message>
      <ReadyCard v-if="card?.kind === 'ready'" :plan="plan">
        <GoButton label="It lies ready. Next: while it still runs" @go="forward" />
      </ReadyCard>
      <HazardCard
        v-else-if="card?.kind === 'hazards'"
        :plan="plan"
        :work="work"
        @acknowledge="acknowledge"
        @next="forward"
      />
      <InspectCard
        v-else-if="card?.kind === 'inspect'"
        :case-id="data.id"
        :plan="plan"
        :work="work"
        :place="place"
        :leader="leader"
        @find="(where, found) => access.find(where, found)"
      >
        <template #default="{ next }">
          <GoButton
            v-if="next"
            :label="`Next: ${next.name.toLowerCase()} ${placeName(next.place)}`"
            @go="lookAt(next.id)"
          />
          <GoButton v-else label="All looked at. Next: mend" @go="emit('go', 'mend')" />
        </template>
      </InspectCard>
      <PartsCard v-else-if="card?.kind === 'parts'" :plan="plan" :work="work" :access="access">
        <template #default="{ done }">
          <GoButton :label="done ? 'All there. Next: close' : 'Go on, some are missing'" @go="forward" />
        </template>
      </PartsCard>
      <BoltCard
        v-else-if="card?.kind === 'bolts'"
        :key="card.step.id"
        ref="inner"
        :pump="data.pump.id"
        :case-id="data.id"
        :hazards="plan.hazards"
        :step="card.step"
        :group="card.group"
        :work="work"
        :at="at + 1"
        :of="cards.length"
        :next="nextWords"
        @tap="(where, taps) => access.tick([where.tick], { taps, told: (t) => notes.told(t, work.steps[t]) })"
        @tick="tick"
        @keep="keep"
        @next="forward"
      >
        <template #default="{ label, go }"><GoButton :label="label" @go="go" /></template>
      </BoltCard>
      <CountCard v-else-if="card?.kind === 'count'" :id="data.id" :plan="plan" :step="card.step" :work="work">
        <template #default="{ done, ready }">
          <GoButton
            :label="done ? `Counted. Next: ${nextWords}` : 'Nothing is left over'"
            :disabled="!done && !ready"
            @go="done ? forward() : tick(card.step.places, false)"
          />
        </template>
      </CountCard>
      <section v-else-if="card?.kind === 'closed'" class="closed" aria-labelledby="closed-title">
        <h2 id="closed-title">{{ left > 0.5 ? 'Not all is done yet' : 'Closed' }}</h2>
        <p>
          {{
            left > 0.5
              ? 'Go back to what is left, or prove it as it is.'
              : 'Now prove it. It will run again: whoever opens it after that reads the hazards anew.'
          }}
        </p>
        <GoButton label="It goes to the proof" @go="prove" />
      </section>
      <StepCard
        v-else-if="step"
        :key="step.id"
        ref="inner"
        :pump="data.pump.id"
        :case-id="data.id"
        :plan="plan"
        :step="step"
        :work="work"
        :at="at + 1"
        :of="cards.length"
        :next="nextWords"
        @tick="tick"
        @untick="(p) => access.untick([p.tick])"
        @keep="keep"
        @next="forward"
      >
        <template #default="{ label, go }"><GoButton :label="label" @go="go" /></template>
      </StepCard>
      <div class="nav">
        <Button severity="secondary" variant="outlined" label="Back" :disabled="at <= 0" @click="back" />
        <Button
          severity="secondary"
          variant="outlined"
          label="Skip"
          :disabled="at >= cards.length - 1"
          @click="forward"
        />
        <div id="work-go" />
      </div>
    </aside>
    <WayBar
      class="foot"
      :cards="cards"
      :at="at"
      :plan="plan"
      :work="work"
      :name="stage === 'open' ? 'Opening' : 'Closing'"
    />
  </div>
</template>

<style scoped>
.work {
  display: grid;
  flex: 1;
  grid-template: 'shown side' minmax(0, 1fr) 'foot foot' auto / minmax(0, 1fr) minmax(22rem, 26.5rem);
  min-height: 0;
}

.choosing {
  display: flex;
  flex-direction: column;
  overflow-y: auto;
}

.fetching {
  margin: 0;
  padding: 1rem;
}

.keep {
  margin: 0;
  max-width: 60rem;
  padding: 0 1rem 1rem;
}

.shown {
  display: flex;
  grid-area: shown;
  flex-direction: column;
  gap: 0.25rem;
  min-width: 0;
  min-height: 0;
  padding: 0.5rem 1rem;
}

header {
  display: flex;
  flex-wrap: wrap;
  gap: 0 1rem;
  align-items: center;
  justify-content: space-between;
}

header p {
  flex: 1;
  margin: 0;
}

.side {
  display: flex;
  grid-area: side;
  flex-direction: column;
  gap: 0.5rem;
  min-height: 0;
  padding: 0.75rem 1rem;
  border-left: 2px solid var(--ink);
  background: var(--card);
}

.side > section {
  min-height: 0;
  padding-right: 0.25rem;
  overflow-y: auto;
}

.closed {
  display: flex;
  flex-direction: column;
  gap: 0.6rem;
}

.nav {
  display: grid;
  grid-template: 'back go' 46px 'skip go' 46px / 5.5rem minmax(0, 1fr);
  gap: 0.4rem;
  margin: auto 0 0;
}

#work-go {
  display: grid;
  grid-area: go;
}

#work-go :deep(.go) {
  font-weight: 700;
  font-size: 1.1875rem;
}

.foot {
  grid-area: foot;
}

@media (max-width: 900px) {
  .work {
    display: block;
  }

  .side {
    border-top: 2px solid var(--ink);
    border-left: 0;
  }

  .nav {
    position: sticky;
    bottom: 44px;
    padding: 0.5rem 0;
    background: var(--card);
  }

  .foot {
    position: sticky;
    bottom: 0;
  }
}
</style>
