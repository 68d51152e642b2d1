import { ref, type Ref } from 'vue';
import type { Doubt, Quantity } from '../api/client';

/** What somebody said when asked: it is so, another figure was meant, or neither: nothing counts. */
export type Decision = { sure: true } | { doubt: Doubt; meant: Quantity } | undefined;

export interface Doubts {
  /** What is being asked now. */
  asked: Ref<Doubt[] | undefined>;
  ask: (doubts: Doubt[]) => Promise<Decision>;
  decide: (decision: Decision) => void;
}

/** Asks a doubtful value back, and waits for the answer. */
export function useDoubts(): Doubts {
  const asked = ref<Doubt[]>();
  let answer: ((decision: Decision) => void) | undefined;

  function decide(decision: Decision) {
    asked.value = undefined;
    answer?.(decision);
    answer = undefined;
  }

  return {
    asked,
    decide,
    ask: (doubts) => {
      decide(undefined);
      asked.value = doubts;
      return new Promise((resolve) => (answer = resolve));
    },
  };
}
