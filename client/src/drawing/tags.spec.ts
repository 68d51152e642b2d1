import { describe, expect, it } from 'vitest';
import { aCase, aComparison, knowledge } from '@/shared/testing/fixtures';
import { fields, pixels, type Field } from './layout/layout';
import { membersOf, readSpot, spotKey, spotOf } from './layout/spots';
import { fit, tagsAt, type Tag } from './tags';

const tag = (id: number, text: string, isOff = false): Tag => ({
  id: String(id),
  text,
  says: text,
  isFigure: false,
  isOff,
  spot: spotOf('weep'),
});
const field = (place: string): Field => {
  const found = fields(true).find((f) => f.place === place);
  if (!found) throw new Error(place);
  return found;
};

describe('tags in their field', () => {
  it('all stand there while there is room', () => {
    expect(fit([tag(1, 'dry')], field('weep'), '+')).toMatchObject({ more: 0 });
  });

  it.each([1, 3, 8, 20])('are never hidden without saying how many, of %i', (count) => {
    const all = Array.from({ length: count }, (_, i) => tag(i, 'weep 3, 30/min'));
    for (const f of fields(true)) {
      const { shown, more } = fit(all, f, '+');
      expect(shown.length + more).toBe(count);
    }
  });

  it('say after which mend they were taken, and only what was taken after the last is off', () => {
    const readings = aCase()
      .readings.slice(0, 1)
      .flatMap((r) => [0, 1, 2].map((mends) => ({ ...r, mends })));
    const { diagnosis } = aCase();
    const off = { ...diagnosis, comparisons: [{ ...aComparison(), quantity: 'discharge-pressure', sigmas: -6 }] };
    const tags = tagsAt('gauge', aCase({ mends: 2, readings, cues: [], diagnosis: off }), knowledge);
    expect(tags.map((t) => t.text.replace(/^.*?(before|after)/, '$1'))).toEqual(['before', 'after mend 1', 'after']);
    expect(tags.map((t) => t.isOff)).toEqual([false, false, true]);
  });

  it('that are off come before those that are as expected', () => {
    const all = [...Array.from({ length: 9 }, (_, i) => tag(i, 'dry everywhere')), tag(99, 'a stream', true)];
    expect(fit(all, field('caps'), '+').shown[0]?.id).toBe('99');
  });

  it('have room for two rows wherever a place has more than one line', () => {
    for (const place of ['caps', 'weep', 'gauge', 'nozzle', 'crank', 'control', 'bypass'])
      expect(pixels(field(place)).high, place).toBeGreaterThanOrEqual(2 * 44 + 4);
  });

  it('name what was read beside the first reading of a place', () => {
    const tags = tagsAt('gauge', aCase(), knowledge);
    expect(tags[0]).toMatchObject({ text: '31 bar', isFigure: true });
  });
});

describe('spots', () => {
  it('survive the address', () => {
    for (const spot of [spotOf('gauge'), spotOf('weep', 3), spotOf('caps', 2, 'discharge')])
      expect(readSpot(spotKey(spot))).toEqual(spot);
  });

  it.each(['', 'nowhere', 'nowhere.2'])('are none in “%s”', (key) => expect(readSpot(key)).toBeUndefined());

  it('of a group are offered one by one', () => {
    expect(membersOf('weep', 3, false)).toHaveLength(3);
    expect(membersOf('caps', 3, false)).toHaveLength(6);
    expect(membersOf('caps', 3, true).every((s) => s.side === undefined)).toBe(true);
    expect(membersOf('gauge', 3, false)).toEqual([]);
  });
});
