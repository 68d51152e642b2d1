import { ref, type Ref } from 'vue';
import type { ChangeRequest } from '@/shared/api/client';
import { readNumber, whyNot } from '@/shared/numbers';

type Seen = Pick<NonNullable<ChangeRequest['cues']>[number], 'dropsPerMinute' | 'stream' | 'when'>;

export interface Drip {
  drops: Ref<string>;
  problem: Ref<string>;
  stream: Ref<boolean>;
  when: Ref<'running' | 'standing' | null>;
  /** What was seen, ready to be sent; undefined where the drops are no number: what was typed stays, with the reason. */
  read: () => Seen | undefined;
  forget: () => void;
}

/** How it drips, while it is being typed. */
export function useDrip(): Drip {
  const drops = ref('');
  const problem = ref('');
  const stream = ref(false);
  const when = ref<'running' | 'standing' | null>(null);

  return {
    drops,
    problem,
    stream,
    when,
    read: () => {
      const text = drops.value.trim();
      const counted = text ? readNumber(text) : null;
      problem.value =
        text && !stream.value && (counted === null || counted < 0) ? `${whyNot(drops.value)}. Write it like 30.` : '';
      if (problem.value) return undefined;
      return {
        ...(stream.value ? { stream: true } : counted === null ? {} : { dropsPerMinute: counted }),
        ...(when.value ? { when: when.value } : {}),
      };
    },
    forget: () => {
      drops.value = '';
      problem.value = '';
      stream.value = false;
      when.value = null;
    },
  };
}
