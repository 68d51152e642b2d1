import { describe, expect, it } from 'vitest';
import {
  allTaps,
  boltAt,
  boltPasses,
  boltWork,
  cardKey,
  cardsOf,
  firstOpen,
  minutesLeft,
  offParts,
  placeName,
  type BoltGroup,
  type Plan,
  type Step,
  type Work,
} from './cards';

const step = (id: string, stage: string, more: Partial<Step> = {}): Step => ({
  id,
  stage,
  text: id,
  why: null,
  mind: [],
  tools: [],
  better: null,
  consumables: [],
  hazards: [],
  machine: 'open',
  minutes: 2,
  part: null,
  bolts: null,
  places: [{ tick: id, cylinder: null, side: null, end: null }],
  facing: false,
  schools: null,
  rounds: [],
  tightens: false,
  lays: false,
  notes: null,
  photo: false,
  ...more,
});

const round = (name: string, order: number[], torque: string[] = []) => ({ name, order, inAllUnits: torque });
const [loosen, across] = [
  [3, 2, 4, 1],
  [1, 4, 2, 3],
];
const group = {
  group: 'head-bolts',
  name: 'Head bolts',
  places: [1, 2, 3, 4].map((number) => ({ number, x: 0, y: 0 })),
} as unknown as BoltGroup;

const both = [1, 2].map((cylinder) => ({ tick: `valve.off.1@${cylinder}`, cylinder, side: null, end: null }));
const plan = {
  opens: [{ part: 'valve', name: 'Valve', place: {} }],
  bolts: [group],
  inspect: [{ id: 'valve.1' }, { id: 'valve.2' }],
  steps: [
    step('running.1', 'before', { machine: 'running' }),
    step('lock-out.1', 'before', { machine: 'locked-out' }),
    step('head.loosen', 'open', { bolts: 'head-bolts' }),
    step('valve.off.1', 'open', { part: 'valve', places: both, minutes: 4 }),
    step('valve.ready', 'mend', { part: 'valve', minutes: 0 }),
    step('valve.on.1', 'close', { part: 'valve' }),
    step('valve.facing', 'close', { part: 'valve', facing: true, minutes: 0 }),
    step('after.1', 'close'),
  ],
} as unknown as Plan;

const done = (...ticks: string[]): Work => ({
  plan: null,
  acknowledged: null,
  steps: Object.fromEntries(ticks.map((t) => [t, { by: 'Tobi', at: '', wrench: null, taps: null }])),
  found: {},
  batches: {},
});

describe('the way through the work', () => {
  it('puts the hazards before the first step of a pump that no longer runs', () => {
    expect(cardsOf(plan, 'open').map(cardKey)).toEqual([
      'ready',
      'running.1',
      'hazards',
      'lock-out.1',
      'head.loosen',
      'valve.off.1',
      'inspect',
    ]);
    expect(cardsOf(plan, 'mend').map((c) => c.kind)).toEqual(['parts', 'hazards', 'step', 'step', 'count', 'closed']);
  });

  it('is taken up at the first card with something left, also half way through the places of a step', () => {
    const cards = cardsOf(plan, 'open');
    expect(firstOpen(cards, plan, done())).toBe(0);
    const half = {
      ...done('running.1', 'lock-out.1', 'head.loosen', 'valve.off.1@1'),
      acknowledged: { by: 'T', at: '', hazards: [] },
    };
    expect(cardKey(cards[firstOpen(cards, plan, half)] ?? { kind: 'ready' })).toBe('valve.off.1');
  });

  it('counts the minutes that are left, place by place', () => {
    expect(minutesLeft(plan, done())).toBe(14);
    expect(minutesLeft(plan, done('valve.off.1@1'))).toBe(12);
  });

  it('knows a part to be off from the last place until it is back', () => {
    expect(offParts(plan, done('valve.off.1@1')).size).toBe(0);
    expect([...offParts(plan, done('valve.off.1@1', 'valve.off.1@2'))]).toEqual(['valve']);
    expect(offParts(plan, done('valve.off.1@1', 'valve.off.1@2', 'valve.on.1')).size).toBe(0);
  });

  it('names places as they are spoken', () => {
    expect(placeName({ cylinder: 2, side: 'discharge' })).toBe('2 discharge');
    expect(placeName({ cylinder: 2 })).toBe('cylinder 2');
    expect(placeName({ end: 'left' })).toBe('left end');
    expect(placeName({})).toBe('');
  });
});

describe('bolts round by round', () => {
  const passes = boltPasses(
    step('head.tighten', 'close', {
      tightens: true,
      rounds: [round('by hand', [1, 2, 3, 4]), round('snug', across), round('30 %', across, ['30 N·m'])],
    }),
  );

  it('are those of the plan, each with what the wrench is set to', () => {
    expect(passes.map((p) => p.name)).toEqual(['by hand', 'snug', '30 %']);
    expect(passes[2]?.torque).toEqual(['30 N·m']);
    expect(allTaps(passes)).toBe(12);
  });

  it('say which is in turn, and that none is left', () => {
    expect(boltAt(passes, 0)).toEqual({ pass: 0, number: 1 });
    expect(boltAt(passes, 9)).toEqual({ pass: 2, number: 4 });
    expect(boltAt(passes, 12)).toBeUndefined();
  });

  it('say what is done with them', () => {
    const quarter = round('a quarter turn', loosen);
    const out = round('out', loosen);
    expect(boltWork(step('head.loosen', 'open', { rounds: [quarter, out] }))).toBe('slacken');
    expect(boltWork(step('head.draw', 'open', { rounds: [out] }))).toBe('out');
    expect(boltWork(step('head.start', 'close', { rounds: [round('by hand', across)] }))).toBe('by hand');
    expect(boltWork(step('head.tighten', 'close', { tightens: true }))).toBe('draw home');
  });
});
