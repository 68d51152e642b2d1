import { describe, expect, it } from 'vitest';
import { q } from '@/shared/testing/fixtures';
import { asTaken } from './taken';

const pressure = { quantity: 'discharge-pressure', value: q(69, 'bar') };
const told = { readings: [pressure] };
const after = {
  readings: [{ id: 'r', ...pressure, uncertainty: null, to: null, at: 'after', judged: true }],
  cues: [],
};
const nothing = { readings: [], cues: [] };

describe('what is read after a mend', () => {
  it('is marked while proving', () => {
    expect(asTaken(told, 'prove', nothing)).toEqual({ readings: [{ ...pressure, at: 'after' }] });
  });

  it('is marked ever after, or going back to the suspects would show the old pump', () => {
    expect(asTaken(told, 'measure', after)).toEqual({ readings: [{ ...pressure, at: 'after' }] });
  });

  it('is nothing before', () => {
    expect(asTaken(told, 'measure', nothing)).toBe(told);
  });

  it('marks answers too: a needle that swung before the mend says nothing of the pump as it is now', () => {
    const answer = { cues: [{ cue: 'needle', answer: 'steady' }] };
    expect(asTaken(answer, 'prove', nothing)).toEqual({ cues: [{ ...answer.cues[0], at: 'after' }] });
    expect(asTaken(answer, 'measure', after)).toEqual({ cues: [{ ...answer.cues[0], at: 'after' }] });
  });
});
