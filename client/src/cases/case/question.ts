import type { CaseResource, Schemas } from '@/shared/api/client';

/** What a case asks of the server's stateless computations: its pump and all evidence that counts, nothing of it left behind. */
export function asQuestion(data: CaseResource): Schemas['DiagnosisRequest'] {
  const { pump, context, hours, couldNot, limits, found } = data;
  // Of what was taken before the last mend nothing says how the pump is now.
  const last = Math.max(0, ...data.readings.map((r) => r.mends), ...data.cues.map((c) => c.mends));
  return {
    pump: pump.pump,
    setup: pump.setup,
    readings: data.readings
      .filter((r) => r.judged && r.mends === last)
      .map(({ id, quantity, value, uncertainty, to, at }) => ({ id, quantity, value, uncertainty, to, at })),
    cues: data.cues
      .filter((c) => c.judged && c.mends === last)
      .map(({ id, cue, answer, cylinder, side, dropsPerMinute, stream, when, at }) => ({
        id,
        cue,
        answer,
        cylinder,
        side,
        dropsPerMinute,
        stream,
        when,
        at,
      })),
    context,
    hours,
    couldNot,
    limits,
    found,
  };
}
