import { describe, expect, it } from 'vitest';
import { comparisonFigure, suspectFigure } from './figures';
import { aComparison, aSuspect } from '@/shared/testing/fixtures';

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

  it('stands what was read against what was told', () => {
    const figure = comparisonFigure(aComparison());
    expect(figure.low.value).toBe(1392);
    expect(figure.working.inputs.map((i) => i.value)).toEqual(['1450 rpm', '1246 rpm', '−7 σ']);
  });
});
