import { useQuery, useQueryClient } from '@tanstack/vue-query';
import { computed, ref } from 'vue';
import { api, inWords, Refusal, taken, type CaseResource, type ChangeRequest } from '@/shared/api/client';

/** One case: what it says now, and ways to change it. Changes go out one after another, each on the version before. */
export function useCase(id: string) {
  const client = useQueryClient();
  const key = ['case', id];
  const query = useQuery({
    queryKey: key,
    queryFn: async () => taken(await api.GET('/api/cases/{id}', { params: { path: { id } } })),
  });
  const trouble = ref('');
  const busy = ref(0);
  let queue: Promise<unknown> = Promise.resolve();

  async function send(call: (etag: string) => Promise<CaseResource>): Promise<boolean> {
    busy.value++;
    const mine = queue.then(async () => {
      // A quick hand may tell something before the case has come.
      const version = (query.data.value ?? (await query.refetch()).data)?.version ?? 0;
      client.setQueryData(key, await call(`"${version}"`));
      await client.invalidateQueries({ queryKey: ['cases'], refetchType: 'none' });
    });
    queue = mine.catch(() => undefined);
    try {
      await mine;
      trouble.value = '';
      return true;
    } catch (error) {
      trouble.value = inWords(error);
      if (error instanceof Refusal && error.status === 412) await query.refetch();
      return false;
    } finally {
      busy.value--;
    }
  }

  const step = (path: '/api/cases/{id}/undo' | '/api/cases/{id}/redo') =>
    send(async (etag) => taken(await api.POST(path, { params: { path: { id } }, headers: { 'If-Match': etag } })));

  return {
    data: query.data,
    error: computed(() => (query.error.value ? inWords(query.error.value) : '')),
    trouble,
    busy: computed(() => busy.value > 0),
    /** Tells something; false when it was refused, with the reason in `trouble`. */
    tell: (change: ChangeRequest) =>
      send(async (etag) =>
        taken(
          await api.POST('/api/cases/{id}/changes', {
            params: { path: { id } },
            body: change,
            headers: { 'If-Match': etag },
          }),
        ),
      ),
    undo: () => step('/api/cases/{id}/undo'),
    redo: () => step('/api/cases/{id}/redo'),
  };
}

export type CaseAccess = ReturnType<typeof useCase>;
