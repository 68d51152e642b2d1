import { useEventListener } from '@vueuse/core';
import { onMounted, onUnmounted, ref } from 'vue';

export interface KeyAction {
  /** "n", "/", or two strokes: "g c". */
  keys: string;
  says: string;
  run: () => void;
}

const active: KeyAction[][] = [];

/** Whether the list of keys is on screen. */
export const keysShown = ref(false);

/** Keys of all that is on screen now, for the list behind "?". */
export function allKeys(): KeyAction[] {
  return active.flat();
}

/** True where a stroke is meant as text. */
export function typing(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement &&
    (/^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName) ||
      target.isContentEditable ||
      target.closest('[role="combobox"], [role="slider"], [role="listbox"]') !== null)
  );
}

/** Finds the action for a stroke, given the stroke before it; undefined when there is none. */
export function match(actions: KeyAction[], stroke: string, before: string): KeyAction | undefined {
  return actions.find((a) => a.keys === `${before} ${stroke}`) ?? actions.find((a) => a.keys === stroke);
}

/** True while something lies over the page: its keys are the page's no longer. */
export const covered = (): boolean => document.querySelector('[role="dialog"]') !== null;

/** Registers keys while the component is shown. */
export function useKeys(actions: KeyAction[]): void {
  onMounted(() => active.push(actions));
  onUnmounted(() => active.splice(active.indexOf(actions), 1));
}

/** Listens for all registered keys; once, in the shell. */
export function useKeyListener(): void {
  let before = '';
  const onKey = (event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey || typing(event.target) || covered()) return;
    const action = match(allKeys(), event.key, before);
    before = event.key;
    if (!action) return;
    event.preventDefault();
    action.run();
  };
  useEventListener(window, 'keydown', onKey);
}
