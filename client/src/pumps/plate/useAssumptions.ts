import { watchDebounced } from '@vueuse/core';
import { onScopeDispose, ref, type Ref } from 'vue';
import { api, taken, type Schemas } from '@/shared/api/client';
import { toPump, toRequest, type Plate } from './plate';

export interface PlateInference {
  /** Bore, stroke, speed and flow completed from one another. */
  completed: Ref<Schemas['NameplateResponse'] | undefined>;
  /** What would be assumed of everything nobody said, and the set-up that gives. */
  assumed: Ref<Schemas['CompletedSetup'] | undefined>;
}

const pause = 250;

/** While a plate is typed: what it works out, and what would be assumed beyond it. Half a plate is no mistake yet. */
export function useAssumptions(plate: Plate): PlateInference {
  const completed = ref<Schemas['NameplateResponse']>();
  const assumed = ref<Schemas['CompletedSetup']>();
  let asked = 0;
  let gone = false;

  async function answerOf<T>(call: Promise<{ data?: T; error?: unknown; response: Response }>): Promise<T | undefined> {
    try {
      return taken(await call);
    } catch {
      return undefined;
    }
  }

  async function ask() {
    if (gone) return;
    const mine = ++asked;
    const pump = toPump(plate);
    const [worked, filled] = await Promise.all([
      answerOf(api.POST('/api/nameplate', { body: pump })),
      answerOf(api.POST('/api/nameplate/assumptions', { body: { pump, setup: toRequest(plate).setup ?? null } })),
    ]);
    if (mine !== asked) return;
    completed.value = worked;
    assumed.value = filled;
  }

  watchDebounced(plate, () => void ask(), { debounce: pause, deep: true, immediate: true });
  // A page that has gone asks nothing more, and what was asked last is answered to nobody.
  onScopeDispose(() => {
    gone = true;
    asked++;
  });
  return { completed, assumed };
}
