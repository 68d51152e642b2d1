<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query';
import { useTitle } from '@vueuse/core';
import Button from 'primevue/button';
import Dialog from 'primevue/dialog';
import SelectButton from 'primevue/selectbutton';
import { computed, ref } from 'vue';
import { api, inWords, taken } from '@/shared/api/client';
import { digits } from '@/shared/format';
import EmptyPage from '@/shared/ui/EmptyPage.vue';
import ShellBar from '@/shared/ui/ShellBar.vue';
import UnreadPumps from '@/shared/ui/UnreadPumps.vue';
import { dayWords } from '../life/lines';
import { monday, monthName, moved, weekday, weeksOf, type Visit } from './calendar';
import StockForm from './StockForm.vue';
import VisitCard from './VisitCard.vue';

/** What is due in the shop, week by week or in a month, and what has to lie ready for it. */
useTitle('Due · Mild Hunch');
const views = [
  { value: 'month', text: 'Month' },
  { value: 'week', text: 'Week' },
];
const view = ref('month');
const at = ref<string>();
const counting = ref(false);

const first = computed(() => {
  const day = at.value ?? new Date().toISOString().slice(0, 10);
  return view.value === 'month' ? (weeksOf(day)[0]?.[0] ?? day) : monday(day);
});
const last = computed(() => {
  const day = at.value ?? new Date().toISOString().slice(0, 10);
  return view.value === 'month' ? (weeksOf(day).at(-1)?.at(-1) ?? day) : moved(monday(day), { days: 6 });
});
const query = useQuery({
  queryKey: computed(() => ['due', first.value, last.value]),
  queryFn: async () => taken(await api.GET('/api/due', { params: { query: { from: first.value, to: last.value } } })),
  placeholderData: (before) => before,
});
const ahead = useQuery({ queryKey: ['due', 'ahead'], queryFn: async () => taken(await api.GET('/api/due')) });
const due = query.data;
const today = computed(() => ahead.data.value?.today ?? '');
const middle = computed(() => at.value ?? today.value);
const on = (day: string): Visit[] => due.value?.visits.filter((v) => v.on === day) ?? [];
const weeks = computed(() => (middle.value ? weeksOf(middle.value) : []));
const week = computed(() => Array.from({ length: 7 }, (_, i) => moved(first.value, { days: i })));
const chosen = ref<string>();
const shown = computed(() =>
  chosen.value ? (due.value?.visits ?? []).filter((v) => v.on === chosen.value) : (ahead.data.value?.visits ?? []),
);
const title = computed(() =>
  view.value === 'month' ? monthName(middle.value || '2026-01-01') : `Week of ${dayWords(first.value)}`,
);

function go(by: number) {
  chosen.value = undefined;
  const from = middle.value;
  at.value = view.value === 'month' ? moved(from, { months: by }) : moved(from, { days: 7 * by });
}
const print = () => window.print();
</script>

<template>
  <div>
    <ShellBar />
    <main class="sheet">
      <header>
        <h1 tabindex="-1">Due</h1>
        <SelectButton
          v-model="view"
          :options="views"
          option-label="text"
          option-value="value"
          :allow-empty="false"
          aria-label="View"
          @change="chosen = undefined"
        />
        <span class="spread" />
        <Button as="a" href="/api/due.ics" severity="secondary" variant="outlined" label="Calendar feed" />
        <Button as="a" href="/api/due.csv" severity="secondary" variant="outlined" label="As a table" />
        <Button severity="secondary" variant="outlined" label="Print" @click="print" />
      </header>
      <p v-if="query.error.value" role="alert" class="problem">{{ inWords(query.error.value) }}</p>
      <UnreadPumps :pumps="due?.unread" />
      <EmptyPage
        v-if="ahead.data.value && ahead.data.value.visits.length === 0 && !due?.visits.length"
        title="Nothing is due"
      >
        A pump comes up here by the hours of its interval, by date, by its changes of seals, or when a tenth of such
        parts have failed. Note its interval with its service figures, its hours and how it runs on its page.
        <template #start><Button as="router-link" to="/pumps" label="To the pumps" /></template>
      </EmptyPage>
      <div v-else-if="today" class="two">
        <section :aria-label="title">
          <div class="turn">
            <Button
              severity="secondary"
              variant="outlined"
              :label="view === 'month' ? 'Month before' : 'Week before'"
              @click="go(-1)"
            />
            <h2>{{ title }}</h2>
            <Button
              severity="secondary"
              variant="outlined"
              :label="view === 'month' ? 'Next month' : 'Next week'"
              @click="go(1)"
            />
          </div>
          <table v-if="view === 'month'" class="month">
            <tbody>
              <tr v-for="w in weeks" :key="w[0]">
                <td
                  v-for="d in w"
                  :key="d"
                  :class="{ other: d.slice(0, 7) !== middle.slice(0, 7), today: d === today }"
                >
                  <span class="date">{{ weekday(d) }}</span>
                  <Button
                    v-for="v in on(d)"
                    :key="v.pumpId + v.says"
                    unstyled
                    class="tag"
                    :class="{ late: v.on <= today }"
                    :aria-pressed="chosen === d"
                    :aria-label="`${v.tag}: ${v.says}, ${dayWords(v.on)}`"
                    @click="chosen = chosen === d ? undefined : d"
                    >{{ v.tag }}</Button
                  >
                </td>
              </tr>
            </tbody>
          </table>
          <ol v-else class="week">
            <li v-for="d in week" :key="d" :class="{ today: d === today }">
              <h3>{{ weekday(d) }}</h3>
              <VisitCard v-for="v in on(d)" :key="v.pumpId + v.says" :visit="v" with-pump :today="today" />
            </li>
          </ol>
          <h2>To have in stock{{ due ? ` by ${dayWords(due.to)}` : '' }}</h2>
          <ul class="needed">
            <li v-for="n in due?.needed ?? []" :key="n.name">
              <span>{{ n.count }} x {{ n.name }}</span>
              <span class="quiet">by {{ dayWords(n.by) }} for {{ n.pumps.join(', ') }}</span>
              <b v-if="n.short > 0" class="short">{{ digits(n.short) }} short</b>
              <span v-else class="quiet">{{ n.inStock == null ? 'not counted' : `${digits(n.inStock)} there` }}</span>
            </li>
          </ul>
          <p v-if="due?.needed.length === 0" class="quiet">Nothing is needed in this time.</p>
          <p v-for="s in due?.low ?? []" :key="s.name ?? ''" class="problem">
            {{ s.name }}: {{ digits(s.inStock ?? 0) }} left, to be ordered at {{ digits(s.reorderAt ?? 0) }}.
          </p>
          <Button severity="secondary" variant="outlined" label="What is on the shelf" @click="counting = true" />
        </section>
        <section class="list" :aria-label="chosen ? dayWords(chosen) : 'The next three months'">
          <h2>{{ chosen ? dayWords(chosen) : 'The next three months' }}</h2>
          <VisitCard v-for="v in shown" :key="v.pumpId + v.on + v.says" :visit="v" with-pump :today="today" />
          <p v-if="shown.length === 0" class="quiet">Nothing.</p>
        </section>
      </div>
      <p v-else aria-live="polite">Working out what is due …</p>
      <Dialog
        v-if="counting"
        :visible="true"
        modal
        header="On the shelf"
        :style="{ width: 'min(46rem, 96vw)' }"
        @update:visible="counting = false"
      >
        <StockForm />
      </Dialog>
    </main>
  </div>
</template>

<style scoped>
.sheet > header {
  flex-wrap: wrap;
  gap: 0.5rem;
  justify-content: start;
}

.spread {
  flex: 1;
}

.two {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 25rem);
  gap: 0.5rem 2rem;
  margin-top: 0.5rem;
}

.turn {
  display: flex;
  gap: 0.5rem;
  align-items: center;
  justify-content: space-between;
}

.month {
  width: 100%;
  margin: 0.4rem 0 0.75rem;
  border-collapse: collapse;
  table-layout: fixed;
}

td {
  height: 5rem;
  padding: 2px 4px;
  border: 1px solid var(--line);
  vertical-align: top;
}

td.other {
  background: var(--card);
  color: var(--ink-2);
}

.today {
  outline: 2px solid var(--ink);
  outline-offset: -2px;
}

.date {
  display: block;
  font-size: 0.9375rem;
}

.tag {
  display: block;
  width: 100%;
  min-height: 44px;
  margin-top: 2px;
  padding: 0 4px;
  border: 1.5px solid var(--water);
  background: var(--water-soft);
  color: var(--ink);
  font-family: var(--font-tag);
  font-weight: 600;
  font-size: 1.0625rem;
  text-align: left;
  cursor: pointer;
  overflow-wrap: anywhere;
}

.tag.late {
  border-color: var(--suspect);
  background: var(--suspect-soft);
}

.tag[aria-pressed='true'] {
  outline: 3px solid var(--focus);
}

ol,
ul {
  margin: 0.25rem 0;
  padding: 0;
  list-style: none;
}

.week li {
  min-height: 44px;
  padding: 0.25rem 0.5rem;
  border-bottom: 1px solid var(--line);
}

.needed li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr) 7rem;
  gap: 0.5rem;
  padding: 0.2rem 0;
  border-bottom: 1px solid var(--line);
}

.short {
  color: var(--suspect);
}

@media (max-width: 900px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}

@media print {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }

  .sheet > header :deep(.p-button),
  .sheet > header :deep(.p-selectbutton),
  .turn :deep(.p-button) {
    display: none;
  }
}
</style>
