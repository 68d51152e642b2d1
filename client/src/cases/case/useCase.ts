import { useQuery, useQueryClient } from '@tanstack/vue-query';
import { computed, ref } from 'vue';
import {
  api,
  inWords,
  Refusal,
  taken,
  type CaseResource,
  type ChangeRequest,
  type Doubt,
  type Quantity,
} from '@/shared/api/client';
import { useDoubts } from '@/shared/doubt/useDoubts';
import type { Stage } from '@/parts/stages';

/** The same change with another figure where the doubtful one stood. */
export function corrected(change: ChangeRequest, { field }: Doubt, meant: Quantity): ChangeRequest {
  const at = /^readings\[(\d+)\]\.(value|to)$/.exec(field);
  if (!at) return change;
  return {
    ...change,
    readings: (change.readings ?? []).map((r, i) => (i === Number(at[1]) ? { ...r, [at[2] ?? 'value']: meant } : r)),
  };
}

/** One case: what it says now, and ways to change it. Changes go out one after another, each on the version before. */
export function useCase(id: string) {
  const client = useQueryClient();
  const key = ['case', id];
  const query = useQuery({
    queryKey: key,
    queryFn: async () => taken(await api.GET('/api/cases/{id}', { params: { path: { id } } })),
    // Replaced as a whole with every answer: nothing gains by watching its parts or comparing them.
    shallow: true,
    structuralSharing: false,
  });
  const trouble = ref('');
  const busy = ref(0);
  const doubts = useDoubts();
  let queue: Promise<unknown> = Promise.resolve();

  /** Sends one change; what stood in its way, or nothing. */
  async function send(call: (etag: string) => Promise<CaseResource>): Promise<unknown> {
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
      return undefined;
    } catch (error) {
      if (error instanceof Refusal && error.status === 412) await query.refetch();
      return error;
    } finally {
      busy.value--;
    }
  }

  function settled(error: unknown): boolean {
    trouble.value = error === undefined ? '' : inWords(error);
    return error === undefined;
  }

  const post = (change: ChangeRequest) =>
    send(async (etag) =>
      taken(
        await api.POST('/api/cases/{id}/changes', {
          params: { path: { id } },
          body: change,
          headers: { 'If-Match': etag },
        }),
      ),
    );

  /** Notes something; false when it was refused, with the reason in `trouble`. A doubtful figure is asked back first. */
  async function tell(change: ChangeRequest): Promise<boolean> {
    const error = await post(change);
    if (!(error instanceof Refusal) || error.doubts.length === 0) return settled(error);
    const decision = await doubts.ask(error.doubts);
    if (!decision) {
      trouble.value = 'Nothing was noted; what you typed is still there.';
      return false;
    }
    return tell('sure' in decision ? { ...change, sure: true } : corrected(change, decision.doubt, decision.meant));
  }

  const step = async (path: '/api/cases/{id}/undo' | '/api/cases/{id}/redo') =>
    settled(
      await send(async (etag) =>
        taken(await api.POST(path, { params: { path: { id } }, headers: { 'If-Match': etag } })),
      ),
    );

  return {
    data: query.data,
    error: computed(() => (query.error.value ? inWords(query.error.value) : '')),
    trouble,
    doubts,
    busy: computed(() => busy.value > 0),
    tell,
    /** Remembers the stage at which the case is looked at. No change, so nothing to undo; no matter when it fails. */
    standAt: async (stage: Stage) => {
      const now = query.data.value;
      if (now) client.setQueryData(key, { ...now, stage });
      await api.PUT('/api/cases/{id}/stage', { params: { path: { id } }, body: { stage } }).catch(() => undefined);
      await client.invalidateQueries({ queryKey: ['cases'], refetchType: 'none' });
    },
    undo: () => step('/api/cases/{id}/undo'),
    redo: () => step('/api/cases/{id}/redo'),
  };
}

export type CaseAccess = ReturnType<typeof useCase>;
