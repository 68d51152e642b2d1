import type { Schemas } from '@/shared/api/client';

export type Plan = Schemas['ServicePlanResponse'];
export type Step = Schemas['ServiceStepDto'];
export type StepPlace = Schemas['StepPlaceDto'];
export type BoltGroup = Schemas['BoltGroupDto'];
export type Work = Schemas['WorkDto'];

/** One thing at a time: what lies on the bench, one step, bolts by number, the map of what was found. */
export type Card =
  | { kind: 'ready' | 'hazards' | 'inspect' | 'parts' | 'closed' }
  | { kind: 'step' | 'count'; step: Step }
  | { kind: 'bolts'; step: Step; group: BoltGroup };

export const cardKey = (card: Card) => ('step' in card ? card.step.id : card.kind);

const opening = ['before', 'open'];

function ofStep(step: Step, plan: Plan): Card {
  const group = step.bolts ? plan.bolts.find((b) => b.group === step.bolts) : undefined;
  if (group && group.places.length > 1 && step.rounds.length) return { kind: 'bolts', step, group };
  return step.id === 'after.1' ? { kind: 'count', step } : { kind: 'step', step };
}

/** The way through a stage. Hazards stand before the first step that is not done while it runs. */
export function cardsOf(plan: Plan, stage: 'open' | 'mend'): Card[] {
  if (stage === 'mend')
    return [
      ...(plan.steps.some((s) => s.stage === 'mend') ? [{ kind: 'parts' as const }] : []),
      ...(plan.steps.some((s) => s.stage === 'close') ? [{ kind: 'hazards' as const }] : []),
      ...plan.steps.filter((s) => s.stage === 'close').map((s) => ofStep(s, plan)),
      { kind: 'closed' },
    ];
  const steps = plan.steps.filter((s) => opening.includes(s.stage));
  const found = steps.findIndex((s) => s.machine !== 'running');
  const dead = found < 0 ? steps.length : found;
  return [
    { kind: 'ready' },
    ...steps.slice(0, dead).map((s) => ofStep(s, plan)),
    ...(found < 0 ? [] : [{ kind: 'hazards' as const }]),
    ...steps.slice(dead).map((s) => ofStep(s, plan)),
    { kind: 'inspect' },
  ];
}

export const isTicked = (work: Work, tick: string) => {
  const done = work.steps[tick];
  return done !== undefined && done.taps == null;
};

const allTicked = (step: Step, work: Work) => step.places.every((p) => isTicked(work, p.tick));

/** True where nothing is left to do on a card. What lies ready counts once something was done. */
export function isDone(card: Card, plan: Plan, work: Work): boolean {
  if (card.kind === 'ready') return Object.keys(work.steps).length > 0 || work.acknowledged != null;
  if (card.kind === 'hazards') return work.acknowledged != null;
  if (card.kind === 'inspect') return plan.inspect.every((i) => work.found[i.id] !== undefined);
  if (card.kind === 'parts') return plan.steps.filter((s) => s.stage === 'mend').every((s) => allTicked(s, work));
  if (card.kind === 'closed') return false;
  return 'step' in card && allTicked(card.step, work);
}

/** Where a case is taken up again: the first card on which something is left. */
export function firstOpen(cards: Card[], plan: Plan, work: Work): number {
  const at = cards.findIndex((c) => !isDone(c, plan, work));
  return at < 0 ? cards.length - 1 : at;
}

/** The place at which a step goes on; undefined once it is done everywhere. */
export const nextPlace = (step: Step, work: Work): StepPlace | undefined =>
  step.places.find((p) => !isTicked(work, p.tick));

/** "2 discharge", "cylinder 2", "left end", or nothing for the whole pump. */
export function placeName(place: { cylinder?: number | null; side?: string | null; end?: string | null }): string {
  if (place.end) return [`${place.end} end`, place.side].filter(Boolean).join(' ');
  if (place.cylinder == null) return '';
  return place.side ? `${place.cylinder} ${place.side}` : `cylinder ${place.cylinder}`;
}

/** Whether a part is off at a place: everything that takes it off is ticked, and not all that puts it back. */
export function offParts(plan: Plan, work: Work): Set<string> {
  const parts = new Set(plan.opens.map((o) => o.part));
  return new Set(
    [...parts].filter((part) => {
      const off = plan.steps.filter((s) => s.part === part && s.stage === 'open');
      const on = plan.steps.filter((s) => s.part === part && s.stage === 'close' && !s.facing);
      return off.every((s) => allTicked(s, work)) && !on.every((s) => allTicked(s, work));
    }),
  );
}

/** Minutes that are left of a plan. */
export function minutesLeft(plan: Plan, work: Work): number {
  return plan.steps.reduce((sum, s) => {
    const open = s.places.filter((p) => !isTicked(work, p.tick)).length;
    return sum + (s.minutes * open) / s.places.length;
  }, 0);
}

/** One round over all bolts of a group. */
export interface Pass {
  name: string;
  order: number[];
  /** In all units; nothing where there is no figure, or none is wanted. */
  torque: string[];
}

/** Rounds of a step over its bolts, as its plan has them. */
export const boltPasses = (step: Step): Pass[] =>
  step.rounds.map((r) => ({ name: r.name, order: r.order, torque: r.inAllUnits }));

/** What is done with the bolts of a step, in a word. */
export function boltWork(step: Step): string {
  if (step.stage === 'close') return step.tightens ? 'draw home' : 'by hand';
  return step.rounds.some((r) => r.name === 'out') && step.rounds.length === 1 ? 'out' : 'slacken';
}

/** Which bolt is in turn after so many; undefined once all rounds are done. */
export function boltAt(passes: Pass[], taps: number): { pass: number; number: number } | undefined {
  let left = taps;
  for (const [pass, { order }] of passes.entries()) {
    const number = order[left];
    if (number !== undefined) return { pass, number };
    left -= order.length;
  }
  return undefined;
}

export const allTaps = (passes: Pass[]) => passes.reduce((sum, p) => sum + p.order.length, 0);

/** The drawing of the cavity a step is about: the one of the side at hand, where there are two. */
export function stackOf(plan: Plan, step: Step, side?: string | null): Plan['stacks'][number] | undefined {
  const having = plan.stacks.filter((s) => step.part != null && s.parts.includes(step.part));
  return having.find((s) => s.per === side) ?? having[0];
}
