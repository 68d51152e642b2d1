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
  if (group && group.places.length > 1) return { kind: 'bolts', step, group };
  return step.id === 'after.1' ? { kind: 'count', step } : { kind: 'step', step };
}

/** The way through a stage. Hazards stand before the first step that is not done while it runs. */
export function cardsOf(plan: Plan, stage: 'open' | 'mend'): Card[] {
  if (stage === 'mend')
    return [
      { kind: 'parts' },
      { kind: 'hazards' },
      ...plan.steps.filter((s) => s.stage === 'close').map((s) => ofStep(s, plan)),
      { kind: 'closed' },
    ];
  const steps = plan.steps.filter((s) => opening.includes(s.stage));
  const dead = steps.findIndex((s) => s.machine !== 'running');
  return [
    { kind: 'ready' },
    ...steps.slice(0, dead).map((s) => ofStep(s, plan)),
    { kind: 'hazards' },
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

const share = (part: number) => `${Math.round(part * 100)} %`;

/** Rounds of a group: slackened and out, or by hand, snug and up to the torque. */
export function boltPasses(step: Step, group: BoltGroup): Pass[] {
  if (step.stage !== 'close')
    return [
      { name: 'a quarter turn', order: group.loosen, torque: [] },
      { name: 'out', order: group.loosen, torque: [] },
    ];
  return [
    { name: 'by hand', order: group.start, torque: [] },
    { name: 'snug', order: group.snug, torque: [] },
    ...group.passes.map((p, i) => ({
      name: i > 0 && p.share === group.passes[i - 1]?.share ? `${share(p.share)} again` : share(p.share),
      order: group.tighten,
      torque: p.inAllUnits,
    })),
  ];
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
