<script setup lang="ts">
import { keepPreviousData, useQuery } from '@tanstack/vue-query';
import { computed, ref } from 'vue';
import { api, inWords, taken, type CaseSummary } from '@/shared/api/client';
import { percent, when } from '@/shared/format';
import { useKnowledge } from '@/shared/api/useKnowledge';
import { useKeys } from '@/shared/keys/useKeys';
import ShellBar from '@/shared/ui/ShellBar.vue';
import SuspicionBar from '@/shared/ui/SuspicionBar.vue';
import NewCaseDialog from './NewCaseDialog.vue';
import { asStage, stageNames, stages } from './stages';

const step = 100;
const most = 500;
const take = ref(step);
const inAll = ref(0);
const cases = useQuery({
  queryKey: ['cases', take],
  queryFn: async () => {
    const answer = await api.GET('/api/cases', { params: { query: { take: take.value } } });
    inAll.value = Number(answer.response.headers.get('X-Total-Count') ?? 0);
    return taken(answer);
  },
  placeholderData: keepPreviousData,
});
const { data: knowledge } = useKnowledge();
const adding = ref(false);
const open = computed(() => cases.data.value?.filter((c) => !c.closed) ?? []);
const closed = computed(() => cases.data.value?.filter((c) => c.closed) ?? []);
const groups = computed(() => [
  { title: 'Open', cases: open.value },
  ...(closed.value.length ? [{ title: 'Closed', cases: closed.value }] : []),
]);

const reached = (c: CaseSummary) => stages.indexOf(asStage(c.stage));

useKeys([{ keys: 'a', says: 'A new case', run: () => (adding.value = true) }]);
</script>

<template>
  <div>
    <ShellBar />
    <main class="sheet">
      <header>
        <h1>Cases</h1>
        <button type="button" class="tap on" @click="adding = true">New case <kbd>a</kbd></button>
      </header>
      <p v-if="knowledge?.shopFile.trouble" role="alert" class="problem">
        {{ knowledge.shopFile.name }} is not in force: {{ knowledge.shopFile.trouble }}
      </p>
      <p v-if="cases.error.value" role="alert">{{ inWords(cases.error.value) }}</p>
      <p v-else-if="cases.isPending.value" aria-live="polite">Fetching the cases …</p>
      <p v-else-if="open.length === 0 && closed.length === 0" class="empty">
        No cases yet. Say what is wrong with a pump, and the first hunch comes with the first reading.
      </p>
      <section v-for="group in groups" :key="group.title" :aria-label="group.title">
        <h2 v-if="group.cases.length">{{ group.title }}</h2>
        <RouterLink v-for="c in group.cases" :key="c.id" class="case" :to="`/cases/${c.id}`">
          <span class="plate">{{ c.tag }}</span>
          <span class="what">
            <b>{{ c.complaint }}</b>
            <span class="quiet">{{ c.duty || c.pumpName }} · {{ c.entries }} noted · {{ when(c.changedAt) }}</span>
          </span>
          <span class="stage">
            <span class="steps" aria-hidden="true">
              <i v-for="(s, i) in stages" :key="s" :class="{ done: i <= reached(c) }" />
            </span>
            {{ stageNames[asStage(c.stage)] }}
          </span>
          <span v-if="c.leader" class="leader">
            <span class="line">
              <b>{{ c.leader.name }}</b> <span class="figure">{{ percent(c.leader.probability) }}</span>
            </span>
            <SuspicionBar :probability="c.leader.probability" :sound="c.leader.fault === 'no-fault'" />
            <span class="quiet">{{ c.leader.hunch }}</span>
          </span>
        </RouterLink>
      </section>
      <p v-if="cases.data.value && inAll > cases.data.value.length" class="more">
        {{ cases.data.value.length }} of {{ inAll }} cases.
        <button v-if="take < most" type="button" class="tap" @click="take = Math.min(most, take + step)">
          Show more
        </button>
      </p>
    </main>
    <NewCaseDialog v-model:visible="adding" />
  </div>
</template>

<style scoped>
section h2 {
  margin: 1rem 0 0.25rem;
  color: var(--ink-2);
}

.case {
  display: grid;
  grid-template-columns: 6.5rem minmax(0, 1fr) 9rem 17rem;
  gap: 1rem;
  align-items: center;
  padding: 0.9rem 0.5rem;
  border-top: 1.5px solid var(--line);
  color: var(--ink);
  text-decoration: none;
}

.case:hover {
  background: var(--card);
}

.what b {
  display: block;
  font-size: 1.125rem;
}

.quiet {
  font-size: 0.9375rem;
}

.stage {
  font-family: var(--font-tag);
  font-weight: 500;
  font-size: 1.0625rem;
}

.steps {
  display: flex;
  gap: 3px;
  margin-bottom: 0.2rem;
}

.steps i {
  width: 1.1rem;
  height: 8px;
  border: 1.5px solid var(--ink);
}

.steps i.done {
  background: var(--ink);
}

.leader .line {
  display: flex;
  justify-content: space-between;
  gap: 0.5rem;
}

.empty {
  padding: 2rem 0;
}

@media (max-width: 900px) {
  .case {
    grid-template-columns: 6rem minmax(0, 1fr);
  }
}
</style>
