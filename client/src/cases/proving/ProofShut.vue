<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core';
import Button from 'primevue/button';
import SelectButton from 'primevue/selectbutton';
import { computed, ref } from 'vue';
import { quantity } from '@/shared/format';
import { spoken } from '@/shared/units/useUnits';
import QuantityFields from './QuantityFields.vue';
import { useQuantities, type AskedQuantity } from './useQuantities';
import type { ProofAccess } from './useProof';

/** The outlet shut: how far it spikes, what it loses, how it starts again. */
const props = defineProps<{ caseId: string; access: ProofAccess }>();

const read = computed(() => props.access.proof.value.shut);
const asked = computed<AskedQuantity[]>(() => [
  { name: 'running', label: 'Running, before', units: [spoken('bar')] },
  { name: 'spike', label: 'Spike as it shuts', units: [spoken('bar')] },
  { name: 'from', label: 'Then it stands at', units: [spoken('bar')] },
  { name: 'to', label: 'And later at', units: [spoken('bar')] },
  { name: 'seconds', label: 'Seconds between', units: ['s'] },
]);
const typed = useQuantities(
  () => `${props.caseId}.shut`,
  () => asked.value,
);
const restart = useLocalStorage<'easy' | 'hard' | ''>(`mild-hunch.proof.${props.caseId}.restart`, '');
const tried = ref(false);

async function note() {
  tried.value = true;
  if (!typed.ready.value) return;
  const { running, spike, from, to, seconds } = typed.values.value;
  const told = { running, spike, from, to, seconds: seconds?.value, restart: restart.value || undefined };
  if (await props.access.shut(told)) {
    typed.clear();
    restart.value = '';
    tried.value = false;
  }
}
</script>

<template>
  <div v-if="read" class="noted">
    <p v-for="s in access.view.value?.shut" :key="s">{{ s }}</p>
    <p class="quiet">
      <template v-if="read.spike">Spike {{ quantity(read.spike) }}. </template>
      <template v-if="read.from && read.to"
        >{{ quantity(read.from) }} to {{ quantity(read.to) }} in {{ read.seconds }} s. </template
      >Read by {{ read.by }}.
    </p>
  </div>
  <form class="shut" aria-label="Outlet shut" @submit.prevent="note">
    <p>Shut it with the gauge in view. Motor running behind an unloader; the hose side is what must hold.</p>
    <QuantityFields :asked="asked" :from="typed" :tried="tried" />
    <div role="group" aria-label="Starting again">
      <span>Started again with the outlet open:</span>
      <SelectButton v-model="restart" :options="['easy', 'hard']" aria-label="Starting again" />
    </div>
    <Button type="submit" :label="read ? 'Note it anew' : 'Note what it shows'" />
  </form>
</template>

<style scoped>
.shut,
.noted {
  display: grid;
  gap: 0.45rem;
}

.noted {
  padding-left: 0.6rem;
  border-left: 5px solid var(--water);
}

p {
  margin: 0;
}
</style>
