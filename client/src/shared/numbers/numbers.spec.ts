import { describe, expect, it } from 'vitest';
import cases from './cases.json';
import { forField, readEntry, readNumber, whyNot } from '.';

interface Case {
  text: string;
  from?: number;
  to?: number;
  unit?: string;
  toUnit?: string;
  about?: boolean;
  refused?: string;
}

describe('numbers as typed, by the table that the server is held to as well', () => {
  it.each(cases as Case[])('$text', (wanted) => {
    const read = readEntry(wanted.text);
    if (wanted.refused !== undefined) {
      expect(read.entry).toBeUndefined();
      expect(read.problem).toContain(wanted.refused);
      return;
    }
    expect(read.problem).toBeUndefined();
    expect(read.entry?.from.value).toBeCloseTo(wanted.from ?? NaN, 12);
    expect(read.entry?.from.unit).toBe(wanted.unit ?? '');
    expect(read.entry?.to?.value).toBe(wanted.to);
    expect(read.entry?.to?.unit ?? '').toBe(wanted.toUnit ?? '');
    expect(read.entry?.about).toBe(wanted.about ?? false);
  });
});

describe('one plain number', () => {
  it.each([
    ['31', 31],
    [' 12,6 ', 12.6],
    ['about 30', 30],
    ['.5', 0.5],
    ['12 bar', null],
    ['28 to 46', null],
    ['1,450', null],
  ])('%s', (text, value) => expect(readNumber(text)).toBe(value));

  it.each([
    ['28 to 46', 'not a range'],
    ['12 bar', '“bar”'],
    ['1,450', '1450 or 1.45'],
  ])('says why %s is none', (text, why) => expect(whyNot(text)).toContain(why));

  it.each([12.345, 1.5, 1450, 0.123, 7.1234, 999.999])('writes %f so that it is read again', (value) =>
    expect(readNumber(forField(value))).toBeCloseTo(value, 6),
  );
});
