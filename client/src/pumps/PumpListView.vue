<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query';
import { api, inWords, taken } from '@/shared/api/client';
import { quantity } from '@/shared/format';
import ShellBar from '@/shared/ui/ShellBar.vue';

const pumps = useQuery({ queryKey: ['pumps'], queryFn: async () => taken(await api.GET('/api/pumps')) });
</script>

<template>
  <div>
    <ShellBar />
    <main class="sheet">
      <header>
        <h1>Pumps</h1>
        <RouterLink class="tap on" to="/pumps/new">New pump</RouterLink>
      </header>
      <p v-if="pumps.error.value" role="alert">{{ inWords(pumps.error.value) }}</p>
      <p v-else-if="pumps.data.value?.length === 0">No pumps yet. A type plate is enough to begin.</p>
      <RouterLink v-for="p in pumps.data.value" :key="p.id" class="pump" :to="`/pumps/${p.id}`">
        <span class="plate">{{ p.tag }}</span>
        <span
          ><b>{{ p.name }}</b> <span class="quiet">{{ p.duty }}</span></span
        >
        <span class="figure">{{ p.pump.ratedPressure ? quantity(p.pump.ratedPressure) : '' }}</span>
      </RouterLink>
    </main>
  </div>
</template>

<style scoped>
.pump {
  display: grid;
  grid-template-columns: 7rem 1fr auto;
  gap: 1rem;
  align-items: center;
  min-height: 60px;
  border-top: 1.5px solid var(--line);
  color: var(--ink);
  text-decoration: none;
}
</style>
