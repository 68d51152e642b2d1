<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query';
import { computed, defineAsyncComponent, ref } from 'vue';
import NewCaseDialog from '@/cases/NewCaseDialog.vue';
import { api, inWords, taken, type Figure } from '@/shared/api/client';
import { quantity } from '@/shared/format';
import FigureTile from '@/shared/ui/FigureTile.vue';
import ShellBar from '@/shared/ui/ShellBar.vue';
import WorkingDialog from '@/shared/ui/WorkingDialog.vue';
import GaugeDial from './GaugeDial.vue';
import PumpFacts from './PumpFacts.vue';
import TracePlot from './TracePlot.vue';
import WhatIfStrip from './WhatIfStrip.vue';
import { simulationFigures } from './simulationFigures';
import { useWhatIf } from './useWhatIf';

const CurvesPanel = defineAsyncComponent(() => import('./CurvesPanel.vue'));

const props = defineProps<{ id: string }>();
const query = useQuery({
  queryKey: ['pump', props.id],
  queryFn: async () => taken(await api.GET('/api/pumps/{id}', { params: { path: { id: props.id } } })),
});
const pump = query.data;
const { tried, running, sound, expectation, curves, simulation, changed, trouble, reset } = useWhatIf(pump);
const figure = ref<Figure>();
const adding = ref(false);
const isIntensifier = computed(() => pump.value?.pump.arrangement === 'intensifier');
const means = computed(() => simulation.value?.means);
const inTime = computed(() => (simulation.value ? simulationFigures(simulation.value) : []));
const soundPressure = computed(() => sound.value?.figures.find((f) => f.id === 'discharge-pressure')?.value.value);

/** Nothing fancy: the next round span a gauge of 1.6 times the rating would have. */
const span = computed(() => {
  const rated = pump.value?.pump.ratedPressure;
  const bar = (rated?.unit === 'MPa' ? 10 : rated?.unit === 'psi' ? 1 / 14.5038 : 1) * (rated?.value ?? 100) * 1.6;
  const step = 10 ** Math.floor(Math.log10(bar));
  return ([1, 1.6, 2.5, 4, 6, 10].find((s) => s * step >= bar) ?? 10) * step;
});
const soundFigure = (id: string) => (changed.value ? sound.value?.figures.find((f) => f.id === id) : undefined);
</script>

<template>
  <div>
    <ShellBar />
    <p v-if="query.error.value" role="alert" class="message">{{ inWords(query.error.value) }}</p>
    <main v-if="pump" class="sheet">
      <header>
        <span class="plate">{{ pump.tag }}</span>
        <div>
          <h1>{{ pump.name || pump.tag }}</h1>
          <p class="quiet">{{ pump.duty }}</p>
        </div>
        <RouterLink class="tap" :to="`/workings?pump=${id}`">Its workings</RouterLink>
        <RouterLink class="tap" :to="`/pumps/${id}/edit`">Correct</RouterLink>
        <button type="button" class="tap on" @click="adding = true">New case</button>
      </header>
      <div class="bench">
        <CurvesPanel v-if="curves" :curves="curves" />
        <div v-else class="waiting" />
        <section aria-label="Simulated gauge">
          <div class="now">
            <GaugeDial
              v-if="means"
              :mean="means.pressure.value"
              :swing="means.swing.value"
              :sound="soundPressure"
              :span="span"
              :unit="means.pressure.unit"
            />
            <div class="time">
              <button v-for="f in inTime" :key="f.id" type="button" class="tap" @click="figure = f">
                {{ f.name }} <b class="figure">{{ quantity(f.value) }}</b>
              </button>
            </div>
          </div>
          <TracePlot v-if="simulation" :trace="simulation.trace" :cycles="isIntensifier" />
          <p v-if="means?.cavitates" class="problem" role="status">Some cylinder pulls down to vapour: it cavitates.</p>
        </section>
      </div>
      <WhatIfStrip
        v-if="tried"
        v-model="tried"
        :pump="pump"
        :running="running"
        :changed="changed"
        :cost="expectation?.cost"
        :trouble="trouble"
        @reset="reset"
        @open="figure = $event"
      />
      <section aria-label="What it should show">
        <h2>{{ changed ? 'What it would show' : 'What it should show' }}</h2>
        <p class="quiet">Tap a figure for its working.</p>
        <div class="figures">
          <FigureTile
            v-for="f in expectation?.figures"
            :key="f.id"
            :figure="f"
            :sound="soundFigure(f.id)"
            @open="figure = $event"
          />
        </div>
      </section>
      <PumpFacts :pump="pump" />
      <NewCaseDialog v-model:visible="adding" :pump-id="id" />
      <WorkingDialog :figure="figure" @close="figure = undefined" />
    </main>
  </div>
</template>

<style scoped>
.message {
  padding: 2rem;
}

header div {
  flex: 1;
}

header p {
  margin: 0;
}

.bench {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 27rem);
  gap: 0.5rem 2rem;
  margin: 0.5rem 0;
}

.waiting {
  min-height: 24rem;
}

.now {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
}

.time {
  display: grid;
  flex: 1;
  gap: 4px;
  align-content: start;
  min-width: 12rem;
}

.time b {
  white-space: nowrap;
}

.time .tap {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 0.5rem;
}

.figures {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(13rem, 1fr));
  gap: 8px;
}

.quiet {
  margin: 0.15rem 0;
}

.strip {
  margin-bottom: 0.75rem;
}

@media (max-width: 900px) {
  .bench {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
