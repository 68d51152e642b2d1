import { keepPreviousData, useQuery } from '@tanstack/vue-query';
import { computed, type Ref } from 'vue';
import { api, inWords, taken, type CaseResource, type ChangeRequest, type Schemas } from '@/shared/api/client';
import { useMe } from '../opening/useMe';

export type ProofView = Schemas['ProofViewResponse'];
export type ProofStage = Schemas['ProofStageDto'];
export type ProofStep = Schemas['ProofStepDto'];
type ProofChange = Schemas['ProofChangeDto'];

/** The proof of a case as the server has it, and ways to say what was seen. */
export function useProof(data: Ref<CaseResource>, tell: (change: ChangeRequest) => Promise<boolean>) {
  const { name, known } = useMe();
  const query = useQuery({
    queryKey: computed(() => ['proof', data.value.id, data.value.version, data.value.pump.version]),
    queryFn: async () => {
      const view = taken(await api.GET('/api/cases/{id}/proof', { params: { path: { id: data.value.id } } }));
      return { view, ahead: Date.parse(view.now) - Date.now() };
    },
    placeholderData: keepPreviousData,
  });
  const change = (proof: ProofChange) => tell({ proof });
  // What is kept with a name waits until there is one.
  const signed = async (proof: (by: string) => ProofChange) => known() && (await change(proof(name.value)));

  return {
    view: computed(() => query.data.value?.view),
    /** By how much the server’s clock is ahead of this one, ms. */
    ahead: computed(() => query.data.value?.ahead ?? 0),
    trouble: computed(() => (query.error.value ? inWords(query.error.value) : '')),
    proof: computed(() => data.value.proof),
    acknowledge: (stage: string) => signed((by) => ({ acknowledged: { [stage]: { by } } })),
    tick: (act: string) => signed((by) => ({ acts: { [act]: { by } } })),
    untick: (act: string) => change({ actsBack: [act] }),
    start: (step: string) => change({ started: [step] }),
    read: (step: string, read: Omit<Schemas['StepReadDto'], 'by'>) =>
      signed((by) => ({ steps: { [step]: { ...read, by } } })),
    unread: (step: string) => change({ stepsBack: [step] }),
    shut: (stage: string, read: Omit<Schemas['ShutReadDto'], 'by'>) =>
      signed((by) => ({ shuts: { [stage]: { ...read, by } } })),
    leaveOut: (what: string, reason: string) => signed((by) => ({ leftOut: { [what]: { reason, by } } })),
    takeUp: (what: string) => change({ leftOutBack: [what] }),
    screw: (screw: Schemas['ScrewDto']) => change({ screw }),
    verdict: (said: Omit<Schemas['ProofSignedDto'], 'by'>) => signed((by) => ({ verdict: { ...said, by } })),
    anew: () => change({ anew: true }),
  };
}

export type ProofAccess = ReturnType<typeof useProof>;
