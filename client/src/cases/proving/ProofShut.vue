<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core';
import Button from 'primevue/button';
import SelectButton from 'primevue/selectbutton';
import { computed, ref } from 'vue';
import { quantity } from '@/shared/format';
import { spoken } from '@/shared/units/useUnits';
import QuantityFields from './QuantityFields.vue';
import { useQuantities, type AskedQuantity } from './useQuantities';
import type { ProofAccess, ProofStage } from './useProof';

/** The outlet shut: how far it spikes, what it loses, how it starts again. */
const props = defineProps<{ caseId: string; stage: ProofStage; access: ProofAccess }>();

const read = computed(() => props.access.proof.value.shuts[props.stage.id]);
const asked = computed<AskedQuantity[]>(() => [
  { name: 'spike', label: 'Spike as it shuts', units: [spoken('bar')] },
  { name: 'from', label: 'Then it stands at', units: [spoken('bar')] },
  { name: 'early', label: 'After a while at, if read', units: [spoken('bar')] },
  { name: 'after', label: 'Seconds until then', units: ['s'] },
  { name: 'to', label: 'And at last at', units: [spoken('bar')] },
  { name: 'seconds', label: 'Seconds in all', units: ['s'] },
]);
const typed = useQuantities(
  () => `${props.caseId}.${props.stage.id}`,
  () => asked.value,
);
const restart = useLocalStorage<'easy' | 'hard' | ''>(`mild-hunch.proof.${props.caseId}.${props.stage.id}.restart`, '');
const gauge = useLocalStorage<'hose' | 'head' | ''>(`mild-hunch.proof.${props.caseId}.${props.stage.id}.gauge`, '');
const tried = ref(false);

async function note() {
  tried.value = true;
  if (!typed.ready.value) return;
  const { spike, from, early, after, to, seconds } = typed.values.value;
  const told = {
    spike,
    from,
    to,
    seconds: seconds?.value,
    falls: early && after ? [{ seconds: after.value, pressure: early }] : undefined,
    gauge: gauge.value || undefined,
    restart: restart.value || undefined,
  };
  if (await props.access.shut(props.stage.id, told)) {
    typed.clear();
    restart.value = '';
    gauge.value = '';
    tried.value = false;
  }
}
</script>

<template>
  <div v-if="read" class="noted">
    <p v-for="s in stage.shut" :key="s">{{ s }}</p>
    <p class="quiet">
      <template v-if="read.spike">Spike {{ quantity(read.spike) }}. </template>
      <template v-if="read.from && read.to"
        >{{ quantity(read.from) }} to {{ quantity(read.to) }} in {{ read.seconds }} s. </template
      >Read by {{ read.by }}.
    </p>
  </div>
  <form class="shut" aria-label="Outlet shut" @submit.prevent="note">
    <p>
      Shut it with the gauge in view, and watch it for {{ stage.seconds }} s.
      <template v-if="stage.namesGauge"
        >The head falls to bypass when all is well: what must hold is the hose side.</template
      >
    </p>
    <div v-if="stage.namesGauge" role="group" aria-label="Which gauge">
      <span>Which gauge is read:</span>
      <SelectButton
        v-model="gauge"
        :options="[
          { value: 'hose', text: 'hose side' },
          { value: 'head', text: 'head' },
        ]"
        option-label="text"
        option-value="value"
        aria-label="Which gauge"
      />
    </div>
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

.shut > [role='group'] {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.3rem 0.75rem;
}

p {
  margin: 0;
}
</style>
