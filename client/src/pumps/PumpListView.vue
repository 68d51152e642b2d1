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
    <main>
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
main {
  max-width: 60rem;
  margin: 0 auto;
  padding: 1rem;
}

header {
  display: flex;
  align-items: center;
  justify-content: space-between;
}

header .tap {
  display: inline-flex;
  align-items: center;
  text-decoration: none;
}

h1 {
  font-size: 1.75rem;
}

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

.plate {
  justify-self: start;
  padding: 0.3rem 0.6rem;
  background: var(--ink);
  color: var(--paper);
  font-family: var(--font-tag);
  font-weight: 600;
  font-size: 1.125rem;
}
</style>
