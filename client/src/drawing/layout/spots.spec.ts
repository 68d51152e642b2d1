import { describe, expect, it } from 'vitest';
import { aCase, knowledge } from '@/shared/testing/fixtures';
import { answersAt, cuesAt, observablesAt, placeFor, spotName, spotOf, standingAt, type Spot } from './spots';

describe('places on the drawing', () => {
  it('are named as the trade names them', () => {
    expect(spotName(spotOf('caps', 2, 'discharge'))).toBe('Discharge valve 2');
    expect(spotName(spotOf('caps', 2))).toBe('Valves of cylinder 2');
    expect(spotName(spotOf('weep', 1))).toBe('Plunger and seals 1');
    expect(spotName(spotOf('nozzle'))).toBe('Nozzle');
  });

  it('hold what was noted there', () => {
    const gauge = standingAt('gauge', aCase(), knowledge);
    expect(gauge.readings.map((r) => r.id)).toEqual(['r0']);
    expect(gauge.cues.map((c) => c.id)).toEqual(['c0']);
    expect(standingAt('nozzle', aCase(), knowledge)).toEqual({ readings: [], cues: [] });
  });

  it('take their own readings and questions', () => {
    expect(observablesAt('crank', knowledge).map((o) => o.id)).toEqual(['speed', 'stroke-left']);
    const at = (side: 'inlet' | 'discharge') => cuesAt(spotOf('caps', 2, side), knowledge).map((c) => c.id);
    expect(at('discharge')).toEqual(['cap-listen', 'leak-at']);
    expect(at('inlet')).toEqual(['cap-listen', 'found-inlet-valves', 'leak-at']);
  });

  it('are asked what drips there, and nothing that drips elsewhere', () => {
    const leak = knowledge.cues.find((c) => c.id === 'leak-at');
    const told = (spot: Spot) => (leak ? answersAt(spot, leak).map((a) => a.id) : []);
    expect(told(spotOf('weep', 1))).toEqual(['none', 'weep']);
    expect(told(spotOf('caps', 1, 'inlet'))).toEqual(['cap']);
    expect(told(spotOf('control'))).toEqual(['unloader']);
  });

  it('know the strainer as part of the supply', () => expect(placeFor('strainer')).toBe('supply'));
});
