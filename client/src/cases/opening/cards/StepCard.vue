<script setup lang="ts">
import Button from 'primevue/button';
import { computed, ref } from 'vue';
import type { Schemas } from '@/shared/api/client';
import {
  isTicked,
  nextPlace,
  placeName,
  type BoltGroup,
  type Plan,
  type Step,
  type StepPlace,
  type Work,
} from './cards';
import WhoField from '@/cases/opening/WhoField.vue';
import StepNotes from './StepNotes.vue';
import WrenchField from '@/cases/opening/WrenchField.vue';
import type { StepTold } from '@/cases/opening/useStepNotes';

/** One step: what to do, at which place, with what in the hand, and one large button that says what comes next. */
const props = defineProps<{
  pump: string;
  caseId: string;
  plan: Plan;
  step: Step;
  work: Work;
  at: number;
  of: number;
  next: string;
}>();
const emit = defineEmits<{
  tick: [places: StepPlace[], torque: boolean];
  untick: [place: StepPlace];
  keep: [place: StepPlace, told: StepTold];
  next: [];
}>();

const stuck = ref(false);
const here = computed(() => nextPlace(props.step, props.work));
const open = computed(() => props.step.places.filter((p) => !isTicked(props.work, p.tick)));
const several = computed(() => props.step.places.length > 1);
const group = computed<BoltGroup | undefined>(() => props.plan.bolts.find((b) => b.group === props.step.bolts));
const tightens = computed(() => props.step.tightens);
const noting = computed(() => here.value ?? props.step.places.at(-1));
const look = computed(() => {
  if (props.step.stage !== 'open') return [];
  return props.plan.inspect.find((i) => i.part === props.step.part)?.look ?? [];
});

const label = computed(() => {
  if (!here.value) return `Done. Next: ${props.next}`;
  const done = props.step.facing ? 'Looked: it is so' : 'Done';
  const after = open.value[1];
  const where = several.value ? ` at ${placeName(here.value)}` : '';
  return after ? `${done}${where}. Next: ${placeName(after)}` : `${done}${where}. Next: ${props.next}`;
});

function forward() {
  if (here.value) emit('tick', [here.value], tightens.value);
  else emit('next');
}

defineExpose({ forward });

const doneBy = (p: StepPlace): Schemas['TickedDto'] | undefined => props.work.steps[p.tick];
</script>

<template>
  <section class="card" aria-labelledby="step-title">
    <p class="quiet">
      Step {{ at }} of {{ of }}<template v-if="here && placeName(here)"> · {{ placeName(here) }}</template>
    </p>
    <h2 id="step-title">{{ step.text }}</h2>
    <p v-if="step.why" class="why">{{ step.why }}</p>
    <details v-if="step.schools" class="quiet">
      <summary>Two schools</summary>
      {{ step.schools }}
    </details>
    <div v-if="step.mind.length || step.hazards.length" class="mind">
      <p v-for="m in step.mind" :key="m"><b>Mind:</b> {{ m }}</p>
      <p v-for="h in step.hazards" :key="h">{{ plan.hazards.find((x) => x.id === h)?.text }}</p>
    </div>
    <p v-if="tightens && group" class="torque">
      <template v-if="group.inAllUnits.length">
        <b v-for="u in group.inAllUnits" :key="u" class="figure">{{ u }}</b>
        <span class="quiet">{{
          group.basis === 'sheet' ? 'from the maker’s sheet' : 'estimate: the bolt’s ceiling'
        }}</span>
        <span v-if="group.dressing">thread {{ group.dressing }}</span>
      </template>
      <template v-else-if="group.passes.length"
        ><b>No torque on record.</b> Find the maker’s sheet; a guess is not offered here.
        <RouterLink class="link" :to="`/pumps/${pump}/service`">Note it</RouterLink></template
      >
    </p>
    <div v-if="step.tools.length || step.consumables.length" class="hand">
      <h3>In your hand</h3>
      <ul>
        <li v-for="t in [...step.tools, ...step.consumables]" :key="t">{{ t }}</li>
      </ul>
      <p v-if="step.better" class="quiet">Easier with: {{ step.better }}</p>
    </div>
    <div v-if="look.length" class="hand">
      <h3>Look before it is wiped</h3>
      <ul>
        <li v-for="l in look" :key="l">{{ l }}</li>
      </ul>
    </div>
    <div v-if="several" class="places" role="group" aria-label="Places">
      <Button
        v-for="p in step.places"
        :key="p.tick"
        :label="`${placeName(p)}${doneBy(p) && isTicked(work, p.tick) ? ' ✓' : ''}`"
        :severity="p === here ? undefined : 'secondary'"
        :variant="p === here ? undefined : 'outlined'"
        :aria-pressed="isTicked(work, p.tick)"
        :title="doneBy(p) ? `${doneBy(p)?.by}` : undefined"
        @click="isTicked(work, p.tick) ? emit('untick', p) : emit('tick', [p], tightens)"
      />
      <Button
        v-if="open.length > 1"
        variant="text"
        severity="secondary"
        :label="`All ${open.length}`"
        @click="emit('tick', open, tightens)"
      />
    </div>
    <WrenchField v-if="tightens && group?.passes.length" />
    <StepNotes
      v-if="noting"
      :case-id="caseId"
      :step="step"
      :place="noting"
      :work="work"
      @keep="emit('keep', noting, $event)"
    />
    <template v-if="step.stage === 'open' && step.part">
      <Button
        variant="text"
        severity="secondary"
        label="It will not come"
        :aria-expanded="stuck"
        @click="stuck = !stuck"
      />
      <ol v-if="stuck" class="stuck">
        <li v-for="s in plan.stuck" :key="s">{{ s }}</li>
      </ol>
    </template>
    <p v-if="!several && step.places[0] && isTicked(work, step.places[0].tick)" class="quiet">
      Done by {{ doneBy(step.places[0])?.by
      }}<template v-if="doneBy(step.places[0])?.wrench"> with {{ doneBy(step.places[0])?.wrench }}</template
      >.
      <Button variant="text" severity="secondary" label="Not done after all" @click="emit('untick', step.places[0])" />
    </p>
    <WhoField />
    <slot :label="label" :go="forward" />
  </section>
</template>

<style scoped src="./card.css"></style>
