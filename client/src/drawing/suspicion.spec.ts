import { describe, expect, it } from 'vitest';
import type { Suspect } from '@/shared/api/client';
import { strength, suspicion } from './suspicion';

const suspect = (part: string, probability: number, at: number[] = []) =>
  ({
    part,
    probability,
    locations: at.map((p, i) => ({ cylinder: i + 1, side: null, probability: p })),
  }) as unknown as Suspect;

describe('suspicion on the parts', () => {
  it('adds up suspects that share a part and keeps cylinders apart', () => {
    const parts = suspicion([
      suspect('nozzle', 0.2),
      suspect('nozzle', 0.1),
      suspect('discharge-valve', 0.6, [0.1, 0.5, 0]),
      suspect('', 0.1),
    ]);
    expect(parts['nozzle']).toBeCloseTo(0.3);
    expect(parts['discharge-valve:2']).toBe(0.5);
    expect(Object.keys(parts)).not.toContain('');
  });

  it('fills more with more suspicion, and not at all with next to none', () => {
    expect(strength(undefined)).toBe(0);
    expect(strength(0.005)).toBe(0);
    const steps = [0.02, 0.1, 0.3, 0.6, 0.75].map(strength);
    expect([...steps].sort((a, b) => a - b)).toEqual(steps);
    expect(strength(0.9)).toBe(1);
  });
});
