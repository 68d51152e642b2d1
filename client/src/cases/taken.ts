import type { CaseResource, ChangeRequest } from '@/shared/api/client';
import type { Stage } from './stages';

/** What is read while proving, and ever after, was read after the mend: what was read before no longer counts with it. */
export function asTaken(change: ChangeRequest, stage: Stage, readings: CaseResource['readings']): ChangeRequest {
  const mended = stage === 'prove' || readings.some((r) => r.at === 'after');
  if (!mended || !change.readings) return change;
  return { ...change, readings: change.readings.map((r) => ({ ...r, at: r.at ?? 'after' })) };
}
