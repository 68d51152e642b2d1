import type { JudgedCase, Suspect } from '@/shared/api/client';

type Evidence = Suspect['evidence'][number];

/** The weightiest reasons on either side. A piece that hardly weighs is no reason. */
export interface Reasons {
  for: Evidence[];
  against: Evidence[];
}

const weighs = 0.3;

export function reasons(s: Suspect, mostFor = 2, mostAgainst = 1): Reasons {
  const byWeight = [...s.evidence].sort((a, b) => Math.abs(b.decibans) - Math.abs(a.decibans));
  return {
    for: byWeight.filter((e) => e.decibans >= weighs).slice(0, mostFor),
    against: byWeight.filter((e) => e.decibans <= -weighs).slice(0, mostAgainst),
  };
}

/** Where it sits, once one place is clearly likelier than the others: ", cylinder 2". */
export function settledPlace(s: Suspect): string {
  const best = s.locations[0];
  if (!best || best.probability < 0.6 * s.probability) return '';
  return `, ${best.end ? `${best.end} end` : `cylinder ${best.cylinder}`}`;
}

/** How far the place is settled, in words. */
export function placeWords(s: Suspect): string {
  const best = s.locations[0];
  if (!best) return '';
  const shareOfBest = best.probability / Math.max(s.probability, 1e-9);
  if (shareOfBest <= 1.3 / s.locations.length) return best.end ? 'either end' : 'any cylinder';
  return `${best.end ? `${best.end} end` : `cylinder ${best.cylinder}`} likeliest`;
}

type Pair = JudgedCase['diagnosis']['pairs'][number];

/** Two faults at once, each with its place. */
export const pairName = (p: Pair): string =>
  p.faults
    .map((f) => `${f.name}${f.end ? ` (${f.end} end)` : f.cylinder ? ` (${f.side ?? 'cylinder'} ${f.cylinder})` : ''}`)
    .join(' and ');
