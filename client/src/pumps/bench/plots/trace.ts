import type { Schemas } from '@/shared/api/client';

export interface TraceRange {
  least: number;
  most: number;
}

const mostMarks = 12;

/** What a trace is drawn between. A quiet one is drawn quiet: never less than a tenth of its level fills the height. */
export function traceRange(values: number[]): TraceRange {
  const [least, most] = [Math.min(...values), Math.max(...values)];
  const room = Math.max(most - least, 0.1 * Math.abs(most), 0.05) * 0.6;
  const middle = (most + least) / 2;
  const step = 10 ** Math.floor(Math.log10(room)) / 2;
  return { least: Math.floor((middle - room) / step) * step, most: Math.ceil((middle + room) / step) * step };
}

/** Seconds at which a turn is full; none where there are too many to tell apart. */
export function turnMarks(trace: Pick<Schemas['TraceDto'], 'turns' | 'seconds'>): number[] {
  const marks = trace.turns.flatMap((t, i) => {
    const before = trace.turns[i - 1];
    const isFull = before !== undefined && Math.floor(t + 1e-9) > Math.floor(before + 1e-9);
    return isFull ? [trace.seconds[i] ?? 0] : [];
  });
  return marks.length > mostMarks ? [] : marks;
}
