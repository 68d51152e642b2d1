import type { CaseResource, JudgedCase, Knowledge } from '@/shared/api/client';
import { range } from '@/shared/format';
import { isOff } from '@/parts/deviation';
import { pixels, type Box, type Place } from './layout/layout';
import { observablesAt, spotOf, standingAt, type Spot } from './layout/spots';

/** Something noted, pinned where it was taken. */
export interface Tag {
  id: string;
  text: string;
  /** All of it, where the tag is short. */
  says: string;
  isFigure: boolean;
  isOff: boolean;
  spot: Spot;
}

/** What fits into a field, and how many more stand behind the last tag. */
export interface Fitted {
  shown: Tag[];
  more: number;
}

const gap = 4;
const target = 44;
const letter = 8.1;
const digit = 10.3;
const padding = 22;

/** Wider than it will be, so that what is counted in does fit. Long words break into two lines. */
function widthOf(text: string, isFigure: boolean, wide: number): number {
  const oneLine = text.length * (isFigure ? digit : letter) + padding;
  return Math.max(target, Math.min(oneLine, wide));
}

function fits(widths: number[], field: Box): boolean {
  const { wide, high } = pixels(field);
  const rows = Math.floor((high + gap) / (target + gap));
  let [row, at] = [1, 0];
  for (const w of widths) {
    if (at > 0 && at + w > wide) [row, at] = [row + 1, 0];
    at += w + gap;
  }
  return row <= rows;
}

/** As many tags as stand in the field beside its "+"; what is off first. Nothing is hidden without saying so. */
export function fit(tags: Tag[], field: Box, plus: string): Fitted {
  const { wide } = pixels(field);
  const ordered = [...tags.filter((t) => t.isOff), ...tags.filter((t) => !t.isOff)];
  for (let count = ordered.length; count > 0; count--) {
    const shown = ordered.slice(0, count);
    const more = ordered.length - count;
    const widths = shown.map((t) => widthOf(t.text, t.isFigure, wide));
    const rest = [...(more > 0 ? [widthOf(`${more} more`, false, wide)] : []), widthOf(plus, false, wide)];
    if (fits([...widths, ...rest], field)) return { shown, more };
  }
  return { shown: [], more: ordered.length };
}

// The pump, as it was corrected, can no longer show it: it stays, can be left out, and does not count.
const idle = '· not counted';

/** Which mend it was taken after, where there was one. */
function takenAt({ mends }: { mends: number }, now: number): string {
  if (now === 0) return '';
  if (mends === now) return 'after';
  return mends === 0 ? 'before' : `after mend ${mends}`;
}

/** Tags of one place, in the order they were noted. */
export function tagsAt(place: Place, data: JudgedCase, knowledge: Knowledge): Tag[] {
  const { readings, cues } = standingAt(place, data as CaseResource, knowledge);
  const off = (id: string) => data.diagnosis.comparisons.some((c) => c.quantity === id && isOff(c));
  const healthy = (cue: string, answer: string) =>
    knowledge.cues.find((c) => c.id === cue)?.answers.find((a) => a.id === answer)?.healthy ?? true;
  const what = (id: string) => knowledge.observables.find((o) => o.id === id);
  // One reading of the place needs no name: the place says it.
  const first = observablesAt(place, knowledge)[0]?.id;
  return [
    ...readings.map((r) => ({
      id: r.id,
      text: [
        r.quantity === first ? '' : what(r.quantity)?.short.toLowerCase(),
        range(r),
        takenAt(r, data.mends),
        r.judged ? '' : idle,
      ]
        .filter(Boolean)
        .join(' '),
      says: `${what(r.quantity)?.name ?? r.quantity}: ${range(r)}`,
      isFigure: true,
      // What was mended since is no longer wrong.
      isOff: r.judged && r.mends === data.mends && off(r.quantity),
      spot: spotOf(place),
    })),
    ...cues.map((c) => ({
      id: c.id,
      text: [c.tag, takenAt(c, data.mends), c.judged ? '' : idle].filter(Boolean).join(' '),
      says: c.says,
      isFigure: false,
      isOff: c.judged && c.mends === data.mends && c.dropsPerMinute !== 0 && !healthy(c.cue, c.answer),
      spot: spotOf(place, c.cylinder ?? undefined, (c.side as 'inlet' | 'discharge' | null) ?? undefined),
    })),
  ];
}
