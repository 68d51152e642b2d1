import { useStorage } from '@vueuse/core';
import { computed, ref, watch, type ComputedRef, type Ref } from 'vue';

export interface Draft {
  /** What is typed. Only its writer replaces it. */
  text: Ref<string>;
  /** True while something is typed that is not stored yet. */
  changed: ComputedRef<boolean>;
  /** What somebody else stored meanwhile, where that is neither what was typed nor what it was typed upon. */
  conflict: ComputedRef<string | undefined>;
  /** What was typed is stored, as it was typed: nothing is kept any more, and the text stands. */
  done: () => void;
  /** Shows what is stored: theirs, or mine in the form in which it was taken. */
  takeStored: () => void;
  /** Goes on with what was typed, knowing what the others wrote. */
  keepMine: () => void;
}

interface Kept {
  text: string;
  basedOn: string;
}

const same = (a: string, b: string) => a.trim() === b.trim();

// Drafts of an older version are the text alone.
const serializer = {
  read: (raw: string): Kept | null => {
    try {
      const kept = JSON.parse(raw) as Partial<Kept> | null;
      if (kept && typeof kept.text === 'string' && typeof kept.basedOn === 'string') return kept as Kept;
    } catch {
      // No JSON: a text as it was typed.
    }
    return raw ? { text: raw, basedOn: '' } : null;
  },
  write: (kept: Kept | null) => JSON.stringify(kept),
};

/**
 * Text typed over something that is stored and that others may change. It survives reloads, and remembers what it was typed
 * upon: what others store replaces it only while nothing is typed.
 */
export function useDraft(key: string, stored: () => string): Draft {
  const kept = useStorage<Kept | null>(key, null, window.localStorage, { serializer, writeDefaults: false });
  const text = ref(kept.value?.text ?? stored());
  const basedOn = ref(kept.value?.basedOn ?? stored());
  const changed = computed(() => !same(text.value, stored()));
  const conflict = computed(() => (changed.value && !same(stored(), basedOn.value) ? stored() : undefined));

  function rest() {
    kept.value = null;
  }

  watch(text, (now) => {
    if (same(now, basedOn.value) && same(now, stored())) rest();
    else kept.value = { text: now, basedOn: basedOn.value };
  });
  watch(stored, (now, before) => {
    if (same(text.value, before) && same(before, basedOn.value)) text.value = now;
    if (same(text.value, now)) {
      basedOn.value = now;
      rest();
    }
  });

  return {
    text,
    changed,
    conflict,
    done: rest,
    takeStored: () => {
      text.value = stored();
      basedOn.value = stored();
      rest();
    },
    keepMine: () => {
      basedOn.value = stored();
      kept.value = { text: text.value, basedOn: basedOn.value };
    },
  };
}
