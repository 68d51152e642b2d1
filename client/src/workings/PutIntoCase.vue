<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query';
import Button from 'primevue/button';
import Dialog from 'primevue/dialog';
import { computed, ref, watch } from 'vue';
import { useRouter } from 'vue-router';
import { api, inWords, taken, type Schemas } from '@/shared/api/client';
import { useKnowledge } from '@/shared/api/useKnowledge';
import { quantity } from '@/shared/format';
import ChoiceField from '@/shared/ui/ChoiceField.vue';

/** Tells a worked-out figure to an open case, as the reading it is, with the uncertainty its band gives it. */
const props = defineProps<{ result?: Schemas['SumResultDto'] }>();
const emit = defineEmits<{ close: [] }>();
const router = useRouter();
const client = useQueryClient();
const knowledge = useKnowledge();
const visible = computed({ get: () => props.result !== undefined, set: (v) => !v && emit('close') });
const cases = useQuery({ queryKey: ['cases'], queryFn: async () => taken(await api.GET('/api/cases')) });
const open = computed(() => cases.data.value?.filter((c) => !c.closed) ?? []);
const caseId = ref('');
const reading = ref('');
const problem = ref('');
const nameOf = (id: string) => knowledge.data.value?.observables.find((o) => o.id === id)?.name ?? id;

watch(
  () => props.result,
  (now) => {
    reading.value = now?.readings[0] ?? '';
    problem.value = '';
  },
);

async function tell() {
  const result = props.result;
  if (!result) return;
  try {
    const path = { id: caseId.value };
    const now = taken(await api.GET('/api/cases/{id}', { params: { path } }));
    const { value, low, high } = result.figure;
    const sigma = (high.value - low.value) / 4;
    const told = {
      quantity: reading.value,
      value,
      uncertainty: sigma > 0 ? { value: sigma, unit: value.unit } : null,
    };
    const body = { says: `${nameOf(reading.value)}, worked out: ${quantity(value)}`, readings: [told] };
    const changed = await api.POST('/api/cases/{id}/changes', {
      params: { path },
      body,
      headers: { 'If-Match': `"${now.version}"` },
    });
    client.setQueryData(['case', caseId.value], taken(changed));
    await client.invalidateQueries({ queryKey: ['cases'] });
    emit('close');
    await router.push(`/cases/${caseId.value}`);
  } catch (error) {
    problem.value = inWords(error);
  }
}
</script>

<template>
  <Dialog v-model:visible="visible" modal header="Put into a case" :style="{ width: 'min(32rem, 94vw)' }">
    <form v-if="result" @submit.prevent="tell">
      <p class="value figure">{{ quantity(result.figure.value) }}</p>
      <ChoiceField
        v-model="reading"
        label="As the reading"
        :options="result.readings.map((r) => ({ value: r, text: nameOf(r) }))"
      />
      <ChoiceField
        v-model="caseId"
        label="In the case"
        placeholder="choose an open case"
        :options="open.map((c) => ({ value: c.id, text: `${c.tag} · ${c.complaint}` }))"
      />
      <p v-if="problem" role="alert" class="problem">{{ problem }}</p>
      <Button type="submit" label="Note in the case" :disabled="!caseId" />
    </form>
  </Dialog>
</template>

<style scoped>
form {
  display: grid;
  gap: 0.75rem;
}

.value {
  margin: 0;
  font-size: 1.75rem;
}
</style>
