import type { Knowledge, PumpResource } from './client';

interface OnlyWhere {
  requires: string[];
  arrangements: string[];
  fitted: string[];
}

/** True where this pump, run like this, has what an entry of the catalogue is about. */
export function fits(entry: OnlyWhere, { pump, fittings }: PumpResource, placed = false): boolean {
  const arrangement = pump.arrangement ?? 'crank-plunger';
  const control = (pump.control ?? 'none').replace('-', '');
  const built =
    entry.arrangements.length > 0 ? entry.arrangements.includes(arrangement) : arrangement !== 'intensifier' || !placed;
  return (
    built &&
    (entry.requires.length === 0 || entry.requires.some((r) => r.replace('-', '').toLowerCase() === control)) &&
    entry.fitted.every((part) => fittings.includes(part))
  );
}

/** The part of the catalogue that concerns one pump. */
export function knowledgeOf(knowledge: Knowledge, pump: PumpResource): Knowledge {
  return {
    ...knowledge,
    cues: knowledge.cues
      .filter((c) => fits(c, pump))
      .map((c) => ({
        ...c,
        answers: c.answers.filter((a) => fits(a, pump, a.at === 'cylinder' || a.at === 'cavity')),
      })),
    observables: knowledge.observables.filter((o) => fits({ requires: [], ...o }, pump)),
    faults: knowledge.faults.filter((f) => fits(f, pump, f.location !== 'none')),
  };
}
