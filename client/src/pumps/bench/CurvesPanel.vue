<script setup lang="ts">
import SelectButton from 'primevue/selectbutton';
import { computed, ref } from 'vue';
import type { Schemas } from '@/shared/api/client';
import { digits } from '@/shared/format';
import FlowCurve from './plots/FlowCurve.vue';
import LinePlot from './plots/LinePlot.vue';

/** The pump's curves, one at a time. */
const props = defineProps<{ curves: Schemas['CurvesResponse'] }>();
const views = [
  { id: 'flow', name: 'Flow' },
  { id: 'power', name: 'Power' },
  { id: 'suction', name: 'Suction' },
  { id: 'ripple', name: 'Ripple' },
] as const;
const view = ref<(typeof views)[number]['id']>('flow');
const c = computed(() => props.curves);
</script>

<template>
  <section aria-label="Curves">
    <SelectButton
      v-model="view"
      :options="[...views]"
      option-label="name"
      option-value="id"
      :allow-empty="false"
      aria-label="Which curve"
    />
    <FlowCurve v-if="view === 'flow'" :curves="curves" />
    <LinePlot
      v-else-if="view === 'power'"
      :points="c.points.map((p) => [p.pressure, p.shaftKilowatt])"
      :mark="[c.operating.pressure, c.operating.shaftKilowatt]"
      :mark-text="`${digits(c.operating.shaftKilowatt)} kW`"
      :x-name="`${curves.pressureUnit} at the head`"
      y-name="kW at the shaft"
    />
    <LinePlot
      v-else-if="view === 'suction'"
      :points="c.bySpeed.map((p) => [p.rpm, p.marginMetres])"
      :mark="[c.operatingSpeed.rpm, c.operatingSpeed.marginMetres]"
      :mark-text="`${digits(c.operatingSpeed.marginMetres)} m to spare`"
      :floor="0"
      floor-text="below this line it cavitates"
      x-name="rpm"
      y-name="m of head to spare"
    />
    <LinePlot
      v-else
      :points="c.turn.map((p) => [p.degrees, p.flowOverMean])"
      :floor="1"
      floor-text="mean of the healthy pump"
      x-name="degrees of the crank"
      y-name="flow over its mean"
    />
  </section>
</template>
