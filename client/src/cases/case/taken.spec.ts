import { describe, expect, it } from 'vitest';
import { q } from '@/shared/testing/fixtures';
import { asTaken } from './taken';

const pressure = { quantity: 'discharge-pressure', value: q(69, 'bar') };
const told = { readings: [pressure] };

describe('what is read after a mend', () => {
  it('is marked while proving', () => {
    expect(asTaken(told, 'prove')).toEqual({ readings: [{ ...pressure, at: 'after' }] });
  });

  it('is left to the server at every other stage, which knows the mends behind the pump', () => {
    expect(asTaken(told, 'measure')).toBe(told);
  });

  it('marks answers too: a needle that swung before the mend says nothing of the pump as it is now', () => {
    const answer = { cues: [{ cue: 'needle', answer: 'steady' }] };
    expect(asTaken(answer, 'prove')).toEqual({ cues: [{ ...answer.cues[0], at: 'after' }] });
  });
});
