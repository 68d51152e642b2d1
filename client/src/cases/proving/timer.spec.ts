import { describe, expect, it } from 'vitest';
import { clock, leftOf, turnWords } from './timer';

describe('a timer', () => {
  const started = '2026-03-02T08:00:00Z';
  const at = (seconds: number) => Date.parse(started) + seconds * 1000;

  it('runs by the moment it was started at, and ends at nothing', () => {
    expect(leftOf(undefined, 120, at(0))).toBeUndefined();
    expect(leftOf(started, 120, at(30))).toBe(90);
    expect(leftOf(started, 120, at(5000))).toBe(0);
  });

  it('reads as a clock', () => {
    expect([clock(120), clock(61.2), clock(0.4), clock(0)]).toEqual(['2:00', '1:02', '0:01', '0:00']);
  });
});

describe('a turn of the screw', () => {
  it('is said as a hand does it', () => {
    expect(turnWords(0.25)).toBe('a quarter turn in, clockwise');
    expect(turnWords(-0.125)).toBe('an eighth of a turn out');
    expect(turnWords(0.1)).toBe('0.10 of a turn (36°) in, clockwise');
  });
});
