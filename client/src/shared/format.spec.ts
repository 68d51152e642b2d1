import { describe, expect, it } from 'vitest';
import { digits, percent, quantity, signed, when } from './format';

describe('figures', () => {
  it.each([
    [31, '31'],
    [12.5649, '12.6'],
    [0.0312, '0.0312'],
    [1450.4, '1450'],
    [0, '0'],
    [-7.26, '-7.26'],
  ])('writes %f with three digits', (value, text) => expect(digits(value)).toBe(text));

  it('never says certain', () => {
    expect(percent(1)).toBe('over 99 %');
    expect(percent(0)).toBe('under 1 %');
    expect(percent(0.713)).toBe('71 %');
  });

  it('always shows the sign of a deviation', () => {
    expect(signed(-7.3)).toBe('−7.3');
    expect(signed(0.4)).toBe('+0.4');
  });

  it('writes value and unit', () => expect(quantity({ value: 12.634, unit: 'L/min' })).toBe('12.6 L/min'));

  it('tells days apart', () => {
    const now = new Date(2026, 10, 23, 18, 0);
    expect(when(new Date(2026, 10, 23, 9, 5).toISOString(), now)).toBe('today 09:05');
    expect(when(new Date(2026, 10, 22, 9, 5).toISOString(), now)).toBe('yesterday 09:05');
    expect(when(new Date(2026, 9, 2, 9, 5).toISOString(), now)).toBe('2 Oct 2026');
  });
});
