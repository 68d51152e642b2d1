import { useEventListener } from '@vueuse/core';
import type Popover from 'primevue/popover';
import { nextTick, ref, useTemplateRef, type Ref } from 'vue';

/** What the stock popover can do beyond what its types say. */
type Editor = InstanceType<typeof Popover> & {
  alignOverlay: () => void;
  unbindResizeListener: () => void;
  unbindScrollListener: () => void;
  visible: boolean;
};

export interface BesidePart {
  popover: Ref<Editor | undefined>;
  /** Opens it beside the part, or moves it there. */
  show: () => void;
  /** To be called once it is shown: it stays until somebody shuts it. */
  stay: () => void;
}

/** Space round the popover, and its width with that, as its style has them. */
const margin = 8;
const widest = 442;

/**
 * Keeps a popover beside a part of the drawing: opened there, moved when the window changes, shut by hand alone. The template
 * holds an empty element with the ref "peg", put where the part stands: a popover is laid out by boxes, and a part has none.
 */
export function useBesidePart(part: () => Element | null): BesidePart {
  const popover = ref<Editor>();
  const peg = useTemplateRef<HTMLElement>('peg');

  function place(): boolean {
    const box = part()?.getBoundingClientRect();
    if (!box || !peg.value) return false;
    // Beside the part where there is room, so that it stays in view; else under it. On a narrow screen the drawing is wider
    // than the screen, and the part may stand out of it.
    const beside = window.innerWidth - box.right > widest;
    const under = Math.max(0, Math.min(box.left, window.innerWidth - box.width - 2 * margin));
    const where = beside
      ? { left: box.right, top: box.top, width: 0, height: 0 }
      : { left: under, top: box.top, width: box.width, height: box.height };
    for (const [side, length] of Object.entries(where)) peg.value.style.setProperty(side, `${length}px`);
    return true;
  }

  const move = () => popover.value?.visible && place() && popover.value.alignOverlay();
  useEventListener(window, 'resize', () => requestAnimationFrame(move));

  return {
    popover,
    show() {
      const editor = popover.value;
      if (!editor || !place()) return;
      const moves = editor.visible;
      editor.show({ currentTarget: peg.value } as unknown as Event, peg.value);
      if (moves) void nextTick(move);
    },
    // By itself it would shut when a tablet is turned or the page scrolled, and half an entry with it.
    stay() {
      popover.value?.unbindResizeListener();
      popover.value?.unbindScrollListener();
    },
  };
}
