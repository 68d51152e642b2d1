import type { Quantity } from '@/shared/api/client';

const inBar: Record<string, number> = { bar: 1, MPa: 10, kPa: 0.01, Pa: 1e-5, psi: 1 / 14.5038 };
const steps = [1, 1.6, 2.5, 4, 6, 10];

/** What a gauge for this rating would read up to, in the unit of the dial: the next usual span above 1.6 times the rating. */
export function gaugeSpan(rated: Quantity | null | undefined, unit: string): number {
  const bar = (rated?.value ?? 100) * (inBar[rated?.unit ?? 'bar'] ?? 1) * 1.6;
  const shown = bar / (inBar[unit] ?? 1);
  const decade = 10 ** Math.floor(Math.log10(shown));
  return (steps.find((s) => s * decade >= shown) ?? 10) * decade;
}
