<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query';
import { useTitle } from '@vueuse/core';
import Button from 'primevue/button';
import { computed, defineAsyncComponent, ref } from 'vue';
import { useRouter } from 'vue-router';
import { useOpenInAddress } from '@/shared/address/useDialogAddress';
import { api, inWords, taken, type Figure } from '@/shared/api/client';
import { useArchive } from '@/shared/archive/useArchive';
import { useKeys } from '@/shared/keys/useKeys';
import FigureTile from '@/shared/ui/FigureTile.vue';
import ShellBar from '@/shared/ui/ShellBar.vue';
import WorkingDialog from '@/shared/ui/WorkingDialog.vue';
import PumpFacts from './PumpFacts.vue';
import SimulatedGauge from './SimulatedGauge.vue';
import WhatIfStrip from './WhatIfStrip.vue';
import { useWhatIf } from './useWhatIf';

const NewCaseDialog = defineAsyncComponent(() => import('@/parts/NewCaseDialog.vue'));
const CurvesPanel = defineAsyncComponent(() => import('./CurvesPanel.vue'));

/** A pump on the bench: what it should show, its curves, its gauge in time, and what would happen if. */
const props = defineProps<{ id: string }>();
const router = useRouter();
const query = useQuery({
  queryKey: ['pump', props.id],
  queryFn: async () => taken(await api.GET('/api/pumps/{id}', { params: { path: { id: props.id } } })),
});
const pump = query.data;
const { tried, running, sound, expectation, curves, simulation, changed, trouble, reset } = useWhatIf(pump);
const { putAway } = useArchive();
const figure = ref<Figure>();
const adding = useOpenInAddress('new');
// All at once: what comes later would push aside what is being read.
const ready = computed(() => !!trouble.value || !!(expectation.value && curves.value && simulation.value));
const soundFigure = (id: string) => (changed.value ? sound.value?.figures.find((f) => f.id === id) : undefined);

useTitle(() => (pump.value ? `${pump.value.tag}: ${pump.value.name} · Mild Hunch` : 'Pump · Mild Hunch'));

useKeys([{ keys: 'a', says: 'A new case of this pump', run: () => (adding.value = true) }]);

async function away() {
  if (!pump.value) return;
  await putAway({ kind: 'pump', id: props.id, name: pump.value.tag });
  await router.push('/pumps');
}
</script>

<template>
  <div>
    <ShellBar />
    <main v-if="query.error.value" class="sheet">
      <div role="alert">
        <h1 tabindex="-1">{{ inWords(query.error.value) }}</h1>
      </div>
      <p><RouterLink class="link" to="/pumps">All pumps</RouterLink></p>
    </main>
    <main v-else-if="pump && ready" class="sheet">
      <header>
        <span class="plate">{{ pump.tag }}</span>
        <div>
          <h1 tabindex="-1">{{ pump.name || pump.tag }}</h1>
          <p class="quiet">{{ pump.duty }}</p>
        </div>
        <Button as="router-link" :to="`/pumps/${id}`" severity="secondary" variant="outlined" label="Its life" />
        <Button
          as="router-link"
          :to="`/workings?pump=${id}`"
          severity="secondary"
          variant="outlined"
          label="Its workings"
        />
        <Button
          as="router-link"
          :to="`/pumps/${id}/service`"
          severity="secondary"
          variant="outlined"
          label="Service figures"
        />
        <Button as="router-link" :to="`/pumps/${id}/edit`" severity="secondary" variant="outlined" label="Correct" />
        <Button severity="secondary" variant="outlined" label="Put away" @click="away" />
        <Button @click="adding = true">New case <kbd>a</kbd></Button>
      </header>
      <div class="bench">
        <div class="curves"><CurvesPanel v-if="curves" :curves="curves" /></div>
        <SimulatedGauge :pump="pump" :sound="sound" :simulation="simulation" @open="figure = $event" />
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
      <NewCaseDialog v-if="adding" v-model:visible="adding" :pump-id="id" />
      <WorkingDialog :figure="figure" @close="figure = undefined" />
    </main>
    <main v-else class="sheet"><p aria-live="polite">Working the pump out …</p></main>
  </div>
</template>

<style scoped>
.sheet > header {
  flex-wrap: wrap;
  gap: 0.5rem 1rem;
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

.curves {
  min-height: 24.5rem;
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
