import { onMounted, ref, shallowRef, type Ref } from 'vue';
import { api, inWords, taken } from '@/shared/api/client';
import { copy, useDraft } from '@/shared/drafts/useDraft';
import { emptyPlate, fromResource, type Plate } from './plate';
import { merge, type FieldConflict } from './plateMerge';

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

/** The plate of a pump as it is typed, kept on this device until it is stored, never laid unseen over what others stored. */
export function usePlateDraft(id?: string): PlateDraft {
  const stored = shallowRef(emptyPlate());
  const draft = useDraft(
    `mild-hunch.pump.${id ?? 'new'}`,
    () => stored.value,
    (kept) => ({ ...emptyPlate(), ...kept }),
  );
  const plate = draft.typed.value;
  const etag = ref('');
  const conflicts = ref<FieldConflict[]>([]);
  const trouble = ref('');

  /** What only one of the two changed is taken from that one; where both did, what is typed here stands. */
  async function renew() {
    if (!id) return;
    const result = await api.GET('/api/pumps/{id}', { params: { path: { id } } });
    etag.value = result.response.headers.get('ETag') ?? '';
    const now = fromResource(taken(result));
    const merged = merge(draft.basedOn.value, plate, now);
    stored.value = now;
    Object.assign(plate, copy(merged.plate));
    draft.keepMine();
    conflicts.value = merged.conflicts;
  }

  onMounted(async () => {
    try {
      await renew();
    } catch (error) {
      trouble.value = inWords(error);
    }
  });

  return {
    plate,
    etag,
    conflicts,
    trouble,
    renew,
    takeTheirs: ({ field }) => {
      Object.assign(plate, { [field]: copy(stored.value[field]) });
      conflicts.value = conflicts.value.filter((c) => c.field !== field);
    },
    done: draft.done,
  };
}
