import type { Figure, JudgedCase } from '@/shared/api/client';
import { actionFigure, comparisonFigure, suspectFigure, withReading } from './figures';

const suspect = 'suspect-';
const action = 'action-';

/** Names under which the workings of a case stand in its address. */
export const suspectKey = (fault: string): string => suspect + fault;
export const actionKey = (id: string): string => action + id;

/** The working that such a name asks for; undefined where the case, as it stands, has none of it. */
export function figureOf(key: string | undefined, data: JudgedCase | undefined): Figure | undefined {
  const diagnosis = data?.diagnosis;
  if (!key || !diagnosis) return undefined;
  if (key.startsWith(suspect)) {
    const found = diagnosis.suspects.find((s) => s.fault === key.slice(suspect.length));
    return found && suspectFigure(found);
  }
  if (key.startsWith(action)) {
    const found = diagnosis.actions.find((a) => a.action === key.slice(action.length));
    return found && actionFigure(found, diagnosis.suspects);
  }
  const ledger = diagnosis.ledger.figures.find((f) => `ledger-${f.id}` === key);
  if (ledger) return ledger;
  const read = diagnosis.comparisons.find((c) => c.quantity === key);
  const computed = diagnosis.expectation.find((f) => f.id === key);
  // Speed and nozzle are believed, not computed: what was entered stands against what was read.
  if (computed && key !== 'speed') return read ? withReading(computed, read) : computed;
  return read && comparisonFigure(read);
}
