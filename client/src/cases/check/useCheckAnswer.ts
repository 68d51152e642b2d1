import { computed, type ComputedRef } from 'vue';
import type { ChangeRequest, JudgedCase, NextCheck } from '@/shared/api/client';
import { useKeys } from '@/shared/keys/useKeys';

const keys = 9;

export interface CheckAnswer {
  answer: (index: number) => void;
  /** Tried in vain: no evidence, and not asked for again. */
  couldNot: () => void;
  /** True where some checks are ruled out today. */
  limited: ComputedRef<boolean>;
}

/** Answers the check that is proposed: by tap, by the keys 1 to 9, or by saying that it could not be done. */
export function useCheckAnswer(
  data: () => JudgedCase,
  check: ComputedRef<NextCheck | undefined>,
  tell: (change: ChangeRequest) => Promise<boolean>,
): CheckAnswer {
  function answer(index: number) {
    const chosen = check.value?.answers[index];
    const cue = check.value?.cue;
    if (!chosen || !cue) return;
    const { answer: id, cylinder, side } = chosen;
    void tell({ cues: [{ cue, answer: id, ...(cylinder ? { cylinder } : {}), ...(side ? { side } : {}) }] });
  }

  useKeys(
    Array.from({ length: keys }, (_, i) => ({
      keys: String(i + 1),
      says: `Answer ${i + 1} of the next check`,
      run: () => answer(i),
    })),
  );

  return {
    answer,
    couldNot: () => {
      const id = check.value?.cue ?? check.value?.reading;
      if (id) void tell({ couldNot: [...data().couldNot, id] });
    },
    limited: computed(() => {
      const l = data().limits;
      return !!(l.keepRunning || l.apprentice || l.mostMinutes || l.without?.length || l.avoid?.length);
    }),
  };
}
