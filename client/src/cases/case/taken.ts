import type { CaseResource, ChangeRequest } from '@/shared/api/client';
import type { Stage } from '@/parts/stages';

type Told = Pick<CaseResource, 'readings' | 'cues'>;

/** True once anything was read or seen after a mend: what was noted before no longer counts with it. */
export const isMended = (told: Told): boolean => [...told.readings, ...told.cues].some((t) => t.at === 'after');

/** What is read and seen while proving, and ever after, was so after the mend. */
export function asTaken(change: ChangeRequest, stage: Stage, told: Told): ChangeRequest {
  if (stage !== 'prove' && !isMended(told)) return change;
  return {
    ...change,
    ...(change.readings ? { readings: change.readings.map((r) => ({ ...r, at: r.at ?? 'after' })) } : {}),
    ...(change.cues ? { cues: change.cues.map((c) => ({ ...c, at: c.at ?? 'after' })) } : {}),
  };
}
