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
