import { useKeys } from '@/shared/keys/useKeys';
import type { Stage } from '@/parts/stages';
import type { CaseAccess } from './useCase';

/** Keys of a case: back and forth among its changes, and from stage to stage. */
export function useCaseKeys({ data, undo, redo }: CaseAccess, go: (stage: Stage) => void): void {
  useKeys([
    { keys: 'u', says: 'Undo', run: () => void (data.value?.undo && undo()) },
    { keys: 'r', says: 'Redo', run: () => void (data.value?.redo && redo()) },
    { keys: 'g a', says: 'Go to Ask', run: () => go('ask') },
    { keys: 'g m', says: 'Go to Measure', run: () => go('measure') },
    { keys: 'g s', says: 'Go to Suspect', run: () => go('suspect') },
    { keys: 'g o', says: 'Go to Open', run: () => go('open') },
    { keys: 'g e', says: 'Go to Mend', run: () => go('mend') },
    { keys: 'g v', says: 'Go to Prove', run: () => go('prove') },
  ]);
}
