import type { CaseResource } from '@/shared/api/client';

export const stages = ['ask', 'measure', 'suspect', 'open', 'mend', 'prove'] as const;
export type Stage = (typeof stages)[number];

export const stageNames: Record<Stage, string> = {
  ask: 'Ask',
  measure: 'Measure',
  suspect: 'Suspect',
  open: 'Open',
  mend: 'Mend',
  prove: 'Prove',
};

export function asStage(text: string): Stage {
  return stages.find((s) => s === text) ?? 'ask';
}

export type StageState = 'nothing' | 'begun' | 'done';

type Known = Pick<CaseResource, 'readings' | 'cues' | 'context' | 'hours' | 'closed' | 'work' | 'proof'>;

const begunOrDone = (begun: boolean, done: boolean): StageState => (done ? 'done' : begun ? 'begun' : 'nothing');

/** How far each stage of a case has come, by what stands in it. */
export function stageStates(data: Known): Record<Stage, StageState> {
  const { work, proof } = data;
  const ticks = Object.keys(work.steps);
  const closing = ticks.filter((t) => /\.(on\.\d+|facing|start|tighten)(@|$)|^after\./.test(t));
  const proving = Object.keys(proof.acknowledged).length > 0;
  return {
    ask: begunOrDone(true, data.context.length + data.hours.length > 0),
    measure: begunOrDone(data.readings.length > 0, data.readings.length > 1),
    suspect: begunOrDone(data.cues.length > 0, work.plan != null || data.closed != null),
    open: begunOrDone(work.plan != null, Object.keys(work.found).length > 0 || closing.length > 0),
    mend: begunOrDone(closing.length > 0, closing.length > 0 && (proving || work.acknowledged == null)),
    prove: begunOrDone(proving, proof.verdict != null && proof.verdict.outcome !== 'back'),
  };
}
