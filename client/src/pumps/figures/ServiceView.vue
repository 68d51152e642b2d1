<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query';
import { useTitle } from '@vueuse/core';
import Message from 'primevue/message';
import { computed } from 'vue';
import { api, inWords, taken } from '@/shared/api/client';
import ShellBar from '@/shared/ui/ShellBar.vue';
import ServiceFigures from './ServiceFigures.vue';

/** The maker's figures and the shop's own for the service of one pump. */
const props = defineProps<{ id: string }>();
const client = useQueryClient();
const pump = useQuery({
  queryKey: ['pump', props.id],
  queryFn: async () => taken(await api.GET('/api/pumps/{id}', { params: { path: { id: props.id } } })),
});
const sheets = useQuery({
  queryKey: computed(() => ['sheets', props.id, pump.data.value?.version]),
  queryFn: async () => taken(await api.GET('/api/pumps/{id}/sheets', { params: { path: { id: props.id } } })),
  enabled: computed(() => pump.data.value !== undefined),
  placeholderData: (before) => before,
});
const error = computed(() => pump.error.value ?? sheets.error.value);
useTitle(() => `${pump.data.value?.tag ?? 'Pump'}: service figures · Mild Hunch`);

async function again() {
  await client.invalidateQueries({ queryKey: ['pump', props.id] });
  await client.invalidateQueries({ queryKey: ['sheets', props.id] });
}
</script>

<template>
  <div>
    <ShellBar />
    <main class="sheet">
      <Message v-if="error" severity="error" :closable="false">{{ inWords(error) }}</Message>
      <ServiceFigures
        v-else-if="pump.data.value && sheets.data.value"
        :key="id"
        :pump="pump.data.value"
        :sheets="sheets.data.value"
        @saved="again"
      />
      <p v-else aria-live="polite">Fetching the figures …</p>
    </main>
  </div>
</template>
