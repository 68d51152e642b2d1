<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query';
import { useTitle } from '@vueuse/core';
import { computed } from 'vue';
import { useRoute } from 'vue-router';
import { api, inWords, taken } from '@/shared/api/client';
import ShellBar from '@/shared/ui/ShellBar.vue';
import SumSheet from './SumSheet.vue';

/** The everyday sums of the trade: pick one, type what you know, read the rest. */
const props = defineProps<{ id?: string }>();
const route = useRoute();
const sums = useQuery({
  queryKey: ['workings'],
  queryFn: async () => taken(await api.GET('/api/workings')),
  staleTime: Infinity,
});
const sum = computed(() => sums.data.value?.find((s) => s.id === props.id) ?? sums.data.value?.[0]);

useTitle(() => `${sum.value?.name ?? 'Sums'} · Workings · Mild Hunch`);
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
        <SumSheet :key="sum.id" :sum="sum" />
      </div>
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
