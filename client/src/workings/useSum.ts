import { watchDebounced } from '@vueuse/core';
import { computed, onScopeDispose, ref, watch, type Ref } from 'vue';
import { api, inWords, Refusal, taken, type Schemas } from '@/shared/api/client';
import { forField, readEntry, whyNot } from '@/shared/numbers';

type Sum = Schemas['SumDto'];
export interface Entry {
  text: string;
  unit: string;
}

const pause = 150;
const draftKey = (id: string) => `mild-hunch.sum.${id}`;

/** Entries of one sum as typed, kept on this device, and its results as soon as there is enough. */
export function useSum(sum: Ref<Sum | undefined>) {
  const entries = ref<Record<string, Entry>>({});
  const picks = ref<Record<string, string>>({});
  const results = ref<Schemas['SumResultDto'][]>([]);
  const problems = ref<Record<string, string>>({});
  const trouble = ref('');
  let asked = 0;

  watch(
    sum,
    (now) => {
      entries.value = {};
      picks.value = {};
      results.value = [];
      if (!now) return;
      const kept = JSON.parse(window.localStorage.getItem(draftKey(now.id)) ?? '{}') as {
        entries?: Record<string, Entry>;
        picks?: Record<string, string>;
      };
      for (const field of now.fields) {
        if (field.choices.length) picks.value[field.id] = kept.picks?.[field.id] ?? field.choices[0]?.id ?? '';
        else entries.value[field.id] = kept.entries?.[field.id] ?? { text: '', unit: field.unit };
      }
    },
    { immediate: true },
  );

  const missing = computed(
    () =>
      sum.value?.fields.filter(
        (f) => !f.choices.length && !f.optional && f.usual === null && !entries.value[f.id]?.text.trim(),
      ) ?? [],
  );

  async function work() {
    const now = sum.value;
    if (!now) return;
    window.localStorage.setItem(draftKey(now.id), JSON.stringify({ entries: entries.value, picks: picks.value }));
    problems.value = {};
    trouble.value = '';
    const numbers: Record<string, Schemas['QuantityDto']> = {};
    for (const [id, entry] of Object.entries(entries.value)) {
      if (!entry.text.trim()) continue;
      const read = readEntry(entry.text).entry;
      if (!read || read.to) problems.value[id] = `${whyNot(entry.text)}. Write it like 18 or 12.6.`;
      else numbers[id] = { value: read.from.value, unit: read.from.unit || entry.unit };
    }
    const mine = ++asked;
    if (missing.value.length || Object.keys(problems.value).length) {
      results.value = [];
      return;
    }
    try {
      const answer = taken(
        await api.POST('/api/workings/{id}', {
          params: { path: { id: now.id } },
          body: { entries: numbers, picks: picks.value },
        }),
      );
      if (mine === asked) results.value = answer.results;
    } catch (error) {
      if (mine !== asked) return;
      results.value = [];
      trouble.value = inWords(error);
      if (error instanceof Refusal)
        problems.value = Object.fromEntries(Object.entries(error.fields).map(([k, v]) => [k, v.join(' ')]));
    }
  }

  // A page that has gone asks nothing more, and what was asked last is answered to nobody.
  let gone = false;
  watchDebounced([entries, picks], () => void (gone || work()), { debounce: pause, deep: true, immediate: true });
  onScopeDispose(() => {
    gone = true;
    asked++;
  });

  /** Fills in what a pump already says. */
  async function fill(pump: Schemas['PumpResource']) {
    const now = sum.value;
    if (!now) return;
    try {
      const told = taken(
        await api.POST('/api/workings/{id}/fill', {
          params: { path: { id: now.id } },
          body: { pump: pump.pump, setup: pump.setup },
        }),
      );
      for (const [id, value] of Object.entries(told.entries))
        entries.value[id] = { text: forField(value.value, 5), unit: value.unit };
      Object.assign(picks.value, told.picks);
    } catch (error) {
      trouble.value = inWords(error);
    }
  }

  return { entries, picks, results, problems, trouble, missing, fill };
}
