<script setup lang="ts">
import { useMutation, useQuery, useQueryClient } from '@tanstack/vue-query';
import { useTitle } from '@vueuse/core';
import Button from 'primevue/button';
import ConfirmPopup from 'primevue/confirmpopup';
import { useConfirm } from 'primevue/useconfirm';
import { computed, defineAsyncComponent } from 'vue';
import { api, inWords, taken } from '@/shared/api/client';
import { useKnowledge } from '@/shared/api/useKnowledge';
import { when } from '@/shared/format';
import EmptyPage from '@/shared/ui/EmptyPage.vue';
import ShellBar from '@/shared/ui/ShellBar.vue';
import UnreadPumps from '@/shared/ui/UnreadPumps.vue';
import PatternList from '../life/PatternList.vue';
import FailedMost from './FailedMost.vue';

const HunchPlot = defineAsyncComponent(() => import('./HunchPlot.vue'));

/** What closed cases turned out to be, by type of pump: it moves what is suspected first, so it is shown, and can be set back. */
const client = useQueryClient();
const history = useQuery({ queryKey: ['history'], queryFn: async () => taken(await api.GET('/api/history')) });
const record = useQuery({ queryKey: ['record'], queryFn: async () => taken(await api.GET('/api/record')) });
const { data: knowledge } = useKnowledge();
const ask = useConfirm();
const reset = useMutation({
  mutationFn: async (pumpType: string) =>
    taken(await api.DELETE('/api/history/{pumpType}', { params: { path: { pumpType } } })),
  onSuccess: () => client.invalidateQueries(),
});
const trouble = computed(() => (reset.error.value ? inWords(reset.error.value) : ''));

useTitle('Record of the shop · Mild Hunch');

const words: Record<string, string> = {
  'crank-plunger': 'crank plunger pumps',
  'flow-through': 'flow-through pumps',
  axial: 'axial piston pumps',
  'twin-piston': 'twin piston pumps',
  intensifier: 'intensifiers',
};

const money = (value: number) => `${Math.round(value)} ${record.data.value?.currency ?? ''}`;

function typeName(type: string): string {
  const at = type.lastIndexOf('-');
  const cylinders = Number(type.slice(at + 1));
  const each = type.startsWith('intensifier') ? 'ends' : cylinders === 1 ? 'cylinder' : 'cylinders';
  return `${words[type.slice(0, at)] ?? type.slice(0, at)}, ${cylinders} ${each}`;
}

function confirm(type: string, event: Event) {
  ask.require({
    target: event.currentTarget as HTMLElement,
    message: `Findings so far of ${typeName(type)} would no longer count. The cases stay.`,
    acceptProps: { label: 'Yes, start afresh' },
    rejectProps: { label: 'No', severity: 'secondary', variant: 'outlined' },
    accept: () => reset.mutate(type),
  });
}
</script>

<template>
  <div>
    <ShellBar />
    <main class="record">
      <h1 tabindex="-1">Record of the shop</h1>
      <UnreadPumps :pumps="record.data.value?.unread" />
      <template v-if="record.data.value && record.data.value.cases > 0">
        <p>
          Two years, {{ record.data.value.cases }} closed {{ record.data.value.cases === 1 ? 'case' : 'cases'
          }}{{ record.data.value.cost ? `, ${money(record.data.value.cost)} of labour and parts` : '' }}.
          <a class="link" href="/api/record.csv">As a table</a>
        </p>
        <section aria-labelledby="told">
          <h2 id="told">Patterns</h2>
          <PatternList :patterns="record.data.value.patterns" with-pump />
        </section>
        <div class="pair">
          <FailedMost :record="record.data.value" />
          <section aria-labelledby="hunches">
            <h2 id="hunches">How often the hunch was right</h2>
            <HunchPlot v-if="record.data.value.judged" :record="record.data.value" />
            <p v-if="record.data.value.timed" class="quiet">
              {{ Math.round(record.data.value.minutesTaken) }} minutes taken for
              {{ Math.round(record.data.value.minutesPlanned) }} planned, over {{ record.data.value.timed }} cases gone
              through step by step.
            </p>
          </section>
        </div>
        <h2>What was found, by type of pump</h2>
      </template>
      <p>
        What was found in closed cases speaks for the next pump of the same type, louder as it grows. Until forty cases
        the catalogue speaks louder.
      </p>
      <p v-if="trouble" role="alert" class="problem">{{ trouble }}</p>
      <EmptyPage v-if="history.data.value?.length === 0" title="No case has been closed yet">
        When a case is closed with what it turned out to be, it stands here by type of pump, and the next pump of that
        type is suspected accordingly.
        <template #start><Button as="router-link" to="/cases" label="To the cases" /></template>
      </EmptyPage>
      <section v-for="t in history.data.value" :key="t.pumpType" :aria-label="typeName(t.pumpType)">
        <header>
          <h2>{{ typeName(t.pumpType) }}</h2>
          <span class="quiet"
            >{{ t.cases }} {{ t.cases === 1 ? 'finding' : 'findings'
            }}<template v-if="t.since"> since {{ when(t.since) }}</template></span
          >
          <Button severity="secondary" variant="outlined" label="Start afresh" @click="confirm(t.pumpType, $event)" />
        </header>
        <ul>
          <li v-for="f in t.found" :key="f.fault">
            <span>{{ f.name }}</span>
            <span class="bar" :style="{ width: `${(100 * f.times) / (t.found[0]?.times ?? 1)}%` }" />
            <span class="figure">{{ f.times }}</span>
          </li>
        </ul>
      </section>
      <section v-if="knowledge" aria-label="The shop’s own knowledge">
        <h2>The shop’s own knowledge</h2>
        <template v-for="own in [knowledge.shopFile, knowledge.shopSheets]" :key="own.name">
          <p v-if="own.trouble" role="alert" class="problem">{{ own.name }} is not in force: {{ own.trouble }}</p>
          <p v-else-if="own.inUse">{{ own.name }} is in force.</p>
        </template>
        <p v-if="!knowledge.shopFile.inUse && !knowledge.shopFile.trouble" class="quiet">
          A file {{ knowledge.shopFile.name }} in the data folder adds faults, cues and checks of your own.
        </p>
        <p v-if="!knowledge.shopSheets.inUse && !knowledge.shopSheets.trouble" class="quiet">
          A file {{ knowledge.shopSheets.name }} beside it adds or changes service sheets.
        </p>
      </section>
    </main>
    <ConfirmPopup />
  </div>
</template>

<style scoped>
.pair {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(22rem, 1fr));
  gap: 0 2rem;
}

.record {
  max-width: 76rem;
  margin: 0 auto;
  padding: 1rem;
}

header {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem 1rem;
  align-items: center;
}

header .p-button {
  margin-left: auto;
}

h2::first-letter {
  text-transform: uppercase;
}

section {
  margin-top: 1rem;
  padding-top: 0.5rem;
  border-top: 2px solid var(--ink);
}

ul {
  margin: 0;
  padding: 0;
  list-style: none;
}

li {
  display: grid;
  grid-template-columns: minmax(12rem, 20rem) 1fr 3rem;
  gap: 1rem;
  align-items: center;
  min-height: 32px;
}

.bar {
  height: 12px;
  background: var(--water);
}

.figure {
  text-align: right;
}
</style>
