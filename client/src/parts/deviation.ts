import type { Schemas } from '@/shared/api/client';
import { digits } from '@/shared/format';

type Comparison = Schemas['ComparisonDto'];

/** Beyond two sigma a reading is off. */
export const isOff = (c: Comparison): boolean => Math.abs(c.sigmas) > 2;

const farTooMuch = 3;

/** How far a reading is from what a healthy pump would show, as a technician says it: "38 bar short", "as expected". */
export function deviation(c: Comparison): string {
  if (!isOff(c)) return 'as expected';
  const gap = c.read.value - c.expected.value;
  const amount = `${digits(Math.abs(gap), 2)} ${c.read.unit}`;
  if (c.quantity === 'speed') return `${amount} ${gap < 0 ? 'slow' : 'fast'}`;
  if (c.quantity === 'inlet-pressure') return `${amount} ${gap < 0 ? 'too low' : 'too high'}`;
  if (c.quantity === 'nozzle-orifice') return `${amount} ${gap < 0 ? 'too narrow' : 'too wide'}`;
  if (gap < 0) return `${amount} short`;
  const muchExpected = c.expected.value > 0;
  return muchExpected && c.read.value > farTooMuch * c.expected.value ? 'far too much' : `${amount} too much`;
}
