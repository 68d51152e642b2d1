import { onMounted, reactive, ref, watch, type Ref } from 'vue';
import { api, inWords, taken } from '@/shared/api/client';
import { emptyPlate, fromResource, type Plate } from './plate';
import { merge, type FieldConflict } from './plateMerge';

interface Kept {
  plate: Plate;
  /** What it was typed upon. */
  basis: Plate;
}

export interface PlateDraft {
  plate: Plate;
  /** Version that is corrected now. */
  etag: Ref<string>;
  conflicts: Ref<FieldConflict[]>;
  trouble: Ref<string>;
  /** Fetches the pump as it is now and lays what is typed over it. */
  renew: () => Promise<void>;
  takeTheirs: (conflict: FieldConflict) => void;
  done: () => void;
}

// Fields are objects: what is typed in one must not reach what it was typed upon.
const copy = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;

/** The plate of a pump as it is typed, kept on this device until it is stored, never laid unseen over what others stored. */
export function usePlateDraft(id?: string): PlateDraft {
  const key = `mild-hunch.pump.${id ?? 'new'}`;
  const plate = reactive(emptyPlate());
  let basis = emptyPlate();
  let theirs = emptyPlate();
  let stored = false;
  const etag = ref('');
  const conflicts = ref<FieldConflict[]>([]);
  const trouble = ref('');

  function kept(): Kept | undefined {
    const raw = window.localStorage.getItem(key);
    if (!raw) return undefined;
    const draft = JSON.parse(raw) as Partial<Kept> & Partial<Plate>;
    // A draft of an older version is the plate alone: what it was typed upon is not known, so every difference is mine.
    return draft.plate && draft.basis
      ? { plate: { ...emptyPlate(), ...draft.plate }, basis: { ...emptyPlate(), ...draft.basis } }
      : { plate: { ...emptyPlate(), ...(draft as Partial<Plate>) }, basis: emptyPlate() };
  }

  function layOver(now: Plate, draft: Kept | undefined) {
    const merged = draft ? merge(draft.basis, draft.plate, now) : { plate: now, conflicts: [] };
    theirs = now;
    basis = now;
    Object.assign(plate, copy(merged.plate));
    conflicts.value = merged.conflicts;
  }

  async function fetched(): Promise<Plate> {
    if (!id) return emptyPlate();
    const result = await api.GET('/api/pumps/{id}', { params: { path: { id } } });
    etag.value = result.response.headers.get('ETag') ?? '';
    return fromResource(taken(result));
  }

  onMounted(async () => {
    try {
      layOver(await fetched(), kept());
    } catch (error) {
      trouble.value = inWords(error);
    }
    watch(
      plate,
      (now) => {
        if (!stored) window.localStorage.setItem(key, JSON.stringify({ plate: now, basis } satisfies Kept));
      },
      { deep: true },
    );
  });

  return {
    plate,
    etag,
    conflicts,
    trouble,
    renew: async () => layOver(await fetched(), { plate: copy(plate), basis }),
    takeTheirs: ({ field }) => {
      Object.assign(plate, { [field]: copy(theirs[field]) });
      conflicts.value = conflicts.value.filter((c) => c.field !== field);
    },
    done: () => {
      stored = true;
      window.localStorage.removeItem(key);
    },
  };
}
