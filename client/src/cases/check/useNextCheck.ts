import { computed, ref, watch, type ComputedRef, type Ref } from 'vue';
import type { JudgedCase, NextCheck } from '@/shared/api/client';

export interface CheckInTurn {
  check: ComputedRef<NextCheck | undefined>;
  /** Where it stands among those worth doing, from 1. */
  place: ComputedRef<number>;
  count: ComputedRef<number>;
  /** The check after it, by its name. */
  following: ComputedRef<string | undefined>;
  cheapestFirst: Ref<boolean>;
  /** On to another check; round to the first after the last. */
  another: () => void;
}

/** Which of the checks worth doing is proposed now: the most telling a minute, or the cheapest, or one further on. */
export function useNextCheck(data: () => JudgedCase): CheckInTurn {
  const cheapestFirst = ref(false);
  const skipped = ref(0);
  const checks = computed(() => {
    const all = [...data().diagnosis.nextChecks];
    if (!cheapestFirst.value) return all;
    const minutes = (c: NextCheck) => c.minutes + c.putBackMinutes;
    return all.sort((a, b) => minutes(a) - minutes(b) || b.information - a.information);
  });
  const at = computed(() => Math.min(skipped.value, Math.max(0, checks.value.length - 1)));

  watch([() => data().version, cheapestFirst], () => (skipped.value = 0));

  return {
    check: computed(() => checks.value[at.value]),
    place: computed(() => at.value + 1),
    count: computed(() => checks.value.length),
    following: computed(() => checks.value[at.value + 1]?.name),
    cheapestFirst,
    another: () => (skipped.value = checks.value.length ? (at.value + 1) % checks.value.length : 0),
  };
}
