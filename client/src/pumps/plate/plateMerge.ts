import type { Plate, TypedQuantity } from './plate';

/** A field that two changed in two ways since the draft was begun. */
export interface FieldConflict {
  field: keyof Plate;
  name: string;
  mine: string;
  theirs: string;
}

export interface Merged {
  plate: Plate;
  conflicts: FieldConflict[];
}

const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b);

/** "plungerDiameter" as it would be said. */
const nameOf = (field: string) => field.replace(/([A-Z])/g, (letter) => ` ${letter.toLowerCase()}`);

function inWords(value: Plate[keyof Plate]): string {
  if (typeof value === 'object') {
    const { text, unit } = value as TypedQuantity;
    return text.trim() ? `${text} ${unit}`.trim() : 'nothing';
  }
  return typeof value === 'boolean' ? (value ? 'yes' : 'no') : String(value) || 'nothing';
}

/**
 * A draft laid over a pump that somebody corrected since it was begun: each keeps what only one of the two changed. Where
 * both did, mine stands, and both are said.
 */
export function merge(basis: Plate, mine: Plate, theirs: Plate): Merged {
  const plate = { ...theirs };
  const conflicts: FieldConflict[] = [];
  for (const field of Object.keys(mine) as (keyof Plate)[]) {
    if (same(mine[field], basis[field]) || same(mine[field], theirs[field])) continue;
    Object.assign(plate, { [field]: mine[field] });
    if (!same(theirs[field], basis[field]))
      conflicts.push({ field, name: nameOf(field), mine: inWords(mine[field]), theirs: inWords(theirs[field]) });
  }
  return { plate, conflicts };
}
