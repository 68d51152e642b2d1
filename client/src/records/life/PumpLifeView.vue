<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query';
import { useTitle } from '@vueuse/core';
import Button from 'primevue/button';
import Dialog from 'primevue/dialog';
import Message from 'primevue/message';
import { computed, defineAsyncComponent, ref } from 'vue';
import { useRouter } from 'vue-router';
import PumpSketch from '@/drawing/PumpSketch.vue';
import { useOpenInAddress } from '@/shared/address/useDialogAddress';
import { api, inWords, taken } from '@/shared/api/client';
import { useArchive } from '@/shared/archive/useArchive';
import { when } from '@/shared/format';
import { useKeys } from '@/shared/keys/useKeys';
import EmptyPage from '@/shared/ui/EmptyPage.vue';
import ShellBar from '@/shared/ui/ShellBar.vue';
import VisitCard from '../due/VisitCard.vue';
import LifeLines from './LifeLines.vue';
import { dayWords, plate } from './lines';
import MeterForm from './MeterForm.vue';
import MeterList from './MeterList.vue';
import PartChangeForm from './PartChangeForm.vue';
import PatternList from './PatternList.vue';
import RunningForm from './RunningForm.vue';
import SwapForm from './SwapForm.vue';
import { useLife } from './useLife';

const NewCaseDialog = defineAsyncComponent(() => import('@/parts/NewCaseDialog.vue'));
const LifePlot = defineAsyncComponent(() => import('./LifePlot.vue'));
const YearsPlot = defineAsyncComponent(() => import('./YearsPlot.vue'));

/** The life of one pump: what it is, how long it ran, what was in it, what failed and what is due. */
const props = defineProps<{ id: string }>();
const router = useRouter();
const query = useQuery({
  queryKey: ['pump', props.id],
  queryFn: async () => taken(await api.GET('/api/pumps/{id}', { params: { path: { id: props.id } } })),
});
const pump = query.data;
const access = useLife(props.id);
const { life } = access;
const { putAway } = useArchive();
const adding = useOpenInAddress('new');
type Ask = 'meter' | 'part' | 'running' | 'swap';
const asked = ref<Ask>();
const titles = { meter: 'Hours on the meter', part: 'A part changed', running: 'How it runs', swap: 'Swap the pump' };
const hasLives = computed(() => life.value?.positions.some((p) => p.lives.length > 0));
const allDue = ref(false);
// Where nothing is on record, only the catalogue would speak.
const lived = computed(() => life.value?.lives.filter((l) => l.estimate.failures + l.estimate.censored > 0) ?? []);
const open = computed(() => life.value?.cases.filter((c) => !c.closedAt) ?? []);
const closed = computed(() => life.value?.cases.filter((c) => c.closedAt) ?? []);
const error = computed(() => (query.error.value ? inWords(query.error.value) : access.error.value));

useTitle(() => (pump.value ? `${pump.value.tag}: ${pump.value.name} · Mild Hunch` : 'Pump · Mild Hunch'));
useKeys([{ keys: 'a', says: 'A new case of this pump', run: () => (adding.value = true) }]);

function ask(what: Ask) {
  access.trouble.value = '';
  access.problems.value = {};
  asked.value = what;
}

const strokes = (n: number) =>
  n < 1e6 ? `${Math.round(n / 1000)} 000` : `${(n / 1e6).toFixed(n < 1e7 ? 1 : 0)} million`;

async function swapped(there: string) {
  asked.value = undefined;
  await router.push(`/pumps/${there}`);
}

async function away() {
  if (!pump.value) return;
  await putAway({ kind: 'pump', id: props.id, name: pump.value.tag });
  await router.push('/pumps');
}
</script>

<template>
  <div>
    <ShellBar />
    <main v-if="error && !life" class="sheet">
      <div role="alert">
        <h1 tabindex="-1">{{ error }}</h1>
      </div>
      <p class="ways">
        <RouterLink class="link" :to="`/pumps/${id}/edit`">Correct this pump</RouterLink>
        <RouterLink class="link" to="/pumps">All pumps</RouterLink>
      </p>
    </main>
    <main v-else-if="pump && life" class="sheet">
      <header>
        <span class="plate">{{ pump.tag }}</span>
        <div>
          <h1 tabindex="-1">{{ pump.name || pump.tag }}</h1>
          <p class="quiet">
            {{ pump.duty }}<template v-if="life.running.serial"> · No. {{ life.running.serial }}</template>
          </p>
          <p v-for="s in life.stoodAt" :key="`${s.tag}${s.until}`" class="quiet">
            No. {{ s.serial }} stood at {{ s.tag }} until {{ dayWords(s.until) }}.
          </p>
          <p v-for="s in life.before" :key="`${s.pumpId}${s.until}`" class="quiet">
            Here stood <RouterLink class="link" :to="`/pumps/${s.pumpId}`">No. {{ s.serial }}</RouterLink> until
            {{ dayWords(s.until) }}.
          </p>
        </div>
        <Button
          as="router-link"
          :to="`/pumps/${id}/bench`"
          severity="secondary"
          variant="outlined"
          label="On the bench"
        />
        <Button
          as="router-link"
          :to="`/pumps/${id}/service`"
          severity="secondary"
          variant="outlined"
          label="Service figures"
        />
        <Button as="router-link" :to="`/pumps/${id}/edit`" severity="secondary" variant="outlined" label="Correct" />
        <Button
          as="a"
          :href="`/api/pumps/${id}/label.svg`"
          target="_blank"
          severity="secondary"
          variant="outlined"
          label="Label"
        />
        <Button severity="secondary" variant="outlined" label="Swap" @click="ask('swap')" />
        <Button severity="secondary" variant="outlined" label="Put away" @click="away" />
        <Button @click="adding = true">New case <kbd>a</kbd></Button>
      </header>
      <Message v-for="c in life.conflicts" :key="c" severity="warn" :closable="false">
        Left out until somebody corrects it: {{ c }}
      </Message>
      <p v-if="access.trouble.value && !asked" class="problem" role="alert">{{ access.trouble.value }}</p>
      <div class="two">
        <div>
          <section aria-labelledby="lives">
            <div class="head">
              <h2 id="lives">What was in it, place by place</h2>
              <Button severity="secondary" variant="outlined" label="A part changed" @click="ask('part')" />
            </div>
            <LifeLines v-if="hasLives" :life="life" :today="life.today" @take-back="access.takeBack" />
            <EmptyPage v-else title="No part is on record yet">
              Parts that a closed case changed stand here along the years, and what you note from paper. Bars that are
              always short at one place show where to look.
              <template #start><Button label="Note the first part" @click="ask('part')" /></template>
            </EmptyPage>
          </section>
          <section v-if="life.patterns.length" aria-labelledby="patterns">
            <h2 id="patterns">Patterns</h2>
            <PatternList :patterns="life.patterns" />
            <p v-for="s in life.since" :key="s">{{ s }}</p>
          </section>
        </div>
        <div>
          <section aria-labelledby="hours">
            <div class="head">
              <h2 id="hours">Hours</h2>
              <Button severity="secondary" variant="outlined" label="The meter shows" @click="ask('meter')" />
              <Button severity="secondary" variant="outlined" label="How it runs" @click="ask('running')" />
            </div>
            <p v-if="life.hours.now !== null" class="now">
              <b class="figure">{{ Math.round(life.hours.now ?? 0) }} h</b>
              <span class="quiet"
                >today, {{ life.hours.perWeek }} h a week over the year<template v-if="life.hours.strokes"
                  >; about {{ strokes(life.hours.strokes) }} strokes</template
                ></span
              >
            </p>
            <p v-else class="quiet">No hours yet. Note what the meter shows, or how much it runs.</p>
            <MeterList :hours="life.hours" @take-back="access.takeMeterBack" />
            <p v-for="s in life.running.seasons ?? []" :key="s.name ?? ''" class="quiet">
              {{ s.name }}, {{ s.from }} to {{ s.to }}: {{ s.hoursPerWeek }} h a week{{
                s.mustRun ? ', must not stand' : ''
              }}
            </p>
          </section>
          <section aria-labelledby="due">
            <div class="head">
              <h2 id="due">Due</h2>
              <RouterLink class="link" to="/due">All pumps</RouterLink>
            </div>
            <VisitCard
              v-for="v in allDue ? life.due : life.due.slice(0, 3)"
              :key="v.on + v.says"
              :visit="v"
              :today="life.today"
            />
            <Button
              v-if="life.due.length > 3 && !allDue"
              severity="secondary"
              variant="outlined"
              :label="`${life.due.length - 3} more within a year`"
              @click="allDue = true"
            />
            <p v-if="life.due.length === 0" class="quiet">
              Nothing within a year, as far as is known. An interval stands with the service figures.
            </p>
          </section>
          <section aria-labelledby="cases">
            <div class="head">
              <h2 id="cases">Cases</h2>
              <a class="link" :href="`/api/pumps/${id}/export`" title="Plate, hours, parts and cases, for another shop"
                >Pump as a file</a
              >
            </div>
            <ul>
              <li v-for="c in open" :key="c.id">
                <RouterLink class="link" :to="`/cases/${c.id}`">{{ c.complaint }}</RouterLink>
                <span class="quiet">open, {{ when(c.openedAt) }}</span>
              </li>
              <li v-for="c in closed.slice(0, 12)" :key="c.id">
                <RouterLink class="link" :to="`/cases/${c.id}`">{{ c.complaint }}</RouterLink>
                <span class="quiet">closed {{ when(c.closedAt ?? c.openedAt) }}</span>
              </li>
            </ul>
            <p v-if="closed.length > 12" class="quiet">and {{ closed.length - 12 }} earlier ones</p>
            <p v-if="life.cases.length === 0" class="quiet">None yet.</p>
          </section>
        </div>
      </div>
      <div class="plots">
        <section v-if="lived.length" aria-label="Lives"><LifePlot :lives="lived" /></section>
        <section v-if="life.readings.length" aria-label="Readings"><YearsPlot :readings="life.readings" /></section>
        <section class="sketch" aria-labelledby="drawing">
          <h2 id="drawing">How it stands</h2>
          <PumpSketch inert :pump="pump.pump" :setup="pump.setup" :parts="{}" />
          <h3>Plate</h3>
          <p>{{ plate(pump.pump) }}</p>
          <template v-if="life.running.documents?.length">
            <h3>Papers</h3>
            <p v-for="d in life.running.documents" :key="d.name ?? ''">{{ d.name }}: {{ d.where }}</p>
          </template>
          <p v-if="life.running.commissioned" class="quiet">First run {{ dayWords(life.running.commissioned) }}.</p>
        </section>
      </div>
      <NewCaseDialog v-if="adding" v-model:visible="adding" :pump-id="id" />
      <Dialog
        v-if="asked"
        :visible="true"
        modal
        :header="titles[asked]"
        :style="{ width: asked === 'running' ? 'min(52rem, 96vw)' : 'min(30rem, 94vw)' }"
        @update:visible="asked = undefined"
      >
        <p v-if="access.trouble.value" class="problem" role="alert">{{ access.trouble.value }}</p>
        <SwapForm v-if="asked === 'swap'" :life="life" :access="access" @done="swapped" />
        <MeterForm
          v-else-if="asked === 'meter'"
          :id="id"
          :access="access"
          :today="life.today"
          @done="asked = undefined"
        />
        <PartChangeForm
          v-else-if="asked === 'part'"
          :id="id"
          :life="life"
          :access="access"
          :today="life.today"
          @done="asked = undefined"
        />
        <RunningForm v-else :id="id" :life="life" :access="access" @done="asked = undefined" />
      </Dialog>
    </main>
    <main v-else class="sheet"><p aria-live="polite">Fetching its record …</p></main>
  </div>
</template>

<style scoped>
.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem 1.25rem;
}

.sheet > header {
  flex-wrap: wrap;
  gap: 0.5rem 1rem;
}

header div {
  flex: 1 1 16rem;
}

header p {
  margin: 0;
}

.two {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 24rem);
  gap: 0.5rem 2rem;
  margin-top: 0.5rem;
}

.plots {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(22rem, 1fr));
  gap: 0.5rem 2rem;
}

section {
  margin-top: 0.5rem;
  padding-top: 0.4rem;
  border-top: 2px solid var(--ink);
}

.head {
  display: flex;
  flex-wrap: wrap;
  gap: 0.25rem 0.5rem;
  align-items: center;
}

.head h2 {
  margin-right: auto;
}

.now {
  display: flex;
  flex-wrap: wrap;
  gap: 0 0.75rem;
  align-items: baseline;
}

.now .figure {
  font-size: 1.5rem;
}

/* Too small to be read here; the case has them large. */
.sketch :deep(text) {
  display: none;
}

ul {
  margin: 0;
  padding: 0;
  list-style: none;
}

li {
  display: flex;
  flex-wrap: wrap;
  gap: 0 0.75rem;
  align-items: baseline;
}

p {
  margin: 0.15rem 0;
}

@media (max-width: 900px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
