import type { Figure, JudgedCase, Schemas, Suspect } from '@/shared/api/client';
import { percent, quantity, signed } from '@/shared/format';

type Input = Figure['working']['inputs'][number];

const share = (probability: number) => ({ value: Math.round(probability * 1000) / 10, unit: '%' });

function worked(id: string, name: string, value: Figure['value'], working: Figure['working'], band?: [number, number]) {
  const [low, high] = band ?? [value.value, value.value];
  return { id, name, value, low: { ...value, value: low }, high: { ...value, value: high }, band: [], working };
}

/** How a suspect's share comes about: where it started, and what each piece of evidence did to its odds. */
export function suspectFigure(suspect: Suspect): Figure {
  const inputs: Input[] = [{ symbol: '', name: 'before anything was noted', value: percent(suspect.prior) }];
  for (const e of suspect.evidence) inputs.push({ symbol: '', name: e.text, value: `${signed(e.decibans, 2)} dB` });
  if (suspect.togetherDecibans !== 0)
    inputs.push({
      symbol: '',
      name: suspect.evidence.length ? 'pieces that only count side by side' : 'all pieces together',
      value: `${signed(suspect.togetherDecibans, 2)} dB`,
    });
  return worked(`suspect-${suspect.fault}`, suspect.name, share(suspect.probability), {
    formula: 'Bayes’ rule, odds in decibans',
    equation: 'odds now = odds before · 10^(Σ decibans / 10)',
    inputs,
    source: 'Prior by part and hours; each piece weighed by leaving it out; docs/reasoning.md',
  });
}

/** What is believed of a thing that is only read, never computed: the nozzle's passage, the crank's speed. */
export function comparisonFigure(c: Schemas['ComparisonDto']): Figure {
  return worked(
    c.quantity,
    c.name,
    c.expected,
    {
      formula: 'As the pump was set up',
      equation: 'σ away = (read − believed) / √(σ believed² + σ read²)',
      inputs: [
        { symbol: '', name: 'believed of the pump', value: quantity(c.expected, 4) },
        { symbol: '', name: 'read', value: quantity(c.read, 4) },
        { symbol: '', name: 'away', value: `${signed(c.sigmas, 2)} σ` },
      ],
      source: 'Set-up of the pump',
    },
    [c.low.value, c.high.value],
  );
}

/** A computed figure with what was read beside it: how many sigma the two are apart belongs to the working. */
export const withReading = (figure: Figure, c: Schemas['ComparisonDto']): Figure => ({
  ...figure,
  working: {
    ...figure.working,
    inputs: [
      ...figure.working.inputs,
      { symbol: '', name: 'read', value: quantity(c.read, 4) },
      { symbol: '', name: 'away from what is expected', value: `${signed(c.sigmas, 2)} σ` },
    ],
  },
});

const suspect = 'suspect-';

/** The name under which the working of a suspect stands in the address of a case. */
export const suspectKey = (fault: string): string => suspect + fault;

/** The working that such a name asks for; undefined where the case, as it stands, has none of it. */
export function figureOf(key: string | undefined, data: JudgedCase | undefined): Figure | undefined {
  const diagnosis = data?.diagnosis;
  if (!key || !diagnosis) return undefined;
  if (key.startsWith(suspect)) {
    const found = diagnosis.suspects.find((s) => s.fault === key.slice(suspect.length));
    return found && suspectFigure(found);
  }
  const ledger = diagnosis.ledger.figures.find((f) => `ledger-${f.id}` === key);
  if (ledger) return ledger;
  const read = diagnosis.comparisons.find((c) => c.quantity === key);
  const computed = diagnosis.expectation.find((f) => f.id === key);
  // Speed and nozzle are believed, not computed: what was entered stands against what was read.
  if (computed && key !== 'speed') return read ? withReading(computed, read) : computed;
  return read && comparisonFigure(read);
}
