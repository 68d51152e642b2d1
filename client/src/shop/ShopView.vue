<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query';
import { useTitle } from '@vueuse/core';
import Button from 'primevue/button';
import Message from 'primevue/message';
import Textarea from 'primevue/textarea';
import { computed, ref } from 'vue';
import { api, inWords, problemsIn, taken, type Schemas } from '@/shared/api/client';
import DraftConflict from '@/shared/drafts/DraftConflict.vue';
import { useDraft } from '@/shared/drafts/useDraft';
import { forField, readNumber } from '@/shared/numbers';
import EntryField from '@/shared/ui/EntryField.vue';
import ShellBar from '@/shared/ui/ShellBar.vue';
import TextField from '@/shared/ui/TextField.vue';
import TakePumps from './TakePumps.vue';

/** What the shop is called, what it pays and charges; a copy of everything it knows. */
const client = useQueryClient();
const health = useQuery({ queryKey: ['health'], queryFn: async () => taken(await api.GET('/health')) });
const query = useQuery({ queryKey: ['shop'], queryFn: async () => taken(await api.GET('/api/shop')) });

const stored = (): Record<string, string> => {
  const shop = query.data.value;
  const figure = (n?: number | string | null) => forField(Number(n ?? 0));
  return shop
    ? {
        name: shop.name ?? '',
        currency: shop.currency ?? '',
        address: shop.address ?? '',
        letterhead: shop.letterhead ?? '',
        zone: shop.zone ?? '',
        workPerHour: figure(shop.workPerHour),
        energyPerKwh: figure(shop.energyPerKwh),
        waterPerM3: figure(shop.waterPerM3),
        replaceAbove: figure(shop.replaceAbove),
      }
    : {};
};
// A form kept before a field was added has it as it is stored.
const draft = useDraft('mild-hunch.shop', stored, (kept) => ({ ...stored(), ...kept }));
const { typed, conflict } = draft;
const fields = computed(() => [
  { name: 'workPerHour', label: 'An hour of work', unit: typed.value.currency },
  { name: 'energyPerKwh', label: 'A kilowatt hour', unit: typed.value.currency },
  { name: 'waterPerM3', label: 'A cubic metre of water', unit: typed.value.currency },
  { name: 'replaceAbove', label: 'Weigh a new pump from this share of its price on', unit: '' },
]);

const theirs = computed(() => {
  const shop = conflict.value ?? {};
  return [
    shop.name,
    shop.currency,
    shop.address,
    shop.letterhead,
    shop.zone,
    ...fields.value.map((f) => `${f.label}: ${shop[f.name]}`),
  ]
    .filter(Boolean)
    .join('; ');
});
const saved = ref(false);
const trouble = ref('');
const problems = ref<Record<string, string>>({});

async function keep() {
  const numbers = fields.value.map((f) => [f.name, readNumber(typed.value[f.name] ?? '')] as const);
  problems.value = Object.fromEntries(numbers.filter(([, n]) => n === null).map(([k]) => [k, 'A number, like 45.']));
  if (Object.keys(problems.value).length) return;
  const { name, currency, address, letterhead, zone } = typed.value;
  try {
    const version = query.data.value?.version;
    const body = {
      name,
      currency,
      address,
      letterhead,
      zone,
      version,
      ...Object.fromEntries(numbers),
    } as Schemas['ShopDto'];
    client.setQueryData(['shop'], taken(await api.PUT('/api/shop', { body })));
    draft.takeStored();
    trouble.value = '';
    saved.value = true;
    await client.invalidateQueries({ queryKey: ['health'] });
  } catch (error) {
    problems.value = problemsIn(error);
    trouble.value = inWords(error);
  }
}

useTitle('Shop · Mild Hunch');
</script>

<template>
  <div>
    <ShellBar />
    <main class="sheet">
      <h1 tabindex="-1">The shop</h1>
      <Message v-for="why in health.data.value?.why ?? []" :key="why" severity="warn" :closable="false">{{
        why
      }}</Message>
      <p v-if="query.error.value" role="alert" class="problem">{{ inWords(query.error.value) }}</p>
      <form v-if="query.data.value" class="fields" aria-label="The shop" @submit.prevent="keep" @input="saved = false">
        <TextField v-model="typed.name!" label="Name, as it stands on reports" :problem="problems.name" />
        <label class="letterhead">
          Address under the name
          <Textarea v-model="typed.letterhead!" rows="1" auto-resize maxlength="300" fluid />
          <span v-if="problems.letterhead" class="problem" role="alert">{{ problems.letterhead }}</span>
        </label>
        <TextField
          v-model="typed.zone!"
          label="Zone in which days are counted"
          placeholder="that of the machine; or Europe/Berlin"
          :problem="problems.zone"
        />
        <TextField v-model="typed.currency!" label="Currency" :problem="problems.currency" />
        <TextField
          v-model="typed.address!"
          label="Where it is reached in the shop, for labels"
          placeholder="http://workshop:5080"
          :problem="problems.address"
        />
        <EntryField
          v-for="f in fields"
          :key="f.name"
          v-model="typed[f.name]!"
          :label="f.label"
          :units="f.unit ? [f.unit] : []"
          :problem="problems[f.name]"
        />
        <DraftConflict
          v-if="conflict"
          class="across"
          what="the shop’s figures"
          :theirs="theirs"
          @theirs="draft.takeStored()"
          @mine="draft.keepMine()"
        />
        <p v-if="trouble" class="problem" role="alert">{{ trouble }}</p>
        <Button type="submit" :label="saved ? 'Kept' : 'Keep'" />
      </form>
      <h2>A copy of everything</h2>
      <p>
        All cases, pumps, photographs and the shop’s own knowledge in one file, as they are at this moment. One is kept
        every night beside the database; taking one back is told in the operations guide.
      </p>
      <p><a class="link" href="/api/backup">Fetch a backup</a></p>
      <h2>The list of pumps</h2>
      <p>As a table for a spreadsheet; the same table is taken in by another shop.</p>
      <div class="row">
        <a class="link" href="/api/pumps.csv">Fetch the list</a>
        <TakePumps />
      </div>
    </main>
  </div>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(17rem, 1fr));
  gap: 0.75rem 1.25rem;
  align-items: end;
  max-width: 60rem;
}

/* One line like the fields beside it; it grows with what is typed. */
.letterhead :deep(textarea) {
  min-height: 44px;
}

.across {
  grid-column: 1 / -1;
}

.row {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem 1.25rem;
  align-items: center;
}

h2 {
  margin-top: 2rem;
}

.link {
  display: inline-flex;
  align-items: center;
  min-height: 44px;
}
</style>
