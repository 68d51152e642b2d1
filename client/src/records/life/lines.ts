import type { Schemas } from '@/shared/api/client';
import { quantity } from '@/shared/format';

/** What the type plate says, in a line. */
export function plate(pump: Schemas['PumpDto']): string {
  const size = [pump.plungerDiameter, pump.stroke].flatMap((q) => (q ? [quantity(q)] : [])).join(' x ');
  const speed = pump.arrangement === 'intensifier' ? undefined : pump.ratedSpeed;
  const rated = [speed, pump.ratedFlow, pump.ratedPressure].flatMap((q) => (q ? [quantity(q)] : []));
  return [
    (pump.arrangement ?? '').replaceAll('-', ' '),
    pump.arrangement === 'intensifier' ? '' : `${pump.cylinders} cylinders`,
    size,
    ...rated,
  ]
    .filter(Boolean)
    .join(', ');
}

export type PumpLife = Schemas['PumpLifeResponse'];
export type Position = Schemas['PositionDto'];
export type PartLife = Schemas['PartLifeDto'];

/** One life as a bar between two days, both as shares of the whole span. */
export interface Bar {
  life: PartLife;
  from: number;
  to: number;
  failed: boolean;
  /** It was in before the record began: nobody knows since when. */
  open: boolean;
  inside: boolean;
}

export interface Row {
  position: Position;
  name: string;
  bars: Bar[];
}

export interface Group {
  family: string;
  rows: Row[];
}

export const familyNames: Record<string, string> = {
  seals: 'Seals',
  valves: 'Valves',
  plungers: 'Plungers',
  controls: 'Control',
  rings: 'Rings and oil seals',
  around: 'Around the pump',
};

export const day = (iso: string) => Date.parse(`${iso}T00:00:00Z`) / 86_400_000;

/** "12 Mar 2026". */
export const dayWords = (iso: string) =>
  new Date(`${iso}T00:00:00Z`).toLocaleDateString('en-GB', {
    day: 'numeric',
    month: 'short',
    year: 'numeric',
    timeZone: 'UTC',
  });

/** The lives of a pump as bars from the beginning of its record to today, by family; places without a life are left out. */
export function linesOf(life: PumpLife, today: string): Group[] {
  const [first, last] = [day(life.from), day(today)];
  const at = (iso: string) => Math.min(1, Math.max(0, (day(iso) - first) / Math.max(1, last - first)));
  const rows = life.positions
    .filter((p) => p.lives.length > 0)
    .map((position) => ({
      family: position.family,
      position,
      name: position.where ? `${position.name}, ${position.where}` : position.name,
      bars: position.lives.map((one) => ({
        life: one,
        from: one.fittedOn ? at(one.fittedOn) : 0,
        to: one.outOn ? at(one.outOn) : 1,
        failed: one.why === 'failed',
        open: !one.fittedOn,
        inside: !one.outOn,
      })),
    }));
  return Object.keys(familyNames)
    .map((family) => ({ family, rows: rows.filter((r) => r.family === family) }))
    .filter((g) => g.rows.length > 0);
}

/** Marks along the span: every year, or every quarter where it is short. */
export function marksOf(from: string, today: string): { at: number; text: string }[] {
  const [first, last] = [day(from), day(today)];
  const months = last - first > 1200 ? 12 : last - first > 400 ? 6 : 3;
  const marks = [];
  const start = new Date(first * 86_400_000);
  for (let m = 0; m < 400; m += months) {
    const on = new Date(Date.UTC(start.getUTCFullYear(), Math.ceil(start.getUTCMonth() / months) * months + m, 1));
    const at = (on.getTime() / 86_400_000 - first) / Math.max(1, last - first);
    if (at > 1) break;
    if (at >= 0)
      marks.push({ at, text: on.toLocaleDateString('en-GB', { month: 'short', year: 'numeric', timeZone: 'UTC' }) });
  }
  return marks;
}

/** A part that fails before its warranty ends is claimed: that is said where it is seen. */
function warrantyWords({ warranty, outOn }: PartLife, failed: boolean): string {
  if (!warranty) return '';
  return failed && outOn && outOn <= warranty
    ? `within its warranty to ${dayWords(warranty)}: claim it`
    : `warranty to ${dayWords(warranty)}`;
}

/** What there is to say of one life. */
export function lifeWords({ life, failed, open, inside }: Bar): string {
  const parts = [
    open ? 'in before the record began' : `fitted ${dayWords(life.fittedOn ?? '')}${life.by ? ` by ${life.by}` : ''}`,
    inside
      ? 'still in'
      : `${failed ? 'failed' : life.why === 'along' ? 'changed along' : 'out'} ${dayWords(life.outOn ?? '')}`,
    life.finding ? life.finding.replaceAll('-', ' ') : '',
    life.ran === null || life.ran === undefined ? '' : `${Math.round(life.ran)} h`,
    life.kit ? `kit ${life.kit}` : '',
    life.batch ? `batch ${life.batch}` : '',
    warrantyWords(life, failed),
  ];
  return parts.filter(Boolean).join(', ');
}
