import { useLocalStorage } from '@vueuse/core';
import { computed } from 'vue';
import type { Quantity } from '@/shared/api/client';
import { readEntry, whyNot } from '@/shared/numbers';

export interface AskedQuantity {
  name: string;
  label: string;
  units: readonly string[];
  required?: boolean;
  /** What is expected there. */
  hint?: string;
}

interface Typed {
  text: string;
  unit: string;
}

/** Several figures typed together. What is typed stays on this device until it is taken, whatever becomes of server or page. */
export function useQuantities(key: () => string, asked: () => readonly AskedQuantity[]) {
  const all = useLocalStorage<Record<string, Record<string, Typed>>>('mild-hunch.proof', {});
  const fields = computed(() =>
    Object.fromEntries(
      asked().map((a) => [a.name, all.value[key()]?.[a.name] ?? { text: '', unit: a.units[0] ?? '' }]),
    ),
  );

  function type(name: string, change: Partial<Typed>) {
    const now = fields.value[name] ?? { text: '', unit: '' };
    all.value = { ...all.value, [key()]: { ...all.value[key()], [name]: { ...now, ...change } } };
  }

  const read = (name: string): Quantity | undefined => {
    const field = fields.value[name];
    const { entry } = readEntry(field?.text ?? '');
    return field && entry && !entry.to ? { value: entry.from.value, unit: entry.from.unit || field.unit } : undefined;
  };
  const problem = (name: string): string | undefined => {
    const text = fields.value[name]?.text.trim();
    return text && !read(name) ? `${whyNot(text)}. Write it like 52.5.` : undefined;
  };

  return {
    fields,
    type,
    read,
    problem,
    /** True where nothing is wrong and nothing that is needed is missing. */
    ready: computed(() => asked().every((a) => !problem(a.name) && (!a.required || read(a.name) !== undefined))),
    /** What was typed, by name; what is empty is left out. */
    values: computed(() =>
      Object.fromEntries(
        asked().flatMap((a) => {
          const value = read(a.name);
          return value ? [[a.name, value] as const] : [];
        }),
      ),
    ),
    /** Taken: the fields are empty again. */
    clear: () => {
      all.value = Object.fromEntries(Object.entries(all.value).filter(([k]) => k !== key()));
    },
  };
}

export type Quantities = ReturnType<typeof useQuantities>;
