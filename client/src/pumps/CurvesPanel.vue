<script setup lang="ts">
import { computed, ref } from 'vue';
import type { Schemas } from '@/shared/api/client';
import { digits } from '@/shared/format';
import FlowCurve from './FlowCurve.vue';
import LinePlot from './LinePlot.vue';

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
    <div class="views" role="group" aria-label="Which curve">
      <button
        v-for="v in views"
        :key="v.id"
        type="button"
        class="tap"
        :class="{ on: view === v.id }"
        :aria-pressed="view === v.id"
        @click="view = v.id"
      >
        {{ v.name }}
      </button>
    </div>
    <FlowCurve v-if="view === 'flow'" :curves="curves" />
    <LinePlot
      v-else-if="view === 'power'"
      :points="c.points.map((p) => [p.pressureBar, p.shaftKilowatt])"
      :mark="[c.operating.pressureBar, c.operating.shaftKilowatt]"
      :mark-text="`${digits(c.operating.shaftKilowatt)} kW`"
      x-name="bar at the head"
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
      floor-text="mean of the sound pump"
      x-name="degrees of the crank"
      y-name="flow over its mean"
    />
  </section>
</template>

<style scoped>
.views {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
}
</style>
