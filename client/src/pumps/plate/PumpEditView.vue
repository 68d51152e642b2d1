<script setup lang="ts">
import { useTitle } from '@vueuse/core';
import Accordion from 'primevue/accordion';
import AccordionContent from 'primevue/accordioncontent';
import AccordionHeader from 'primevue/accordionheader';
import AccordionPanel from 'primevue/accordionpanel';
import Button from 'primevue/button';
import { computed, ref } from 'vue';
import PumpSketch from '@/drawing/PumpSketch.vue';
import DoubtDialog from '@/shared/doubt/DoubtDialog.vue';
import { quantity } from '@/shared/format';
import ShellBar from '@/shared/ui/ShellBar.vue';
import TextField from '@/shared/ui/TextField.vue';
import AssumedList from './AssumedList.vue';
import PlateConflicts from './PlateConflicts.vue';
import PlateFields from './PlateFields.vue';
import { toPump, toRequest } from './plate';
import { plateFields, sections } from './plateSections';
import { useAssumptions } from './useAssumptions';
import { usePlateDraft } from './usePlateDraft';
import { usePumpForm } from './usePumpForm';

/** The type plate first; all the rest is assumed, drawn and listed beside it until somebody knows better. */
const props = defineProps<{ id?: string }>();
const draft = usePlateDraft(props.id);
const { plate, conflicts, trouble } = draft;
const { completed, assumed } = useAssumptions(plate);
const form = ref<HTMLFormElement>();
const { problems, opened, doubts, store } = usePumpForm(props.id, draft, form);

useTitle(() => `${props.id ? `Correct ${plate.tag}` : 'New pump'} · Mild Hunch`);

const hints = computed(() => {
  const all: Record<string, string> = {};
  for (const key of ['plungerDiameter', 'stroke', 'ratedSpeed', 'ratedFlow'] as const) {
    const found = completed.value?.[key];
    if (found) all[key] = quantity(found, 4);
  }
  const setup = assumed.value?.setup;
  const unsaid = new Set(assumed.value?.assumed.map((a) => a.field));
  if (unsaid.has('speed') && setup?.speed) all.speed = quantity(setup.speed, 4);
  if (unsaid.has('controlSetting') && setup?.controlSetting) all.controlSetting = quantity(setup.controlSetting, 4);
  if (unsaid.has('nozzle') && setup?.nozzle) {
    if (setup.nozzle.flow) all.nozzleFlow = quantity(setup.nozzle.flow, 4);
    if (setup.nozzle.at) all.nozzleAt = quantity(setup.nozzle.at, 4);
  }
  return all;
});
</script>

<template>
  <div>
    <ShellBar />
    <main class="sheet">
      <h1 tabindex="-1">{{ id ? 'Correct the pump' : 'New pump' }}</h1>
      <p class="quiet">
        The type plate is enough: the rated pressure, and three of bore, stroke, speed and flow. What you cannot know is
        assumed, and said so.
      </p>
      <form ref="form" class="columns" novalidate @submit.prevent="store()">
        <div class="left">
          <fieldset>
            <legend>Type plate</legend>
            <TextField v-model="plate.tag" label="Tag" placeholder="FOG-2" required :problem="problems.tag" />
            <PlateFields
              :plate="plate"
              :fields="plateFields"
              :problems="problems"
              :hints="hints"
              :needed="['ratedPressure', 'oilPistonDiameter']"
            />
            <TextField
              v-model="plate.name"
              label="What is it?"
              placeholder="Triplex plunger"
              :problem="problems.name"
            />
            <TextField
              v-model="plate.duty"
              label="What does it do?"
              placeholder="Greenhouse fogging"
              :problem="problems.duty"
            />
          </fieldset>
          <Accordion v-model:value="opened" multiple>
            <AccordionPanel v-for="s in sections" :key="s.id" :value="s.id">
              <AccordionHeader
                ><span class="head"
                  ><b>{{ s.title }}</b> <span class="quiet">otherwise: {{ s.otherwise }}</span></span
                ></AccordionHeader
              >
              <AccordionContent>
                <PlateFields :plate="plate" :fields="s.fields" :problems="problems" :hints="hints" />
              </AccordionContent>
            </AccordionPanel>
          </Accordion>
        </div>
        <div class="right">
          <figure>
            <PumpSketch inert :pump="toPump(plate)" :setup="assumed?.setup ?? toRequest(plate).setup!" :parts="{}" />
            <figcaption class="sr-only">The pump as it would be drawn</figcaption>
          </figure>
          <AssumedList :assumed="assumed" :completed="completed" />
        </div>
        <div class="end">
          <PlateConflicts :conflicts="conflicts" @take="draft.takeTheirs($event)" />
          <p v-if="trouble" class="problem" role="alert">{{ trouble }}</p>
          <Button type="submit" :label="id ? 'Store' : 'Store the pump'" />
        </div>
      </form>
      <DoubtDialog :doubts="doubts" />
    </main>
  </div>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template: 'left right' auto 'end right' auto / minmax(0, 1fr) minmax(20rem, 27rem);
  gap: 1rem 1.5rem;
  align-items: start;
}

.left {
  display: grid;
  grid-area: left;
  gap: 1rem;
}

.right {
  position: sticky;
  top: 0.5rem;
  display: grid;
  grid-area: right;
  gap: 0.75rem;
}

.end {
  grid-area: end;
}

fieldset {
  display: grid;
  gap: 0.7rem;
  margin: 0;
  padding: 0.5rem 1rem 1rem;
  border: 1.5px solid var(--line);
}

legend {
  padding: 0 0.5rem;
  font-family: var(--font-tag);
  font-weight: 600;
  font-size: 1.125rem;
}

/* Too small here to be read, and said beside it. */
figure :deep(text:not(.number)) {
  display: none;
}

figure :deep(.number) {
  font-size: 36px;
}

figure {
  margin: 0;
  border: 1.5px solid var(--line);
}

.head {
  display: grid;
  flex: 1;
  text-align: left;
}

.head .quiet {
  font-size: 0.9375rem;
  font-weight: 400;
}

@media (max-width: 900px) {
  .columns {
    grid-template: 'right' auto 'left' auto 'end' auto / minmax(0, 1fr);
  }

  .right {
    position: static;
  }
}
</style>
