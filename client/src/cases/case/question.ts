import type { CaseResource, Schemas } from '@/shared/api/client';

/** What a case asks of the server's stateless computations: its pump and all evidence that counts, nothing of it left behind. */
export function asQuestion(data: CaseResource): Schemas['DiagnosisRequest'] {
  const { pump, context, hours, couldNot, limits, found } = data;
  return {
    pump: pump.pump,
    setup: pump.setup,
    readings: data.readings
      .filter((r) => r.judged)
      .map(({ id, quantity, value, uncertainty, to, at }) => ({ id, quantity, value, uncertainty, to, at })),
    cues: data.cues
      .filter((c) => c.judged)
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
