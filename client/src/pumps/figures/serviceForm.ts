import type { Quantity, Schemas } from '@/shared/api/client';
import { forField, readEntry, readNumber, whyNot } from '@/shared/numbers';

type Sheet = Schemas['PumpSheetDto'];

export interface BoltForm {
  torque: string;
  unit: string;
  size: string;
  grade: string;
  thread: string;
  dressing: string;
  /** How they stand, in which order, by which passes and with what; empty as the sheet has it. */
  pattern: string;
  steps: string;
  passes: string;
  tighten: string;
  loosen: string;
  wrench: string;
  drive: string;
}

export interface KitForm {
  name: string;
  price: string;
  holds: { part: string; count: string }[];
}

/** A pump's own figures as they are typed: all text, so that nothing typed is lost. */
export interface ServiceForm {
  sheet: string;
  choices: Record<string, string>;
  bolts: Record<string, BoltForm>;
  kits: KitForm[];
  parts: Record<string, { size: string; price: string }>;
  limits: Record<string, { least: string; most: string }>;
  oil: string;
  grease: string;
  hours: string;
  sealChanges: string;
  newPump: string;
  photos: { hash: string; of: string }[];
}

export const torqueUnits = ['N·m', 'ft·lbf', 'in·lbf'];

export const emptyBolt = (unit = 'N·m'): BoltForm => ({
  torque: '',
  unit,
  size: '',
  grade: '',
  thread: 'steel',
  dressing: 'dry',
  pattern: '',
  steps: '',
  passes: '',
  tighten: '',
  loosen: '',
  wrench: '',
  drive: '',
});

/** "1-4-2-3" as numbers; undefined where it is none. */
export const orderOf = (text: string): number[] | undefined =>
  /^\s*\d+(\s*[-, ]\s*\d+)*\s*$/.test(text)
    ? text
        .trim()
        .split(/[-, ]+/)
        .map(Number)
    : undefined;

/** "30, 70, 100, 100" as shares of the torque; undefined where it is none. */
export const passesOf = (text: string): number[] | undefined => {
  const shares = text
    .replace(/%/g, '')
    .split(/[;, ]+/)
    .filter(Boolean)
    .map((t) => readNumber(t));
  return shares.length && shares.every((s): s is number => s !== null && s > 0 && s <= 100)
    ? shares.map((s) => s / 100)
    : undefined;
};

/** A pattern in words: "8 in two rows". */
export function patternWords(pattern: string): string {
  const [kind, size = ''] = pattern.split('-');
  const count = size.split('x').reduce((all, n) => all * Number(n || 1), 1);
  if (kind === 'rows') return `${count} in two rows`;
  if (kind === 'row') return `${count} in a row`;
  if (kind === 'circle') return `${count} in a circle`;
  return kind === 'pair' ? 'two' : 'one';
}

const said = (value: number | null | undefined) => (value == null ? '' : forField(value));

const inMm = (q: Quantity | null | undefined) =>
  q ? `${forField(q.value)}${q.unit === 'mm' ? '' : ` ${q.unit}`}` : '';

const length = (text: string): Quantity | undefined => {
  const { entry } = readEntry(text);
  return entry && !entry.to ? { value: entry.from.value, unit: entry.from.unit || 'mm' } : undefined;
};

/** What is stored, as a form. */
export function toForm(sheet: Sheet, versions: { id: string; choices: { part: string }[] }[]): ServiceForm {
  const bolts: Record<string, BoltForm> = {};
  for (const [group, torque] of Object.entries(sheet.torques ?? {}))
    bolts[group] = { ...emptyBolt(torque.unit), torque: said(torque.value) };
  for (const [group, made] of Object.entries(sheet.bolts ?? {}))
    bolts[group] = {
      ...(bolts[group] ?? emptyBolt()),
      size: made.size ?? '',
      grade: made.grade ?? '',
      thread: made.thread ?? 'steel',
      dressing: made.dressing ?? 'dry',
      pattern: made.pattern ?? '',
      steps: made.steps ?? '',
      passes: (made.shares ?? []).map((s) => forField(100 * s)).join(', '),
      tighten: (made.tighten ?? []).join('-'),
      loosen: (made.loosen ?? []).join('-'),
      wrench: made.wrench ?? '',
      drive: made.drive ?? '',
    };
  const parts: ServiceForm['parts'] = {};
  for (const [part, size] of Object.entries(sheet.sizes ?? {})) parts[part] = { size, price: '' };
  for (const [part, price] of Object.entries(sheet.prices ?? {}))
    parts[part] = { size: parts[part]?.size ?? '', price: said(price) };
  return {
    sheet: sheet.id ?? '',
    choices: Object.fromEntries(
      versions.map((v) => [v.id, v.choices.find((c) => sheet.choices?.includes(c.part))?.part ?? '']),
    ),
    bolts,
    kits: (sheet.kits ?? []).map((k) => ({
      name: k.name ?? '',
      price: said(k.price),
      holds: Object.entries(k.holds ?? {}).map(([part, count]) => ({ part, count: String(count) })),
    })),
    parts,
    limits: Object.fromEntries(
      Object.entries(sheet.limits ?? {}).map(([name, l]) => [name, { least: inMm(l.least), most: inMm(l.most) }]),
    ),
    oil: sheet.oil ?? '',
    grease: sheet.grease ?? '',
    hours: said(sheet.interval?.hours),
    sealChanges: said(sheet.interval?.sealChanges),
    newPump: said(sheet.newPump),
    photos: (sheet.photos ?? []).map((p) => ({ hash: p.hash ?? '', of: p.of ?? '' })),
  };
}

function torque(bolt: BoltForm): Quantity | undefined {
  const { entry } = readEntry(bolt.torque);
  return entry && !entry.to ? { value: entry.from.value, unit: entry.from.unit || bolt.unit } : undefined;
}

const numberIn = (text: string) => readNumber(text.trim()) ?? undefined;

/** Everything that cannot be read as a number, by the field of the request. */
export function problemsOf(form: ServiceForm): Record<string, string> {
  const found: Record<string, string> = {};
  for (const [group, bolt] of Object.entries(form.bolts)) {
    if (bolt.torque.trim() && !torque(bolt))
      found[`sheet.torques.${group}`] = `${whyNot(bolt.torque)}. Write it like 25 or 250 in·lbf.`;
    for (const way of ['tighten', 'loosen'] as const)
      if (bolt[way].trim() && !orderOf(bolt[way]))
        found[`sheet.bolts.${group}.${way}`] = 'Numbers of the bolts in turn, like 1-4-2-3.';
    if (bolt.passes.trim() && !passesOf(bolt.passes))
      found[`sheet.bolts.${group}.shares`] = 'Per cent of the torque, pass by pass, like 30, 70, 100, 100.';
  }
  const number = (field: string, text: string) => {
    if (text.trim() && readNumber(text.trim()) === null) found[field] = `${whyNot(text)}. Write it like 12 or 12.50.`;
  };
  form.kits.forEach((kit, k) => {
    number(`sheet.kits[${k}].price`, kit.price);
    kit.holds.forEach(({ part, count }) => number(`sheet.kits[${k}].holds.${part}`, count));
  });
  for (const [part, { price }] of Object.entries(form.parts)) number(`sheet.prices.${part}`, price);
  for (const [name, { least, most }] of Object.entries(form.limits))
    for (const [end, text] of Object.entries({ least, most }))
      if (text.trim() && !length(text)) found[`sheet.limits.${name}.${end}`] = `${whyNot(text)}. Write it like 17.95.`;
  number('sheet.interval.hours', form.hours);
  number('sheet.interval.sealChanges', form.sealChanges);
  number('sheet.newPump', form.newPump);
  return found;
}

const filled = <T>(entries: (readonly [string, T | undefined])[]): Record<string, T> | undefined => {
  const there = entries.filter((e): e is [string, T] => e[1] !== undefined);
  return there.length ? Object.fromEntries(there) : undefined;
};

/** What is sent: only what was filled in. */
export function toSheet(form: ServiceForm): Sheet {
  const bolts = Object.entries(form.bolts);
  const parts = Object.entries(form.parts);
  const [hours, sealChanges] = [numberIn(form.hours), numberIn(form.sealChanges)];
  return {
    id: form.sheet || undefined,
    choices: Object.values(form.choices).filter(Boolean),
    torques: filled(bolts.map(([group, b]) => [group, torque(b)])),
    bolts: filled(
      bolts.map(([group, b]) => [
        group,
        Object.keys(b).some(
          (k) => !['torque', 'unit'].includes(k) && b[k as keyof BoltForm] !== emptyBolt()[k as keyof BoltForm],
        )
          ? {
              size: b.size || undefined,
              grade: b.grade || undefined,
              thread: b.thread,
              dressing: b.dressing,
              pattern: b.pattern || undefined,
              steps: b.steps || undefined,
              shares: passesOf(b.passes),
              tighten: orderOf(b.tighten),
              loosen: orderOf(b.loosen),
              wrench: b.wrench.trim() || undefined,
              drive: b.drive || undefined,
            }
          : undefined,
      ]),
    ),
    kits: form.kits
      .filter((k) => k.name.trim() || k.holds.some((h) => h.part))
      .map((k) => ({
        name: k.name.trim(),
        price: numberIn(k.price),
        holds: Object.fromEntries(k.holds.filter((h) => h.part).map((h) => [h.part, numberIn(h.count) ?? 0])),
      })),
    sizes: filled(parts.map(([part, p]) => [part, p.size.trim() || undefined])),
    prices: filled(parts.map(([part, p]) => [part, numberIn(p.price)])),
    limits: filled(
      Object.entries(form.limits).map(([name, { least, most }]) => {
        const [low, high] = [length(least), length(most)];
        return [name, low || high ? { least: low, most: high } : undefined];
      }),
    ),
    oil: form.oil.trim() || undefined,
    grease: form.grease.trim() || undefined,
    interval: hours === undefined && sealChanges === undefined ? undefined : { hours, sealChanges },
    newPump: numberIn(form.newPump),
    photos: form.photos,
  };
}

/** The same form with another torque where the doubtful one stood. */
export function meant(form: ServiceForm, field: string, value: Quantity): ServiceForm {
  const group = field.replace('sheet.torques.', '');
  const bolt = form.bolts[group];
  if (!bolt) return form;
  return { ...form, bolts: { ...form.bolts, [group]: { ...bolt, torque: forField(value.value), unit: value.unit } } };
}
