import { describe, expect, it } from 'vitest';
import { monday, moved, weeksOf } from './calendar';

describe('the calendar of what is due', () => {
  it('holds every day of a month once, in whole weeks from Monday', () => {
    for (const [month, days] of [
      ['2026-02', 28],
      ['2027-05', 31],
      ['2028-02', 29],
      ['2026-11', 30],
    ] as const) {
      const weeks = weeksOf(`${month}-01`);
      expect(weeks.every((w) => w.length === 7 && new Date(w[0] ?? '').getUTCDay() === 1)).toBe(true);
      expect(weeks.flat().filter((d) => d.startsWith(month))).toHaveLength(days);
      expect(new Set(weeks.flat()).size).toBe(weeks.length * 7);
    }
  });

  it('finds the Monday, also across a new year', () => {
    expect(monday('2027-01-01')).toBe('2026-12-28');
    expect(monday('2026-11-30')).toBe('2026-11-30');
    expect(moved('2026-12-31', { days: 1 })).toBe('2027-01-01');
    expect(moved('2026-12-15', { months: 1 })).toBe('2027-01-01');
  });
});
