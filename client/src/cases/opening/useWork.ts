import { keepPreviousData, useQuery } from '@tanstack/vue-query';
import { computed, type Ref } from 'vue';
import { api, inWords, taken, type CaseResource, type ChangeRequest, type Schemas } from '@/shared/api/client';
import { isTicked, minutesLeft, type Plan } from './cards/cards';
import { lastOnly } from './lastOnly';
import { useMe } from './useMe';
import type { StepTold } from './useStepNotes';

type Tell = (change: ChangeRequest) => Promise<boolean>;

/** The work at a case: its plan as the server has it, and ways to say what was done. */
export function useWork(data: Ref<CaseResource>, tell: Tell) {
  const { name, wrench, known } = useMe();
  const work = computed(() => data.value.work);
  const told = computed(() => work.value.plan ?? undefined);

  const query = useQuery({
    queryKey: computed(() => ['service-plan', data.value.pump.id, data.value.pump.version, told.value]),
    queryFn: async () => {
      const { pump, setup, sheet } = data.value.pump;
      const { targets, scope } = told.value ?? {};
      return taken(await api.POST('/api/service-plan', { body: { pump, setup, sheet, targets, scope } }));
    },
    enabled: computed(() => told.value !== undefined),
    placeholderData: keepPreviousData,
    staleTime: Infinity,
  });
  const plan = computed<Plan | undefined>(() => (told.value ? query.data.value : undefined));

  const change = (next: Schemas['WorkChangeDto']) => tell({ work: next });
  // What is kept with a name waits until there is one.
  const signed = async (next: Schemas['WorkChangeDto']) => known() && (await change(next));
  const sign = lastOnly((ticks: string, more: { taps?: number; torque?: boolean; told?: (tick: string) => StepTold }) =>
    signed({
      steps: Object.fromEntries(
        ticks.split(' ').map((t) => [
          t,
          {
            by: name.value,
            ...(more.torque && wrench.value ? { wrench: wrench.value } : {}),
            ...(more.taps === undefined ? {} : { taps: more.taps }),
            ...more.told?.(t),
          },
        ]),
      ),
    }),
  );
  const tick = (ticks: string[], more: { taps?: number; torque?: boolean; told?: (tick: string) => StepTold } = {}) =>
    sign(ticks.join(' '), more);

  return {
    work,
    plan,
    trouble: computed(() => (query.error.value ? inWords(query.error.value) : '')),
    left: computed(() => (plan.value ? minutesLeft(plan.value, work.value) : 0)),
    tick,
    untick: (ticks: string[]) => change({ stepsBack: ticks.filter((t) => isTicked(work.value, t)) }),
    choose: (chosen: Schemas['WorkPlanDto']) => change({ plan: chosen }),
    acknowledge: (hazards: string[]) => signed({ acknowledged: { by: name.value, hazards } }),
    batch: (part: string, batch: string) => change({ batches: { [part]: batch } }),
    ranAgain: () => change({ ranAgain: true }),
    find: (place: string, found: Omit<Schemas['FoundPartDto'], 'by'> | null) =>
      signed(found ? { found: { [place]: { ...found, by: name.value } } } : { foundBack: [place] }),
  };
}

export type WorkAccess = ReturnType<typeof useWork>;
