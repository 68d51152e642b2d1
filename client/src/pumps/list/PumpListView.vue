<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query';
import { useTitle } from '@vueuse/core';
import Button from 'primevue/button';
import { ref } from 'vue';
import { useRouter } from 'vue-router';
import { api, inWords, taken } from '@/shared/api/client';
import { useArchive } from '@/shared/archive/useArchive';
import { quantity } from '@/shared/format';
import { useKeys } from '@/shared/keys/useKeys';
import EmptyPage from '@/shared/ui/EmptyPage.vue';
import ShellBar from '@/shared/ui/ShellBar.vue';

const router = useRouter();
const away = ref(false);
const pumps = useQuery({
  queryKey: ['pumps', 'list', away],
  queryFn: async () => taken(await api.GET('/api/pumps', { params: { query: { archived: away.value } } })),
});
const { bringBack } = useArchive();

useTitle('Pumps · Mild Hunch');
useKeys([{ keys: 'a', says: 'A new pump', run: () => void router.push('/pumps/new') }]);
</script>

<template>
  <div>
    <ShellBar />
    <main class="sheet">
      <header>
        <h1 tabindex="-1">Pumps</h1>
        <Button as="router-link" to="/pumps/new">New pump <kbd>a</kbd></Button>
      </header>
      <p v-if="pumps.error.value" role="alert">{{ inWords(pumps.error.value) }}</p>
      <p v-else-if="pumps.data.value?.length === 0 && away" class="quiet">No pump is put away.</p>
      <EmptyPage v-else-if="pumps.data.value?.length === 0" title="No pumps yet">
        Every pump of the shop stands here once: its type plate, how it is run, what it should show, and its cases. A
        type plate is enough to begin; what it does not say is assumed, and said so.
        <template #start><Button as="router-link" to="/pumps/new" label="Add the first pump" /></template>
      </EmptyPage>
      <ul>
        <li v-for="p in pumps.data.value" :key="p.id">
          <RouterLink class="pump" :to="`/pumps/${p.id}`">
            <span class="plate">{{ p.tag }}</span>
            <span
              ><b>{{ p.name }}</b> <span class="quiet">{{ p.duty }}</span></span
            >
            <span class="figure">{{ p.pump.ratedPressure ? quantity(p.pump.ratedPressure) : '' }}</span>
          </RouterLink>
          <Button
            v-if="away"
            label="bring back"
            variant="text"
            severity="secondary"
            :aria-label="`Bring back ${p.tag}`"
            @click="bringBack({ kind: 'pump', id: p.id, name: p.tag })"
          />
        </li>
      </ul>
      <Button
        v-if="pumps.data.value"
        variant="text"
        severity="secondary"
        class="away"
        :label="away ? 'Back to the pumps' : 'Pumps put away'"
        @click="away = !away"
      />
    </main>
  </div>
</template>

<style scoped>
ul {
  margin: 0;
  padding: 0;
  list-style: none;
}

li {
  display: flex;
  align-items: center;
  border-top: 1.5px solid var(--line);
}

.pump {
  display: grid;
  flex: 1;
  grid-template-columns: 7rem 1fr auto;
  gap: 1rem;
  align-items: center;
  min-height: 60px;
  color: var(--ink);
  text-decoration: none;
}

.figure {
  white-space: nowrap;
}

.away {
  margin: 1rem 0 0 -0.75rem;
}
</style>
