<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query';
import { computed, defineAsyncComponent, ref } from 'vue';
import NewCaseDialog from '@/cases/NewCaseDialog.vue';
import { asStage, stageNames } from '@/cases/stages';
import { api, inWords, taken, type Figure } from '@/shared/api/client';
import { digits, percent, quantity } from '@/shared/format';
import ShellBar from '@/shared/ui/ShellBar.vue';
import WorkingDialog from '@/shared/ui/WorkingDialog.vue';

const FlowCurve = defineAsyncComponent(() => import('./FlowCurve.vue'));

const props = defineProps<{ id: string }>();
const pump = useQuery({
  queryKey: ['pump', props.id],
  queryFn: async () => taken(await api.GET('/api/pumps/{id}', { params: { path: { id: props.id } } })),
});
const body = computed(() =>
  pump.data.value ? { pump: pump.data.value.pump, setup: pump.data.value.setup } : undefined,
);
const expectation = useQuery({
  queryKey: ['expectation', body],
  queryFn: async () => taken(await api.POST('/api/expectation', { body: body.value ?? { pump: null, setup: null } })),
  enabled: computed(() => body.value !== undefined),
});
const curves = useQuery({
  queryKey: ['curves', body],
  queryFn: async () => taken(await api.POST('/api/curves', { body: body.value ?? { pump: null, setup: null } })),
  enabled: computed(() => body.value !== undefined),
});
const cases = useQuery({ queryKey: ['cases'], queryFn: async () => taken(await api.GET('/api/cases')) });
const mine = computed(() => cases.data.value?.filter((c) => c.pumpId === props.id) ?? []);
const figure = ref<Figure>();
const adding = ref(false);

const facts = computed(() => {
  const p = pump.data.value;
  if (!p) return [];
  const q = (x: { value: number; unit: string } | null | undefined) => (x ? quantity(x, 4) : 'not told');
  return [
    ['Cylinders', String(p.pump.cylinders)],
    ['Plunger', q(p.pump.plungerDiameter)],
    ['Stroke', q(p.pump.stroke)],
    ['Rated speed', q(p.pump.ratedSpeed)],
    ['Rated pressure', q(p.pump.ratedPressure)],
    ['Control', `${p.pump.control ?? 'none'}${p.setup.controlSetting ? `, ${q(p.setup.controlSetting)}` : ''}`],
    ['Head', (p.pump.headLayout ?? 'six-caps').replace('-', ' ')],
    ['Outlet line', p.setup.line ?? 'not told'],
  ];
});
</script>

<template>
  <div>
    <ShellBar />
    <p v-if="pump.error.value" role="alert" class="message">{{ inWords(pump.error.value) }}</p>
    <main v-if="pump.data.value" class="sheet">
      <header>
        <span class="plate">{{ pump.data.value.tag }}</span>
        <div>
          <h1>{{ pump.data.value.name || pump.data.value.tag }}</h1>
          <p class="quiet">{{ pump.data.value.duty }}</p>
        </div>
        <RouterLink class="tap" :to="`/pumps/${id}/edit`">Correct</RouterLink>
        <button type="button" class="tap on" @click="adding = true">New case</button>
      </header>
      <div class="grid">
        <section aria-label="Curves">
          <h2>Flow against pressure, all sound</h2>
          <FlowCurve v-if="curves.data.value" :curves="curves.data.value" />
        </section>
        <section aria-label="What it is">
          <h2>What it is</h2>
          <dl>
            <template v-for="[name, value] in facts" :key="name">
              <dt>{{ name }}</dt>
              <dd class="figure">{{ value }}</dd>
            </template>
          </dl>
        </section>
        <section aria-label="What it should show" class="wide">
          <h2>What it should show</h2>
          <p class="quiet">Tap a figure for its working.</p>
          <div class="figures">
            <button
              v-for="f in expectation.data.value?.figures"
              :key="f.id"
              type="button"
              class="tile"
              @click="figure = f"
            >
              <span>{{ f.name }}</span>
              <b class="figure">{{ quantity(f.value) }}</b>
              <span class="quiet figure">{{
                f.low.value === f.high.value ? 'kinematics' : `${digits(f.low.value)} to ${quantity(f.high)}`
              }}</span>
            </button>
          </div>
        </section>
        <section aria-label="Its cases" class="wide">
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

.grid {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 22rem;
  gap: 1rem 2rem;
  margin-top: 0.75rem;
}

.wide {
  grid-column: 1 / -1;
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

.figures {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(13rem, 1fr));
  gap: 8px;
}

.figures + p,
.quiet {
  margin: 0.15rem 0;
}

.tile {
  display: grid;
  gap: 0.1rem;
  padding: 0.5rem 0.75rem;
  border: 1.5px solid var(--line);
  border-radius: 4px;
  background: var(--card);
  color: var(--ink);
  font: inherit;
  text-align: left;
  cursor: pointer;
}

.tile b {
  font-size: 1.375rem;
}

.tile .quiet {
  font-size: 0.875rem;
}

.case {
  display: grid;
  grid-template-columns: 1fr 6rem 18rem;
  gap: 1rem;
  align-items: center;
  min-height: 48px;
  border-top: 1px solid var(--line);
  color: var(--ink);
  text-decoration: none;
}

@media (max-width: 900px) {
  .grid {
    grid-template-columns: minmax(0, 1fr);
  }
}

@media (max-width: 520px) {
  .case {
    grid-template-columns: 1fr;
    gap: 0;
    padding: 0.4rem 0;
  }
}
</style>
