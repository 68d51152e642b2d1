import { useQuery, useQueryClient } from '@tanstack/vue-query';
import { computed, ref } from 'vue';
import { api, inWords, problemsIn, taken, upload, type Schemas } from '@/shared/api/client';
import type { PumpLife } from './lines';

type Params = { params: { path: { id: string } } };

/** What is on record of one pump, and ways to enter more. A refusal stays beside what was typed. */
export function useLife(id: string) {
  const client = useQueryClient();
  const key = ['life', id];
  const at: Params = { params: { path: { id } } };
  const query = useQuery({ queryKey: key, queryFn: async () => taken(await api.GET('/api/pumps/{id}/life', at)) });
  const trouble = ref('');
  const problems = ref<Record<string, string>>({});

  async function send(call: () => Promise<PumpLife>): Promise<boolean> {
    try {
      client.setQueryData(key, await call());
      await client.invalidateQueries({ queryKey: ['due'] });
      await client.invalidateQueries({ queryKey: ['pump', id] });
      trouble.value = '';
      problems.value = {};
      return true;
    } catch (error) {
      problems.value = problemsIn(error);
      trouble.value = inWords(error);
      return false;
    }
  }

  return {
    life: computed(() => query.data.value),
    error: computed(() => (query.error.value ? inWords(query.error.value) : '')),
    trouble,
    problems,
    read: (body: Schemas['MeterDto']) =>
      send(async () => taken(await api.POST('/api/pumps/{id}/meter', { ...at, body }))),
    change: (body: Schemas['PartChangeRequest']) =>
      send(async () => taken(await api.POST('/api/pumps/{id}/part-changes', { ...at, body }))),
    /** Older history from paper, as a table: all of it or none. */
    takePaper: (file: File) => send(() => upload<PumpLife>(`/api/pumps/${id}/part-changes.csv`, file, 'text/csv')),
    takeMeterBack: (entry: string) =>
      send(async () => taken(await api.DELETE('/api/pumps/{id}/meter/{entry}', { params: { path: { id, entry } } }))),
    /** Another pump goes in here; from then on this one stands where that was. */
    async swap(body: Schemas['SwapRequest']): Promise<boolean> {
      const headers = { 'If-Match': `"${query.data.value?.version}"` };
      try {
        taken(await api.POST('/api/pumps/{id}/swap', { ...at, body, headers }));
      } catch (error) {
        problems.value = problemsIn(error);
        trouble.value = inWords(error);
        return false;
      }
      await client.invalidateQueries();
      return true;
    },
    takeBack: (entry: string) =>
      send(async () =>
        taken(await api.DELETE('/api/pumps/{id}/part-changes/{entry}', { params: { path: { id, entry } } })),
      ),
    run: (body: Schemas['RunningDto']) =>
      send(async () =>
        taken(
          await api.PUT('/api/pumps/{id}/running', {
            ...at,
            body,
            headers: { 'If-Match': `"${query.data.value?.version}"` },
          }),
        ),
      ),
  };
}

export type LifeAccess = ReturnType<typeof useLife>;
