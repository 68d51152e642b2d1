import { useStorage } from '@vueuse/core';
import type { Ref } from 'vue';

export type UnitSystem = 'si' | 'us';

/** The units of whoever uses this device: of the trade in SI, or of the US trade. */
const units = useStorage<UnitSystem>('mild-hunch.units', 'si');

export const useUnits = (): { units: Ref<UnitSystem> } => ({ units });

const usUnits: Record<string, string> = {
  bar: 'psi',
  'L/min': 'US gal/min',
  mm: 'in',
  m: 'ft',
  '°C': '°F',
  kW: 'hp',
  L: 'US gal',
};

/** The unit in which whoever uses this device says what is said in this SI unit. */
export const spoken = (si: string): string => (units.value === 'us' ? (usUnits[si] ?? si) : si);

/** A list of units with the one of the chosen set first, where the list has one. */
export function offered(list: readonly string[]): string[] {
  const usual = Object.values(usUnits);
  if (units.value === 'si') return [...list];
  return [...list].sort((a, b) => Number(usual.includes(b)) - Number(usual.includes(a)));
}
