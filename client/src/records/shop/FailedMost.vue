<script setup lang="ts">
import { computed } from 'vue';
import type { Schemas } from '@/shared/api/client';

/** What failed most, which pumps cost most, and from which causes. */
const props = defineProps<{ record: Schemas['ShopRecordResponse'] }>();
const most = computed(() => props.record.found[0]?.times ?? 1);
const dearest = computed(() => Math.max(...props.record.pumps.map((p) => p.cost ?? 0), 1));
const money = (value?: number | null) => (value ? `${Math.round(value)} ${props.record.currency}` : '');
</script>

<template>
  <section aria-labelledby="most">
    <h2 id="most">What failed most</h2>
    <ul>
      <li v-for="f in record.found.slice(0, 10)" :key="f.id">
        <span>{{ f.name }}</span>
        <span class="bar" :style="{ width: `${(100 * f.times) / most}%` }" />
        <span class="figure">{{ f.times }}</span>
      </li>
    </ul>
    <h3>By pump</h3>
    <ul>
      <li v-for="p in record.pumps.slice(0, 10)" :key="p.id">
        <span>
          <RouterLink class="link" :to="`/pumps/${p.id}`">{{ p.tag }}</RouterLink>
          <span class="quiet">{{ p.cases }} {{ p.cases === 1 ? 'case' : 'cases' }}, mostly {{ p.mostly }}</span>
        </span>
        <span class="bar" :style="{ width: `${(100 * (p.cost ?? 0)) / dearest}%` }" />
        <span class="figure">{{ money(p.cost) }}</span>
      </li>
    </ul>
    <template v-if="record.causes.length">
      <h3>By cause</h3>
      <ul>
        <li v-for="c in record.causes.slice(0, 8)" :key="c.finding">
          <span>{{ c.cause }}</span>
          <span class="quiet">{{ c.finding }}</span>
          <span class="figure">{{ c.times }}</span>
        </li>
      </ul>
    </template>
  </section>
</template>

<style scoped>
section {
  margin-top: 1rem;
  padding-top: 0.5rem;
  border-top: 2px solid var(--ink);
}

ul {
  margin: 0 0 0.5rem;
  padding: 0;
  list-style: none;
}

li {
  display: grid;
  grid-template-columns: minmax(10rem, 1.4fr) 1fr 5.5rem;
  gap: 0.75rem;
  align-items: center;
  min-height: 34px;
}

li .link {
  margin-right: 0.6rem;
}

.bar {
  height: 14px;
  border: 1px solid var(--water);
  background: var(--water-soft);
}

.figure {
  text-align: right;
}
</style>
