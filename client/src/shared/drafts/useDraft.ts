import { useStorage } from '@vueuse/core';
import { computed, ref, watch, type ComputedRef, type Ref } from 'vue';

export interface Draft<T> {
  /** What is typed or chosen. Only its writer replaces it. */
  typed: Ref<T>;
  /** What was stored when the typing began, or when its writer last saw it. */
  basedOn: Readonly<Ref<T>>;
  /** True while something is typed that is not stored yet. */
  changed: ComputedRef<boolean>;
  /** What somebody else stored meanwhile, where that is neither what was typed nor what it was typed upon. */
  conflict: ComputedRef<T | undefined>;
  /** What was typed is stored, as it was typed: nothing is kept any more, and the text stands. */
  done: () => void;
  /** Shows what is stored: theirs, or mine in the form in which it was taken. */
  takeStored: () => void;
  /** Goes on with what was typed, knowing what the others wrote. */
  keepMine: () => void;
}

interface Kept<T> {
  typed: T;
  basedOn: T;
}

// What is typed in an object must not reach what it was typed upon.
export const copy = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;
const same = (a: unknown, b: unknown) =>
  typeof a === 'string' && typeof b === 'string' ? a.trim() === b.trim() : JSON.stringify(a) === JSON.stringify(b);

function readKept<T>(raw: string): Kept<T> | null {
  try {
    const kept = JSON.parse(raw) as Partial<Kept<T>> | null;
    return kept?.typed !== undefined && kept.basedOn !== undefined ? (kept as Kept<T>) : null;
  } catch {
    return null;
  }
}

/**
 * What is typed over something that is stored and that others may change: a text, or a form as a plain object. It survives
 * reloads, and remembers what it was typed upon: what others store replaces it only while nothing is typed. `whole` makes a
 * form of today out of one that was kept before a field was added.
 */
export function useDraft<T>(key: string, stored: () => T, whole: (kept: T) => T = (kept) => kept): Draft<T> {
  const kept = useStorage<Kept<T> | null>(key, null, window.localStorage, {
    serializer: { read: readKept<T>, write: (now) => JSON.stringify(now) },
    writeDefaults: false,
    listenToStorageChanges: false,
  });
  const begun = kept.value;
  const typed = ref(begun ? whole(begun.typed) : copy(stored())) as Ref<T>;
  const basedOn = ref(begun ? whole(begun.basedOn) : copy(stored())) as Ref<T>;
  const changed = computed(() => !same(typed.value, stored()));
  const conflict = computed(() => (changed.value && !same(stored(), basedOn.value) ? stored() : undefined));

  function rest() {
    kept.value = null;
  }

  function keep() {
    if (same(typed.value, basedOn.value) && same(typed.value, stored())) rest();
    else kept.value = { typed: typed.value, basedOn: basedOn.value };
  }

  watch(typed, keep, { deep: true });
  watch(
    () => copy(stored()),
    (now, before) => {
      if (same(now, before)) return;
      if (same(typed.value, before) && same(before, basedOn.value)) typed.value = now;
      if (same(typed.value, now)) {
        basedOn.value = now;
        rest();
      }
    },
  );

  return {
    typed,
    basedOn,
    changed,
    conflict,
    done: rest,
    takeStored: () => {
      typed.value = copy(stored());
      basedOn.value = copy(stored());
      rest();
    },
    keepMine: () => {
      basedOn.value = copy(stored());
      keep();
    },
  };
}
