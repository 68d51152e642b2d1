import { onScopeDispose, ref, watch } from 'vue';
import { api, Refusal, taken, type Schemas } from '@/shared/api/client';
import { toPump, type Plate } from './plate';

/** While a plate is typed: what geometry and rated flow work out for one another. */
export function useNameplate(plate: Plate) {
  const plateResult = ref<Schemas['NameplateResponse']>();
  const note = ref('');
  let waiting: number | undefined;
  let asked = 0;

  async function ask() {
    const mine = ++asked;
    try {
      const result = taken(await api.POST('/api/nameplate', { body: toPump(plate) }));
      if (mine !== asked) return;
      plateResult.value = result;
      note.value = result.doubt ?? result.workedOut ?? '';
    } catch (error) {
      // Half a plate is no mistake yet: it is only reported when it is stored.
      if (mine === asked && error instanceof Refusal) [plateResult.value, note.value] = [undefined, ''];
    }
  }

  watch(
    () => [plate.arrangement, plate.cylinders, plate.plungerDiameter, plate.stroke, plate.ratedSpeed, plate.ratedFlow],
    () => {
      window.clearTimeout(waiting);
      waiting = window.setTimeout(() => void ask(), 250);
    },
    { deep: true, immediate: true },
  );
  onScopeDispose(() => {
    window.clearTimeout(waiting);
    asked++;
  });
  return { plateResult, note };
}
