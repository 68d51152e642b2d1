import type { JudgedCase, Knowledge, NextCheck, Suspect } from '@/shared/api/client';

/** A small case for the components' own tests. */
export const q = (value: number, unit: string) => ({ value, unit });

export function aSuspect(over: Partial<Suspect> = {}): Suspect {
  return {
    fault: 'discharge-valve-leak',
    name: 'Discharge valve leaks',
    part: 'discharge-valve',
    side: 'discharge',
    probability: 0.7,
    prior: 0.05,
    hunch: 'fair hunch',
    severity: { middle: 0.8, low: 0.6, high: 1, zero: 'tight', one: 'wide open' },
    locations: [
      { cylinder: 2, side: 'discharge', probability: 0.6 },
      { cylinder: 1, side: 'discharge', probability: 0.05 },
      { cylinder: 3, side: 'discharge', probability: 0.05 },
    ],
    evidence: [
      { source: 'c0', decibans: 9.1, text: 'Needle of the gauge: swings', brief: 'Needle of the gauge: swings' },
      {
        source: 'r0',
        decibans: 2.2,
        text: 'Pressure at the head: 31 bar read',
        brief: 'Pressure at the head: 31 bar read',
      },
      { source: 'r1', decibans: -0.8, text: 'Crank speed: 1447 rpm read', brief: 'Crank speed: 1447 rpm read' },
    ],
    togetherDecibans: 1.5,
    how: 'Debris.',
    causes: ['debris'],
    action: 'discharge-valves',
    actionName: 'Renew the discharge valve',
    mendMinutes: 35,
    hazards: [{ id: 'lock-out', text: 'Lock out.' }],
    ...over,
  };
}

/** A crank that turns far too slowly. */
export const aComparison = () => ({
  quantity: 'speed',
  name: 'Crank speed',
  short: 'Crank',
  place: 'crank',
  read: q(1246, 'rpm'),
  expected: q(1450, 'rpm'),
  low: q(1392, 'rpm'),
  high: q(1508, 'rpm'),
  sigmas: -7,
});

export function aCheck(over: Partial<NextCheck> = {}): NextCheck {
  return {
    check: 'watch-inlet-hose',
    name: 'Watch the inlet hose',
    question: 'What does the hose do?',
    how: 'Look.',
    opens: 'nothing',
    minutes: 1,
    putBackMinutes: 0,
    information: 0.1,
    informationPerMinute: 0.1,
    minutesToMend: 60,
    cue: 'inlet-hose',
    reading: null,
    hazards: [{ id: 'rotating', text: 'Guards stay on.' }],
    answers: [
      {
        answer: 'calm',
        text: 'calm',
        cylinder: null,
        side: null,
        probability: 0.8,
        then: 'Discharge valve leaks → 90 %',
        leader: 'Discharge valve leaks',
        leaderProbability: 0.9,
      },
      {
        answer: 'kicking',
        text: 'kicks',
        cylinder: null,
        side: null,
        probability: 0.1,
        then: 'Inlet valve leaks → 60 %',
        leader: 'Inlet valve leaks',
        leaderProbability: 0.6,
      },
      {
        answer: 'sucked-flat',
        text: 'sucked flat',
        cylinder: null,
        side: null,
        probability: 0.1,
        then: 'Supply restricted → 50 %',
        leader: 'Supply restricted',
        leaderProbability: 0.5,
      },
    ],
    ...over,
  };
}

export function aLedger(over: Partial<JudgedCase['diagnosis']['ledger']> = {}): JudgedCase['diagnosis']['ledger'] {
  const term = (value: number, source: string) => ({ flow: q(value, 'L/min'), sigma: q(0.3, 'L/min'), source });
  return {
    displaced: term(19, 'computed'),
    nozzle: term(12.5, 'measured'),
    bypass: term(0, 'measured'),
    outside: { flow: null, sigma: null, source: 'unknown' },
    missing: term(6.5, 'computed'),
    missingShares: 1.03,
    missingSharesSigma: 0.1,
    missingMayBeInBypass: false,
    text: '1.03 ± 0.10 of one cylinder is missing.',
    figures: [],
    ...over,
  };
}

export function aCase(over: Partial<JudgedCase> = {}): JudgedCase {
  return {
    id: 'case-1',
    version: 3,
    pump: {
      id: 'pump-1',
      tag: 'FOG-2',
      name: 'Triplex',
      duty: 'Fogging',
      version: 1,
      sheet: {},
      fittings: ['nozzle', 'bypass', 'motor', 'belt', 'lifting', 'seal-to-inlet', 'shuts-off'],
      pump: {
        arrangement: 'crank-plunger',
        cylinders: 3,
        plungerDiameter: q(18, 'mm'),
        stroke: q(18, 'mm'),
        rodRatio: 0.2,
        ratedSpeed: q(1450, 'rpm'),
        ratedPressure: q(100, 'bar'),
        control: 'unloader',
      },
      setup: { speed: q(1450, 'rpm'), nozzle: { flow: q(19.2, 'L/min'), at: q(70, 'bar') } },
    },
    work: { plan: null, acknowledged: null, steps: {}, found: {}, batches: {} },
    proof: {
      acknowledged: {},
      acts: {},
      started: {},
      steps: {},
      shut: null,
      screw: null,
      verdict: null,
      shuts: {},
      leftOut: {},
    },
    round: 1,
    mends: 0,
    complaint: 'Mist turns to drizzle',
    stage: 'suspect',
    closed: null,
    openedAt: '2026-03-02T08:00:00',
    readings: [
      {
        id: 'r0',
        quantity: 'discharge-pressure',
        value: q(31, 'bar'),
        uncertainty: null,
        to: null,
        at: null,
        mends: 0,
        judged: true,
      },
      {
        id: 'r1',
        quantity: 'speed',
        value: q(1447, 'rpm'),
        uncertainty: null,
        to: null,
        at: null,
        mends: 0,
        judged: true,
      },
    ],
    cues: [
      {
        id: 'c0',
        cue: 'needle',
        answer: 'swings',
        cylinder: null,
        side: null,
        dropsPerMinute: null,
        stream: false,
        when: null,
        at: null,
        mends: 0,
        says: 'Needle of the gauge: swings',
        tag: 'needle swings',
        judged: true,
      },
    ],
    context: [],
    facts: {},
    changes: [],
    undo: 'Pressure',
    redo: null,
    hours: [],
    hoursOnRecord: [],
    couldNot: [],
    limits: { without: null, keepRunning: null, mostMinutes: null, apprentice: null, avoid: null },
    found: {},
    trouble: null,
    diagnosis: {
      stopNow: [],
      mended: null,
      actions: [],
      suspects: [
        aSuspect(),
        aSuspect({
          fault: 'no-fault',
          name: 'Nothing wrong',
          part: '',
          probability: 0.01,
          locations: [],
          evidence: [],
        }),
      ],
      ledger: aLedger(),
      contradictions: [],
      nextChecks: [
        aCheck(),
        aCheck({
          check: 'speed-check',
          name: 'Measure the speed',
          cue: null,
          reading: 'speed',
          minutes: 3,
          information: 0.2,
        }),
      ],
      comparisons: [],
      expectation: [],
      considered: 23,
      pairs: [],
      twoAtOnce: 0.05,
      rival: null,
      openNow: {
        recommended: false,
        minutesIfTested: 58,
        minutesIfOpened: 90,
        bestCheck: 'watch-inlet-hose',
        text: 'Test first: about 58 min to a proved pump with “watch the inlet hose”, 90 if you open now.',
      },
    },
    ...over,
  };
}

const answer = (id: string, healthy: boolean, at = 'none', place: string | null = null) => ({
  id,
  text: id,
  healthy,
  at,
  place,
});
const cue = (id: string, place: string, answers: Knowledge['cues'][number]['answers'], kind = 'choice') => ({
  id,
  name: id,
  place,
  question: `${id}?`,
  kind,
  reveals: id.startsWith('found'),
  answers,
});

export const knowledge: Knowledge = {
  cues: [
    cue('needle', 'gauge', [answer('steady', true), answer('swings', false)]),
    cue('cap-listen', 'caps', [answer('alike', true), answer('hisses', false, 'cavity')]),
    cue('found-unloader', 'control', [answer('good', true), answer('seat', false)]),
    cue('found-inlet-valves', 'caps', [answer('good', true), answer('bad', false, 'cylinder')]),
    cue(
      'leak-at',
      'weep',
      [
        answer('none', true),
        answer('weep', false, 'cylinder'),
        answer('cap', false, 'cavity', 'caps'),
        answer('unloader', false, 'none', 'control'),
      ],
      'places',
    ),
  ],
  observables: [
    {
      id: 'discharge-pressure',
      name: 'Pressure at the head',
      short: 'Pressure',
      place: 'gauge',
      units: ['bar', 'psi'],
    },
    { id: 'speed', name: 'Crank speed', short: 'Crank', place: 'crank', units: ['rpm'] },
    {
      id: 'stroke-left',
      name: 'A stroke of the left end',
      short: 'A',
      place: 'crank',
      units: ['s'],
    },
  ],
  contexts: [],
  faults: [],
  units: {},
  tools: ['tachometer', 'transducer'],
  hazards: [],
  shopFile: { name: 'shop-knowledge.json', inUse: false, trouble: null },
  shopSheets: { name: 'shop-sheets.json', inUse: false, trouble: null },
  wearingParts: ['hp-seal', 'lp-seal'],
};
