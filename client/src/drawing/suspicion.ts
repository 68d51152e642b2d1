import type { Suspect } from '@/shared/api/client';

/** Probability by part of the drawing: "nozzle", "discharge-valve:2". Suspects of one part add up. */
export type Suspicion = Record<string, number>;

export function suspicion(suspects: Suspect[]): Suspicion {
  const parts: Suspicion = {};
  const add = (part: string, p: number) => (parts[part] = (parts[part] ?? 0) + p);
  for (const suspect of suspects) {
    if (!suspect.part) continue;
    if (suspect.locations.length === 0) add(suspect.part, suspect.probability);
    // A fault of either valve sits on the side it was placed on.
    for (const at of suspect.locations)
      add(`${at.side ? `${at.side}-valve` : suspect.part}:${at.cylinder}`, at.probability);
  }
  return parts;
}

/** A share worth writing beside its part. */
export const worthAPlate = (p: number | undefined): boolean => p !== undefined && p >= 0.04;

/** What its plate says. */
export const share = (p: number | undefined): string =>
  p !== undefined && worthAPlate(p) ? `${Math.min(99, Math.round(100 * p))} %` : '';

/** How strongly a part is filled: nothing below two per cent, full from three quarters on. */
export function strength(probability: number | undefined): number {
  if (!probability || probability < 0.02) return 0;
  return 0.12 + 0.88 * Math.min(1, probability / 0.75);
}
