<script setup lang="ts">
import Button from 'primevue/button';
import { computed, defineAsyncComponent } from 'vue';
import type { Figure, PumpResource, Schemas } from '@/shared/api/client';
import { quantity } from '@/shared/format';
import GaugeDial from './plots/GaugeDial.vue';
import { gaugeSpan } from './plots/gaugeSpan';
import { simulationFigures } from './simulationFigures';

const TracePlot = defineAsyncComponent(() => import('./plots/TracePlot.vue'));

/** The pump in time: needle, means, and a stretch of the pressure at one place. */
const props = defineProps<{
  pump: PumpResource;
  sound?: Schemas['ExpectationResponse'];
  simulation?: Schemas['SimulationResponse'];
}>();
defineEmits<{ open: [figure: Figure] }>();

const means = computed(() => props.simulation?.means);
const figures = computed(() => (props.simulation ? simulationFigures(props.simulation) : []));
const healthy = computed(() => props.sound?.figures.find((f) => f.id === 'discharge-pressure')?.value.value);
</script>

<template>
  <section aria-label="Simulated gauge">
    <div class="now">
      <GaugeDial
        v-if="means"
        :mean="means.pressure.value"
        :swing="means.swing.value"
        :sound="healthy"
        :span="gaugeSpan(pump.pump.ratedPressure, means.pressure.unit)"
        :unit="means.pressure.unit"
      />
      <div class="time">
        <Button
          v-for="f in figures"
          :key="f.id"
          severity="secondary"
          variant="outlined"
          class="mean"
          @click="$emit('open', f)"
          >{{ f.name }} <b class="figure">{{ quantity(f.value) }}</b></Button
        >
      </div>
    </div>
    <div class="trace">
      <TracePlot
        v-if="simulation && means"
        :trace="simulation.trace"
        :unit="means.pressure.unit"
        :cycles="pump.pump.arrangement === 'intensifier'"
      />
    </div>
    <p class="problem" role="status">
      {{ means?.cavitates ? 'Some cylinder pulls down to vapour: it cavitates.' : '' }}
    </p>
  </section>
</template>

<style scoped>
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

.mean.mean {
  justify-content: space-between;
}

.mean b {
  white-space: nowrap;
}

.trace {
  min-height: 15rem;
}

.problem {
  min-height: 1.4rem;
  margin: 0;
}
</style>
