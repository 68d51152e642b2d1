import { describe, expect, it } from 'vitest';
import { deviation } from './deviation';

const bar = (value: number) => ({ value, unit: 'bar' });
const comparison = (quantity: string, read: number, expected: number, sigmas: number) => ({
  quantity,
  name: quantity,
  short: quantity,
  place: 'gauge',
  read: bar(read),
  expected: bar(expected),
  low: bar(expected),
  high: bar(expected),
  sigmas,
});

describe('a deviation in words', () => {
  it.each([
    ['discharge-pressure', 31, 69.4, -7.3, '38 bar short'],
    ['discharge-pressure', 70, 69.4, 0.1, 'as expected'],
    ['swing', 24, 3, 9, 'far too much'],
    ['discharge-pressure', 92, 69.4, 4, '23 bar too much'],
    ['bypass-flow', 2, 0, 9, '2 bar too much'],
    ['speed', 1390, 1450, -3, '60 bar slow'],
    ['inlet-pressure', -0.4, -0.1, -3, '0.3 bar too low'],
  ])('of %s: %d read, %d expected', (quantity, read, expected, sigmas, says) => {
    expect(deviation(comparison(quantity, read, expected, sigmas))).toBe(says);
  });
});
