import { describe, expect, it } from 'vitest';
import { columns, fields, fittings, height, meet, width } from './layout';

describe('the drawing', () => {
  it.each([1, 2, 3, 4, 5, 6, 7])('keeps the parts of %i cylinders apart and on the sheet', (n) => {
    const cols = columns(n);
    expect(cols).toHaveLength(n);
    const boxes = cols.flatMap((c) => [
      c.discharge,
      c.inlet,
      { x: c.plunger.x - c.plunger.r, y: c.plunger.y - c.plunger.r, w: 2 * c.plunger.r, h: 2 * c.plunger.r },
    ]);
    for (const [i, a] of boxes.entries()) {
      expect(a.x).toBeGreaterThanOrEqual(0);
      expect(a.x + a.w).toBeLessThanOrEqual(width);
      for (const b of boxes.slice(i + 1)) expect(meet(a, b)).toBe(false);
    }
  });

  it.each([true, false])('gives every place a field that meets no other (control: %s)', (control) => {
    const all = fields(control);
    for (const [i, a] of all.entries()) {
      expect(a.y + a.h).toBeLessThanOrEqual(height);
      for (const b of all.slice(i + 1)) expect(meet(a, b), `${a.place} and ${b.place}`).toBe(false);
    }
  });

  it.each([1, 2, 3, 4, 5, 6, 7])('lets no tag cover a valve or plunger of %i cylinders', (n) => {
    for (const c of columns(n))
      for (const f of fields(true)) {
        expect(meet(f, c.discharge), f.place).toBe(false);
        expect(meet(f, c.inlet), f.place).toBe(false);
      }
  });

  it('leaves room for the oil between two ends', () => {
    const [left, right] = columns(2, 'intensifier');
    expect((right?.x ?? 0) - (left?.x ?? 0)).toBeGreaterThan(250);
  });

  it.each([1, 2, 3, 4, 5, 6, 7])('keeps what is fitted clear of tags and of %i cylinders', (n) => {
    for (const [name, box] of Object.entries(fittings)) {
      for (const f of fields(true)) expect(meet(f, box), `${name} and ${f.place}`).toBe(false);
      for (const c of columns(n)) {
        expect(meet(c.discharge, box), name).toBe(false);
        expect(meet(c.inlet, box), name).toBe(false);
      }
    }
  });

  it('numbers the cylinders from the left', () => {
    const xs = columns(5).map((c) => c.x);
    expect([...xs].sort((a, b) => a - b)).toEqual(xs);
    expect(columns(5).map((c) => c.cylinder)).toEqual([1, 2, 3, 4, 5]);
  });
});
