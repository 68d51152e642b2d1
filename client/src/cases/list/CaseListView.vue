<script setup lang="ts">
import { keepPreviousData, useQuery } from '@tanstack/vue-query';
import { useTitle } from '@vueuse/core';
import Button from 'primevue/button';
import { computed, defineAsyncComponent, ref } from 'vue';
import { useOpenInAddress } from '@/shared/address/useDialogAddress';
import { api, inWords, taken } from '@/shared/api/client';
import { useKnowledge } from '@/shared/api/useKnowledge';
import { useArchive } from '@/shared/archive/useArchive';
import { useKeys } from '@/shared/keys/useKeys';
import EmptyPage from '@/shared/ui/EmptyPage.vue';
import ShellBar from '@/shared/ui/ShellBar.vue';
import CaseLine from './CaseLine.vue';
import ImportCase from './ImportCase.vue';

// Fetched when a case is opened, not with the list.
const NewCaseDialog = defineAsyncComponent(() => import('@/parts/NewCaseDialog.vue'));

const step = 100;
const most = 500;
const take = ref(step);
const inAll = ref(0);
const away = ref(false);
const cases = useQuery({
  queryKey: ['cases', 'list', take, away],
  queryFn: async () => {
    const answer = await api.GET('/api/cases', { params: { query: { take: take.value, archived: away.value } } });
    inAll.value = Number(answer.response.headers.get('X-Total-Count') ?? 0);
    return taken(answer);
  },
  placeholderData: keepPreviousData,
});
const { data: knowledge } = useKnowledge();
const { putAway, bringBack } = useArchive();
const adding = useOpenInAddress('new');
const open = computed(() => cases.data.value?.filter((c) => !c.closed) ?? []);
const closed = computed(() => cases.data.value?.filter((c) => c.closed) ?? []);
const groups = computed(() =>
  [
    { title: away.value ? 'Put away' : 'Open', cases: open.value },
    { title: away.value ? 'Put away, closed' : 'Closed', cases: closed.value },
  ].filter((g) => g.cases.length),
);
const empty = computed(() => cases.data.value?.length === 0);

useTitle('Cases · Mild Hunch');
useKeys([{ keys: 'a', says: 'A new case', run: () => (adding.value = true) }]);
</script>

<template>
  <div>
    <ShellBar />
    <main class="sheet">
      <header>
        <h1 tabindex="-1">Cases</h1>
        <ImportCase class="import" />
        <Button @click="adding = true">New case <kbd>a</kbd></Button>
      </header>
      <template v-for="own in knowledge ? [knowledge.shopFile, knowledge.shopSheets] : []" :key="own.name">
        <p v-if="own.trouble" role="alert" class="problem">{{ own.name }} is not in force: {{ own.trouble }}</p>
      </template>
      <p v-if="cases.error.value" role="alert">{{ inWords(cases.error.value) }}</p>
      <p v-else-if="cases.isPending.value" aria-live="polite">Fetching the cases …</p>
      <EmptyPage v-else-if="empty && !away" title="No cases yet">
        A case is one complaint about one pump: what was said, what was measured and seen, who is suspected, what was
        found. Say what is wrong, tap the first reading onto the drawing, and the first hunch is there.
        <template #start><Button label="Open the first case" @click="adding = true" /></template>
      </EmptyPage>
      <p v-else-if="empty" class="quiet">Nothing is put away.</p>
      <section v-for="group in groups" :key="group.title" :aria-label="group.title">
        <h2>{{ group.title }}</h2>
        <div v-for="c in group.cases" :key="c.id" class="row">
          <CaseLine :line="c" />
          <Button
            :label="away ? 'bring back' : 'put away'"
            variant="text"
            severity="secondary"
            :aria-label="`${away ? 'Bring back' : 'Put away'}: ${c.tag}, ${c.complaint}`"
            @click="(away ? bringBack : putAway)({ kind: 'case', id: c.id, name: c.complaint })"
          />
        </div>
      </section>
      <p v-if="cases.data.value && inAll > cases.data.value.length" class="more">
        {{ cases.data.value.length }} of {{ inAll }} cases.
        <Button
          v-if="take < most"
          severity="secondary"
          variant="outlined"
          label="Show more"
          @click="take = Math.min(most, take + step)"
        />
      </p>
      <Button
        v-if="cases.data.value"
        variant="text"
        severity="secondary"
        class="away"
        :label="away ? 'Back to the cases' : 'Cases put away'"
        @click="away = !away"
      />
    </main>
    <NewCaseDialog v-if="adding" v-model:visible="adding" />
  </div>
</template>

<style scoped>
section h2 {
  margin: 1rem 0 0.25rem;
  color: var(--ink-2);
}

.row {
  display: flex;
  align-items: center;
  border-top: 1.5px solid var(--line);
}

.row > .p-button {
  flex: none;
  white-space: nowrap;
}

.away {
  margin: 1rem 0 0 -0.75rem;
}
</style>
