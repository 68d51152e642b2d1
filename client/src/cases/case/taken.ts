import type { ChangeRequest } from '@/shared/api/client';
import type { Stage } from '@/parts/stages';

/** What is read and seen while proving was so after the mend of this round; otherwise the server knows what lies behind the pump. */
export function asTaken(change: ChangeRequest, stage: Stage): ChangeRequest {
  if (stage !== 'prove') return change;
  return {
    ...change,
    ...(change.readings ? { readings: change.readings.map((r) => ({ ...r, at: r.at ?? 'after' })) } : {}),
    ...(change.cues ? { cues: change.cues.map((c) => ({ ...c, at: c.at ?? 'after' })) } : {}),
  };
}
