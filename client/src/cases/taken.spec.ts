import { describe, expect, it } from 'vitest';
import { q } from './fixtures';
import { asTaken } from './taken';

const pressure = { quantity: 'discharge-pressure', value: q(69, 'bar') };
const told = { readings: [pressure] };
const after = [{ id: 'r', ...pressure, uncertainty: null, to: null, at: 'after' }];

describe('what is read after a mend', () => {
  it('is marked while proving', () => {
    expect(asTaken(told, 'prove', [])).toEqual({ readings: [{ ...pressure, at: 'after' }] });
  });

  it('is marked ever after, or going back to the suspects would show the old pump', () => {
    expect(asTaken(told, 'measure', after)).toEqual({ readings: [{ ...pressure, at: 'after' }] });
  });

  it('is nothing before, and no answer is touched', () => {
    expect(asTaken(told, 'measure', [])).toBe(told);
    const answer = { cues: [{ cue: 'needle', answer: 'steady' }] };
    expect(asTaken(answer, 'prove', after)).toBe(answer);
  });
});
