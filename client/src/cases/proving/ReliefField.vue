<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query';
import Button from 'primevue/button';
import { computed, ref } from 'vue';
import { api, inWords, problemsIn, taken, type CaseResource } from '@/shared/api/client';
import { spoken } from '@/shared/units/useUnits';
import QuantityFields from './QuantityFields.vue';
import { useQuantities, type AskedQuantity } from './useQuantities';

/** What is missing on record before an outlet may be shut, asked where it is missed. */
const props = defineProps<{ data: CaseResource }>();

const drive = computed(() => props.data.pump.pump.arrangement === 'intensifier');
const asked = computed<AskedQuantity[]>(() => [
  {
    name: 'limit',
    label: drive.value ? 'Oil pressure at which its drive holds back' : 'Relief valve, set to (its plate)',
    units: [spoken('bar')],
    required: true,
  },
]);
const typed = useQuantities(
  () => `${props.data.id}.relief`,
  () => asked.value,
);
const tried = ref(false);
const trouble = ref('');
const queries = useQueryClient();

async function note() {
  tried.value = true;
  const limit = typed.values.value.limit;
  if (!typed.ready.value || !limit) return;
  const { id, tag, name, duty, pump, setup, version } = props.data.pump;
  try {
    taken(
      await api.PUT('/api/pumps/{id}', {
        params: { path: { id } },
        headers: { 'If-Match': `"${version}"` },
        body: { tag, name, duty, pump, setup: { ...setup, [drive.value ? 'oilPressure' : 'relief']: limit } },
      }),
    );
    trouble.value = '';
    typed.clear();
    await queries.invalidateQueries();
  } catch (error) {
    trouble.value = Object.values(problemsIn(error)).join(' ') || inWords(error);
  }
}
</script>

<template>
  <form class="relief" aria-label="What is missing on record" @submit.prevent="note">
    <QuantityFields :asked="asked" :from="typed" :tried="tried" />
    <p v-if="trouble" class="problem" role="alert">{{ trouble }}</p>
    <Button type="submit" severity="secondary" variant="outlined" label="Note it on the pump" />
  </form>
</template>

<style scoped>
.relief {
  display: grid;
  gap: 0.4rem;
  justify-items: start;
}

p {
  margin: 0;
}
</style>
