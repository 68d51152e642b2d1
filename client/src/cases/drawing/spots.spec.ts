import { describe, expect, it } from 'vitest';
import type { PumpResource } from '@/shared/api/client';
import { knowledgeOf } from '@/shared/api/fits';
import { aCase, knowledge } from '../fixtures';
import { answersAt, cuesAt, observablesAt, placeFor, spotName, spotOf, standingAt, type Spot } from './spots';

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
    const crank = (arrangement: string) => {
      const pump = { pump: { arrangement }, setup: {} } as unknown as PumpResource;
      return observablesAt('crank', knowledgeOf(knowledge, pump)).map((o) => o.id);
    };
    expect(crank('crank-plunger')).toEqual(['speed']);
    expect(crank('intensifier')).toEqual(['speed', 'stroke-left']);
    const at = (side: 'inlet' | 'discharge') => cuesAt(spotOf('caps', 2, side), knowledge).map((c) => c.id);
    expect(at('discharge')).toEqual(['cap-listen', 'leak-at']);
    expect(at('inlet')).toEqual(['cap-listen', 'found-inlet-valves', 'leak-at']);
  });

  it('are told what drips there, and nothing that drips elsewhere', () => {
    const leak = knowledge.cues.find((c) => c.id === 'leak-at');
    const told = (spot: Spot) => (leak ? answersAt(spot, leak).map((a) => a.id) : []);
    expect(told(spotOf('weep', 1))).toEqual(['none', 'weep']);
    expect(told(spotOf('caps', 1, 'inlet'))).toEqual(['cap']);
    expect(told(spotOf('control'))).toEqual(['unloader']);
  });

  it('do not ask about an unloader that is not there', () => {
    const pump = (control: string) => ({ pump: { control }, setup: {} }) as unknown as PumpResource;
    const asked = (control: string) =>
      cuesAt(spotOf('control'), knowledgeOf(knowledge, pump(control))).map((c) => c.id);
    expect(asked('regulator')).not.toContain('found-unloader');
    expect(asked('unloader')).toContain('found-unloader');
  });

  it('know the strainer as part of the supply', () => expect(placeFor('strainer')).toBe('supply'));
});
