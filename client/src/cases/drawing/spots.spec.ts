import { describe, expect, it } from 'vitest';
import { aCase, knowledge } from '../fixtures';
import { cuesAt, observablesAt, placeFor, spotName, spotOf, standingAt } from './spots';

describe('places on the drawing', () => {
  it('are named as the trade names them', () => {
    expect(spotName(spotOf('caps', 2, 'discharge'))).toBe('Discharge valve 2');
    expect(spotName(spotOf('caps', 2))).toBe('Valves of cylinder 2');
    expect(spotName(spotOf('weep', 1))).toBe('Plunger and seals 1');
    expect(spotName(spotOf('nozzle'))).toBe('Nozzle');
  });

  it('hold what was told there', () => {
    const gauge = standingAt('gauge', aCase(), knowledge);
    expect(gauge.readings.map((r) => r.id)).toEqual(['r0']);
    expect(gauge.cues.map((c) => c.id)).toEqual(['c0']);
    expect(standingAt('nozzle', aCase(), knowledge)).toEqual({ readings: [], cues: [] });
  });

  it('take their own readings and questions', () => {
    expect(observablesAt('crank', knowledge).map((o) => o.id)).toEqual(['speed']);
    expect(cuesAt(spotOf('caps', 2, 'discharge'), knowledge, 'unloader').map((c) => c.id)).toEqual(['cap-listen']);
    expect(cuesAt(spotOf('caps', 2, 'inlet'), knowledge, 'unloader').map((c) => c.id)).toEqual([
      'cap-listen',
      'found-inlet-valves',
    ]);
  });

  it('do not ask about an unloader that is not there', () => {
    expect(cuesAt(spotOf('control'), knowledge, 'regulator')).toEqual([]);
    expect(cuesAt(spotOf('control'), knowledge, 'unloader')).toHaveLength(1);
  });

  it('know the strainer as part of the supply', () => expect(placeFor('strainer')).toBe('supply'));
});
