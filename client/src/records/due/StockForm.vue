<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query';
import Button from 'primevue/button';
import { ref } from 'vue';
import { api, inWords, problemsIn, taken, type Schemas } from '@/shared/api/client';
import { useDraft } from '@/shared/drafts/useDraft';
import { digits } from '@/shared/format';
import { forField, readNumber } from '@/shared/numbers';
import EntryField from '@/shared/ui/EntryField.vue';
import TextField from '@/shared/ui/TextField.vue';

/** What is on the shelf, counted: one name, how many, and from when on it is ordered. */
const client = useQueryClient();
const query = useQuery({ queryKey: ['stock'], queryFn: async () => taken(await api.GET('/api/stock')) });
const draft = useDraft('mild-hunch.stock', () => ({ name: '', inStock: '', reorderAt: '', shelf: '' }));
const { typed } = draft;
const editing = ref<Schemas['StockDto']>();
const trouble = ref('');
const problems = ref<Record<string, string>>({});

function edit(stock: Schemas['StockDto']) {
  editing.value = stock;
  typed.value = {
    name: stock.name ?? '',
    inStock: forField(stock.inStock ?? 0),
    reorderAt: forField(stock.reorderAt ?? 0),
    shelf: stock.shelf ?? '',
  };
}

async function again() {
  await client.invalidateQueries({ queryKey: ['stock'] });
  await client.invalidateQueries({ queryKey: ['due'] });
}

async function keep() {
  const [inStock, reorderAt] = [readNumber(typed.value.inStock), readNumber(typed.value.reorderAt || '0')];
  problems.value = {
    ...(inStock === null ? { inStock: 'How many, like 4.' } : {}),
    ...(reorderAt === null ? { reorderAt: 'How many, like 2.' } : {}),
  };
  if (inStock === null || reorderAt === null) return;
  try {
    const { name, shelf } = typed.value;
    const version = editing.value?.name === name ? editing.value.version : undefined;
    taken(await api.PUT('/api/stock', { body: { name, inStock, reorderAt, shelf: shelf || undefined, version } }));
    editing.value = undefined;
    trouble.value = '';
    draft.takeStored();
    await again();
  } catch (error) {
    problems.value = problemsIn(error);
    trouble.value = inWords(error);
    await again();
  }
}

async function remove(id: string) {
  taken(await api.DELETE('/api/stock/{id}', { params: { path: { id } } }));
  await again();
}
</script>

<template>
  <section aria-label="Stock">
    <ul v-if="query.data.value?.length">
      <li v-for="s in query.data.value" :key="s.id ?? ''">
        <span>{{ s.name }}</span>
        <span class="figure">{{ digits(s.inStock ?? 0) }}</span>
        <span class="quiet"
          >{{ s.reorderAt ? `order at ${digits(s.reorderAt)}` : '' }}{{ s.shelf ? ` · ${s.shelf}` : '' }}</span
        >
        <Button severity="secondary" variant="outlined" label="Count" @click="edit(s)" />
        <Button severity="secondary" variant="text" label="Remove" @click="remove(s.id ?? '')" />
      </li>
    </ul>
    <p v-else class="quiet">Nothing is counted yet. Name a kit as the service figures of its pump name it.</p>
    <form aria-label="Count a kit or part" @submit.prevent="keep">
      <TextField v-model="typed.name" label="Kit or part" :problem="problems.name" />
      <EntryField v-model="typed.inStock" label="On the shelf" :problem="problems.inStock" />
      <EntryField v-model="typed.reorderAt" label="Order at" :problem="problems.reorderAt" />
      <TextField v-model="typed.shelf" label="Shelf" :problem="problems.shelf" />
      <Button type="submit" label="Keep the count" />
    </form>
    <p v-if="trouble" class="problem" role="alert">{{ trouble }}</p>
  </section>
</template>

<style scoped>
ul {
  margin: 0;
  padding: 0;
  list-style: none;
}

li {
  display: grid;
  grid-template-columns: minmax(8rem, 1fr) 3rem minmax(6rem, 1fr) auto auto;
  gap: 0.5rem;
  align-items: center;
  border-bottom: 1px solid var(--line);
}

.figure {
  text-align: right;
}

form {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(9rem, 1fr));
  gap: 0.5rem;
  align-items: end;
  margin-top: 0.5rem;
}
</style>
