<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query';
import Button from 'primevue/button';
import { computed, ref, watch } from 'vue';
import { useRoute } from 'vue-router';
import { api, taken, type Figure, type Schemas } from '@/shared/api/client';
import ChoiceField from '@/shared/ui/ChoiceField.vue';
import FigureTile from '@/shared/ui/FigureTile.vue';
import WorkingDialog from '@/shared/ui/WorkingDialog.vue';
import PutIntoCase from './PutIntoCase.vue';
import SumFields from './SumFields.vue';
import { useSum } from './useSum';

/** One sum: type what you know, or fill it from a pump, and read the rest. */
const props = defineProps<{ sum: Schemas['SumDto'] }>();
const route = useRoute();
const pumps = useQuery({ queryKey: ['pumps'], queryFn: async () => taken(await api.GET('/api/pumps')) });
const { typed, results, problems, trouble, missing, fill } = useSum(props.sum);
const figure = ref<Figure>();
const telling = ref<Schemas['SumResultDto']>();
const pumpId = ref('');
const choices = computed(() => (pumps.data.value ?? []).map((p) => ({ value: p.id, text: `${p.tag} · ${p.name}` })));

async function fillFrom() {
  const pump = pumps.data.value?.find((p) => p.id === pumpId.value);
  if (pump) await fill(pump);
}

// Coming from a pump, its figures are there at once.
watch(
  () => pumps.data.value,
  (known) => {
    const from = route.query.pump;
    if (typeof from !== 'string' || !props.sum.fromPump || !known) return;
    pumpId.value = from;
    void fillFrom();
  },
  { immediate: true },
);
</script>

<template>
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
      :options="choices"
      @update:model-value="fillFrom"
    />
    <SumFields :sum="sum" :entries="typed.entries" :picks="typed.picks" :problems="problems" />
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
    <WorkingDialog :figure="figure" @close="figure = undefined" />
    <PutIntoCase :result="telling" @close="telling = undefined" />
  </section>
</template>

<style scoped>
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
</style>
