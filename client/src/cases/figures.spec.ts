import { describe, expect, it } from 'vitest';
import { actionFigure, comparisonFigure, suspectFigure } from './figures';
import { aComparison, aSuspect } from './fixtures';

describe('the working of a share', () => {
  it('leads from where it started to where it stands, by its own decibans', () => {
    const suspect = aSuspect({ prior: 0.05, probability: 0.7 });
    // Common practice, no source: odds 1/19 and 7/3 are 16.47 dB apart.
    suspect.togetherDecibans = 16.47 - 9.1 - 2.2 + 0.8;
    const inputs = suspectFigure(suspect).working.inputs;
    expect(inputs[0]?.value).toBe('5 %');
    const told = inputs.slice(1).map((i) => Number(i.value.replace('−', '-').replace(' dB', '')));
    const odds = (0.05 / 0.95) * 10 ** (told.reduce((a, b) => a + b, 0) / 10);
    expect(odds / (1 + odds)).toBeCloseTo(0.7, 1);
  });

  it('names every suspect that an action would mend, and no other', () => {
    const [one, other] = [aSuspect(), aSuspect({ fault: 'belt-slip', name: 'Belt slips', action: 'belt' })];
    const action = { action: 'belt', name: 'Tighten the belt', probability: 0.1, mendMinutes: 20 };
    const figure = actionFigure(action, [one, other]);
    expect(figure.working.inputs.map((i) => i.name)).toEqual(['Belt slips']);
    expect(figure.value).toEqual({ value: 10, unit: '%' });
  });

  it('stands what was read against what was told', () => {
    const figure = comparisonFigure(aComparison());
    expect(figure.low.value).toBe(1392);
    expect(figure.working.inputs.map((i) => i.value)).toEqual(['1450 rpm', '1246 rpm', '−7 σ']);
  });
});
