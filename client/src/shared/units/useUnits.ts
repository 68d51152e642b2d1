import { useStorage } from '@vueuse/core';
import type { Ref } from 'vue';

export type UnitSystem = 'si' | 'us';

/** The units of whoever uses this device: of the trade in SI, or of the US trade. */
const units = useStorage<UnitSystem>('mild-hunch.units', 'si');

export const useUnits = (): { units: Ref<UnitSystem> } => ({ units });

/** A list of units with the one of the chosen set first, where the list has one. */
export function offered(list: readonly string[]): string[] {
  const usual = ['psi', 'US gal/min', 'in', 'ft', '°F', 'hp', 'US gal'];
  if (units.value === 'si') return [...list];
  return [...list].sort((a, b) => Number(usual.includes(b)) - Number(usual.includes(a)));
}
