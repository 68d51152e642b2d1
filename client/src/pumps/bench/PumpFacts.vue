<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query';
import { computed } from 'vue';
import { headNames } from '@/drawing/layout/heads';
import { asStage, stageNames } from '@/parts/stages';
import { api, taken, type PumpResource, type Quantity } from '@/shared/api/client';
import { percent, quantity } from '@/shared/format';

/** The pump's plate and its cases. */
const props = defineProps<{ pump: PumpResource }>();
const cases = useQuery({ queryKey: ['cases'], queryFn: async () => taken(await api.GET('/api/cases')) });
const mine = computed(() => cases.data.value?.filter((c) => c.pumpId === props.pump.id) ?? []);

const q = (x: Quantity | null | undefined, unsaid = 'not noted') => (x ? quantity(x, 4) : unsaid);
const note = (field: string) => (props.pump.setup.assumed?.includes(field) ? ' (assumed)' : '');
function nozzleWords({ nozzle }: PumpResource['setup']): string {
  if (nozzle?.process) return 'a process';
  if (nozzle?.size) return `number ${nozzle.size}`;
  if (nozzle?.orifice) return `passage ${q(nozzle.orifice)}`;
  return nozzle?.flow ? `${q(nozzle.flow)} at ${q(nozzle.at)}` : 'not noted';
}
const facts = computed(() => {
  const { pump, setup } = props.pump;
  const run = setup.outlet;
  const inlet = setup.inlet;
  return [
    ['Arrangement', (pump.arrangement ?? 'crank-plunger').replace('-', ' ')],
    ['Cylinders', String(pump.cylinders)],
    ['Plunger', q(pump.plungerDiameter, 'worked out')],
    ['Stroke', q(pump.stroke, 'worked out from the rated flow')],
    ['Rated speed', q(pump.ratedSpeed, 'worked out')],
    ['Rated pressure', q(pump.ratedPressure)],
    [
      'Driver',
      setup.drive
        ? `${setup.drive.kind}, ${q(setup.drive.ratedPower)}${setup.drive.pumpPulley ? ', belt' : ''}`
        : 'speed as noted',
    ],
    ['Nozzle', nozzleWords(setup) + note('nozzle')],
    [
      'Control',
      `${pump.control ?? 'none'}${setup.controlSetting ? `, ${q(setup.controlSetting)}` : ''}${note('controlSetting')}`,
    ],
    ...((pump.arrangement ?? 'crank-plunger') === 'crank-plunger'
      ? ([['Head', headNames[pump.headLayout ?? 'six-caps'] ?? '']] as [string, string][])
      : []),
    ['Liquid', setup.liquid ?? 'water'],
    ['Inlet', inlet ? `${q(inlet.run?.length)} of ${q(inlet.run?.bore)}` : 'not measured'],
    ['Outlet line', run ? `${q(run.length)} of ${q(run.bore)}` : (setup.line ?? 'not noted')],
    ['Dampener', setup.dampener ? `${q(setup.dampener.gasVolume)}, charged ${q(setup.dampener.charge)}` : 'none'],
  ];
});
</script>

<template>
  <div class="two">
    <section aria-label="What it is">
      <h2>What it is</h2>
      <dl>
        <template v-for="[name, value] in facts" :key="name">
          <dt>{{ name }}</dt>
          <dd class="figure">{{ value }}</dd>
        </template>
      </dl>
    </section>
    <section aria-label="Its cases">
      <h2>Its cases</h2>
      <p v-if="mine.length === 0" class="quiet">None yet.</p>
      <RouterLink v-for="c in mine" :key="c.id" class="case" :to="`/cases/${c.id}`">
        <b>{{ c.complaint }}</b>
        <span>{{ c.closed ? 'closed' : stageNames[asStage(c.stage)] }}</span>
        <span v-if="c.leader"
          >{{ c.leader.name }} <span class="figure">{{ percent(c.leader.probability) }}</span></span
        >
      </RouterLink>
    </section>
  </div>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(22rem, 100%), 1fr));
  gap: 1rem 2rem;
  margin-top: 0.75rem;
}

dl {
  display: grid;
  grid-template-columns: auto 1fr;
  margin: 0.25rem 0 0;
}

dt,
dd {
  margin: 0;
  padding: 0.4rem 0;
  border-bottom: 1px solid var(--line);
}

dd {
  text-align: right;
}

.case {
  display: grid;
  gap: 0.1rem;
  align-items: center;
  min-height: 48px;
  padding: 0.4rem 0;
  border-top: 1px solid var(--line);
  color: var(--ink);
  text-decoration: none;
}
</style>
