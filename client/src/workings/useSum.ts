import { watchDebounced } from '@vueuse/core';
import { computed, onScopeDispose, ref, type ComputedRef, type Ref } from 'vue';
import { api, inWords, Refusal, taken, type Schemas } from '@/shared/api/client';
import { useDraft } from '@/shared/drafts/useDraft';
import { forField, readEntry, whyNot } from '@/shared/numbers';

type Sum = Schemas['SumDto'];
export interface Entry {
  text: string;
  unit: string;
}

const pause = 150;

export interface Typed {
  entries: Record<string, Entry>;
  picks: Record<string, string>;
}

export interface WorkedSum {
  typed: Ref<Typed>;
  results: Ref<Schemas['SumResultDto'][]>;
  problems: Ref<Record<string, string>>;
  trouble: Ref<string>;
  /** Fields that are needed and empty. */
  missing: ComputedRef<Sum['fields']>;
  fill: (pump: Schemas['PumpResource']) => Promise<void>;
}

function blank(sum: Sum): Typed {
  const chosen = sum.fields.filter((f) => f.choices.length);
  const written = sum.fields.filter((f) => !f.choices.length);
  return {
    entries: Object.fromEntries(written.map((f) => [f.id, { text: '', unit: f.unit }])),
    picks: Object.fromEntries(chosen.map((f) => [f.id, f.choices[0]?.id ?? ''])),
  };
}

/** Entries of one sum as typed, kept on this device, and its results as soon as there is enough. */
export function useSum(sum: Sum): WorkedSum {
  const { typed } = useDraft(
    `mild-hunch.sum.${sum.id}`,
    () => blank(sum),
    (kept) => {
      const empty = blank(sum);
      return { entries: { ...empty.entries, ...kept.entries }, picks: { ...empty.picks, ...kept.picks } };
    },
  );
  const results = ref<Schemas['SumResultDto'][]>([]);
  const problems = ref<Record<string, string>>({});
  const trouble = ref('');
  let asked = 0;

  const missing = computed(() =>
    sum.fields.filter(
      (f) => !f.choices.length && !f.optional && f.usual === null && !typed.value.entries[f.id]?.text.trim(),
    ),
  );

  async function work() {
    problems.value = {};
    trouble.value = '';
    const numbers: Record<string, Schemas['QuantityDto']> = {};
    for (const [id, entry] of Object.entries(typed.value.entries)) {
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
          params: { path: { id: sum.id } },
          body: { entries: numbers, picks: typed.value.picks },
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
  watchDebounced(typed, () => void (gone || work()), { debounce: pause, deep: true, immediate: true });
  onScopeDispose(() => {
    gone = true;
    asked++;
  });

  async function fill(pump: Schemas['PumpResource']) {
    try {
      const told = taken(
        await api.POST('/api/workings/{id}/fill', {
          params: { path: { id: sum.id } },
          body: { pump: pump.pump, setup: pump.setup },
        }),
      );
      for (const [id, value] of Object.entries(told.entries))
        typed.value.entries[id] = { text: forField(value.value, 5), unit: value.unit };
      Object.assign(typed.value.picks, told.picks);
    } catch (error) {
      trouble.value = inWords(error);
    }
  }

  return { typed, results, problems, trouble, missing, fill };
}
