<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query';
import { useTitle } from '@vueuse/core';
import Button from 'primevue/button';
import { computed, ref, watch } from 'vue';
import { useRoute } from 'vue-router';
import { api, inWords, taken, type Figure, type Schemas } from '@/shared/api/client';
import ChoiceField from '@/shared/ui/ChoiceField.vue';
import FigureTile from '@/shared/ui/FigureTile.vue';
import ShellBar from '@/shared/ui/ShellBar.vue';
import WorkingDialog from '@/shared/ui/WorkingDialog.vue';
import PutIntoCase from './PutIntoCase.vue';
import SumFields from './SumFields.vue';
import { useSum } from './useSum';

/** The everyday sums of the trade: pick one, type what you know, read the rest. */
const props = defineProps<{ id?: string }>();
const route = useRoute();
const sums = useQuery({
  queryKey: ['workings'],
  queryFn: async () => taken(await api.GET('/api/workings')),
  staleTime: Infinity,
});
const pumps = useQuery({ queryKey: ['pumps'], queryFn: async () => taken(await api.GET('/api/pumps')) });
const sum = computed(() => sums.data.value?.find((s) => s.id === props.id) ?? sums.data.value?.[0]);
const { entries, picks, results, problems, trouble, missing, fill } = useSum(sum);
const figure = ref<Figure>();
const telling = ref<Schemas['SumResultDto']>();
const pumpId = ref('');

useTitle(() => `${sum.value?.name ?? 'Sums'} · Workings · Mild Hunch`);

async function fillFrom() {
  const pump = pumps.data.value?.find((p) => p.id === pumpId.value);
  if (pump) await fill(pump);
}

// Coming from a pump, its figures are there at once.
watch(
  [() => pumps.data.value, sum],
  () => {
    const from = route.query.pump;
    if (typeof from !== 'string' || !sum.value?.fromPump || !pumps.data.value) return;
    pumpId.value = from;
    void fillFrom();
  },
  { immediate: true },
);
const to = (id: string) => ({ path: `/workings/${id}`, query: route.query });
</script>

<template>
  <div>
    <ShellBar />
    <main class="sheet">
      <h1 tabindex="-1">Workings</h1>
      <p v-if="sums.error.value" role="alert">{{ inWords(sums.error.value) }}</p>
      <div v-if="sum" class="room">
        <nav aria-label="Sums">
          <RouterLink
            v-for="s in sums.data.value"
            :key="s.id"
            class="sum"
            :class="{ here: s.id === sum.id }"
            :aria-current="s.id === sum.id ? 'page' : undefined"
            :to="to(s.id)"
            >{{ s.name }}</RouterLink
          >
        </nav>
        <section :aria-label="sum.name">
          <h2>{{ sum.name }}</h2>
          <p class="quiet">{{ sum.purpose }}</p>
          <p v-for="h in sum.hazards" :key="h" class="hazard">{{ h }}</p>
          <ChoiceField
            v-if="sum.fromPump"
            v-model="pumpId"
            class="from"
            label="Fill from a pump"
            placeholder="choose a pump"
            :options="(pumps.data.value ?? []).map((p) => ({ value: p.id, text: `${p.tag} · ${p.name}` }))"
            @update:model-value="fillFrom"
          />
          <SumFields :sum="sum" :entries="entries" :picks="picks" :problems="problems" />
          <p v-if="trouble" role="alert" class="problem">{{ trouble }}</p>
          <div class="results" role="status" aria-label="Result">
            <p v-if="!results.length && missing.length" class="quiet">
              Still needed: {{ missing.map((f) => f.name.toLowerCase()).join(', ') }}.
            </p>
            <div v-for="r in results" :key="r.figure.id" class="result">
              <FigureTile :figure="r.figure" @open="figure = $event" />
              <Button v-if="r.readings.length" severity="secondary" variant="outlined" @click="telling = r"
                >Put into a case<span class="sr-only">: {{ r.figure.name }}</span></Button
              >
            </div>
          </div>
        </section>
      </div>
      <WorkingDialog :figure="figure" @close="figure = undefined" />
      <PutIntoCase :result="telling" @close="telling = undefined" />
    </main>
  </div>
</template>

<style scoped>
.room {
  display: grid;
  grid-template-columns: 16rem minmax(0, 1fr);
  gap: 1rem 2rem;
  margin-top: 0.5rem;
}

nav {
  display: grid;
  gap: 4px;
  align-content: start;
}

.sum {
  display: flex;
  align-items: center;
  min-height: 44px;
  padding: 0.2rem 0.75rem;
  border: 1.5px solid var(--ink);
  border-radius: 4px;
  background: var(--card);
  color: var(--ink);
  text-decoration: none;
}

.sum.here {
  border-color: var(--water);
  background: var(--water);
  color: var(--on-strong);
}

.hazard {
  margin: 0.25rem 0 0.75rem;
  padding-left: 0.6rem;
  border-left: 4px solid var(--suspect);
}

.from {
  display: block;
  max-width: 26rem;
  margin: 0.5rem 0;
}

.results {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(14rem, 1fr));
  gap: 8px;
  margin-top: 1rem;
  min-height: 6rem;
}

.results > p {
  grid-column: 1 / -1;
}

.result {
  display: grid;
  gap: 4px;
  align-content: start;
}

@media (max-width: 760px) {
  .room {
    grid-template-columns: minmax(0, 1fr);
  }

  nav {
    display: flex;
    flex-wrap: wrap;
  }
}
</style>
