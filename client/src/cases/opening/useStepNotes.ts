import { useLocalStorage } from '@vueuse/core';
import type { Quantity, Schemas } from '@/shared/api/client';
import { readEntry } from '@/shared/numbers';

/** What a card asks for beside its tick. */
export interface StepTold {
  note?: string;
  photos?: string[];
  torque?: Quantity;
}

/** As it is typed: text, so that nothing typed is lost. */
export interface StepTyped {
  note: string;
  torque: string;
}

export const torqueOf = (text: string): Quantity | undefined => {
  const { entry } = readEntry(text);
  return entry && !entry.to && entry.from.value > 0
    ? { value: entry.from.value, unit: entry.from.unit || 'N·m' }
    : undefined;
};

const asText = (torque: Quantity | null | undefined) => (torque ? `${torque.value} ${torque.unit}` : '');

/** What was typed on cards of a case and is not taken yet, tick by tick; it stays on this device until it is. */
export function useStepNotes(caseId: string) {
  const drafts = useLocalStorage<Record<string, StepTyped>>(`mild-hunch.steps.${caseId}`, {});
  const stored = (tick: Schemas['TickedDto'] | undefined): StepTyped => ({
    note: tick?.note ?? '',
    torque: asText(tick?.torque),
  });
  return {
    typed: (key: string, tick: Schemas['TickedDto'] | undefined): StepTyped => drafts.value[key] ?? stored(tick),
    type: (key: string, typed: StepTyped) => (drafts.value = { ...drafts.value, [key]: typed }),
    /** What goes along with a tick. */
    told: (key: string, tick: Schemas['TickedDto'] | undefined): StepTold => {
      const typed = drafts.value[key] ?? stored(tick);
      return {
        ...(typed.note.trim() ? { note: typed.note.trim() } : {}),
        ...(tick?.photos?.length ? { photos: tick.photos } : {}),
        ...(torqueOf(typed.torque) ? { torque: torqueOf(typed.torque) } : {}),
      };
    },
    taken: (key: string) =>
      (drafts.value = Object.fromEntries(Object.entries(drafts.value).filter(([k]) => k !== key))),
  };
}
