import type { CaseResource, Knowledge } from '@/shared/api/client';
import type { Place } from './layout';

/** A place on the drawing that was tapped. */
export interface Spot {
  place: Place;
  cylinder?: number;
  side?: 'inlet' | 'discharge';
}

export function spotOf(place: Place, cylinder?: number, side?: 'inlet' | 'discharge'): Spot {
  return { place, ...(cylinder ? { cylinder } : {}), ...(side ? { side } : {}) };
}

/** A spot in one word, for the address and to find its part again: "caps.2.discharge". */
export const spotKey = (spot: Spot): string =>
  [spot.place, spot.cylinder, spot.side].filter((part) => part !== undefined).join('.');

/** The spot of such a word; undefined where it is none. */
export function readSpot(key: string): Spot | undefined {
  const [place, cylinder, side] = key.split('.');
  if (!place || !(place in placeNames)) return undefined;
  const k = Number(cylinder);
  return spotOf(
    place as Place,
    Number.isInteger(k) && k > 0 ? k : undefined,
    side === 'inlet' || side === 'discharge' ? side : undefined,
  );
}

/** Which cues and readings of the catalogue are entered at which place of the drawing. */
const placeOf: Record<string, Place> = {
  gauge: 'gauge',
  nozzle: 'nozzle',
  bypass: 'bypass',
  control: 'control',
  crank: 'crank',
  inlet: 'inlet',
  supply: 'supply',
  strainer: 'supply',
  caps: 'caps',
  weep: 'weep',
  plunger: 'weep',
};

export function placeFor(catalogue: string): Place {
  return placeOf[catalogue] ?? 'crank';
}

export const placeNames: Record<Place, string> = {
  gauge: 'Pressure gauge',
  nozzle: 'Nozzle',
  bypass: 'Bypass',
  control: 'Control valve',
  crank: 'Crank and drive',
  inlet: 'Inlet',
  supply: 'Supply',
  caps: 'Valves and caps',
  weep: 'Plungers and seals',
};

export function spotName(spot: Spot): string {
  if (spot.place === 'caps' && spot.cylinder)
    return spot.side
      ? `${spot.side === 'inlet' ? 'Inlet' : 'Discharge'} valve ${spot.cylinder}`
      : `Valves of cylinder ${spot.cylinder}`;
  if (spot.place === 'weep' && spot.cylinder) return `Plunger and seals ${spot.cylinder}`;
  return placeNames[spot.place];
}

export function observablesAt(place: Place, knowledge: Knowledge) {
  return knowledge.observables.filter((o) => placeFor(o.place) === place);
}

type Cue = Knowledge['cues'][number];

/** Answers that are entered at this spot: what drips elsewhere is entered elsewhere. */
export const answersAt = (spot: Spot, cue: Cue) =>
  cue.answers.filter(
    (a) => placeFor(a.place ?? cue.place) === spot.place && (a.at === 'none' || spot.cylinder !== undefined),
  );

/** Places that are groups of alike places: one a cylinder, or one a valve. */
export const isGroup = (place: Place): boolean => place === 'caps' || place === 'weep';

/** Cues that can be answered at this spot: at one cylinder those that name a place, at a group what holds for all of it. */
export function cuesAt(spot: Spot, knowledge: Knowledge) {
  return knowledge.cues.filter((cue) => {
    const answers = answersAt(spot, cue);
    if (answers.length === 0) return false;
    if (!answers.some((a) => !a.healthy) && !(isGroup(spot.place) && !spot.cylinder)) return false;
    if (cue.id === 'found-inlet-valves' && spot.side === 'discharge') return false;
    if (cue.id === 'found-discharge-valves' && spot.side === 'inlet') return false;
    return true;
  });
}

/** Every single place of a group, in the order in which they stand: what "which one?" offers. */
export function membersOf(place: Place, cylinders: number, plain: boolean): Spot[] {
  const each = Array.from({ length: cylinders }, (_, i) => i + 1);
  if (place === 'weep' || (place === 'caps' && plain)) return each.map((k) => spotOf(place, k));
  if (place !== 'caps') return [];
  return (['discharge', 'inlet'] as const).flatMap((side) => each.map((k) => spotOf(place, k, side)));
}

/** What stands in the case at this place. */
export function standingAt(place: Place, data: CaseResource, knowledge: Knowledge) {
  const readings = data.readings.filter((r) => {
    const what = knowledge.observables.find((o) => o.id === r.quantity);
    return what && placeFor(what.place) === place;
  });
  const cues = data.cues.filter((c) => {
    const cue = knowledge.cues.find((k) => k.id === c.cue);
    const answer = cue?.answers.find((a) => a.id === c.answer);
    return cue && placeFor(answer?.place ?? cue.place) === place;
  });
  return { readings, cues };
}
