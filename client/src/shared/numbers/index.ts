/**
 * Reads what is typed into a field: a number, or a range, with a unit on either end; "about" may stand before. The server
 * reads by the same rules (NumberText, NumberEntry); cases.json holds both to them. What can be read two ways is refused.
 */
export interface EnteredNumber {
  value: number;
  unit: string;
}

export interface Entry {
  from: EnteredNumber;
  to: EnteredNumber | null;
  about: boolean;
}

export type Read = { entry: Entry; problem?: undefined } | { entry?: undefined; problem: string };

const vulgar: Record<string, number> = {
  '½': 1 / 2,
  '¼': 1 / 4,
  '¾': 3 / 4,
  '⅛': 1 / 8,
  '⅜': 3 / 8,
  '⅝': 5 / 8,
  '⅞': 7 / 8,
  '⅓': 1 / 3,
  '⅔': 2 / 3,
};
const denominators = [2, 3, 4, 8, 16, 32, 64];
const aboutWords = [
  'about ',
  'approximately ',
  'approx. ',
  'approx ',
  'around ',
  'roughly ',
  'circa ',
  'ca. ',
  'ca ',
  '~',
  '≈',
];

class Refused extends Error {}

/** "1,234.5", "1.234,5", "1,234,567": the decimal mark stands alone and last, the others part groups of three. */
function decimal(text: string): number {
  const points = text.split('.').length - 1;
  const commas = text.split(',').length - 1;
  const strange = new Refused(`${text} is not a number`);
  const grouped = (t: string, mark: string) => {
    const groups = t.split(mark);
    if (!/^\d{1,3}$/.test(groups[0] ?? '') || groups.slice(1).some((g) => g.length !== 3)) throw strange;
    return groups.join('');
  };
  if (points + commas === 0) return Number(text);
  if (points + commas === 1) {
    const mark = points ? '.' : ',';
    if (/^[1-9]\d{0,2}[.,]\d{3}$/.test(text)) {
      const small = text.replace(mark, '.').replace(/0+$/, '').replace(/\.$/, '');
      throw new Refused(`${text} can be read two ways: ${text.replace(mark, '')} or ${small}?`);
    }
    return Number(text.replace(mark, '.'));
  }
  if (!points || !commas) return Number(grouped(text, points ? '.' : ','));
  const mark = text.lastIndexOf('.') > text.lastIndexOf(',') ? '.' : ',';
  if ((mark === '.' ? points : commas) !== 1) throw strange;
  const at = text.lastIndexOf(mark);
  return Number(`${grouped(text.slice(0, at), mark === '.' ? ',' : '.')}.${text.slice(at + 1)}`);
}

const proper = (top: number, bottom: number) =>
  top > 0 && top < bottom && Number.isInteger(top) && denominators.includes(bottom);

/** The number at the start of a text and how many characters it took; throws where it is ambiguous. */
function leading(text: string): { value: number; used: number } | null {
  const sign = /^[-−]/.test(text) ? -1 : 1;
  const start = /^[-−+]/.test(text) ? 1 : 0;
  const digits = /^(?:\d|[.,](?=\d))+/.exec(text.slice(start))?.[0] ?? '';
  let at = start + digits.length;
  if (!digits) {
    const lone = vulgar[text.charAt(at)];
    return lone === undefined ? null : { value: sign * lone, used: at + 1 };
  }
  let value = decimal(digits);
  const plain = /^\d+$/.test(digits);
  const spaced = /^[ \u00a0\u202f\u2009](\d{3})(?!\d)/.exec(text.slice(at));
  if (plain && digits.length <= 3 && spaced)
    throw new Refused(
      `${digits} ${spaced[1]} can be read two ways; write ${digits}${spaced[1]}, or put a comma between two numbers`,
    );
  const power = /^[eE]([-+]?\d+)/.exec(text.slice(at));
  if (power) {
    value *= 10 ** Number(power[1]);
    at += power[0].length;
  }
  const sliver = vulgar[text.charAt(at)];
  const over = /^\/(\d{1,6})/.exec(text.slice(at));
  const mixed = /^[ -](\d{1,6})\/(\d{1,6})/.exec(text.slice(at));
  if (sliver !== undefined && plain) {
    value += sliver;
    at++;
  } else if (over) {
    if (!proper(value, Number(over[1])))
      throw new Refused(
        `${digits}/${over[1]} can be a fraction or two numbers; write one number, or ${digits} to ${over[1]} for a range`,
      );
    value /= Number(over[1]);
    at += over[0].length;
  } else if (mixed && plain && proper(Number(mixed[1]), Number(mixed[2]))) {
    value += Number(mixed[1]) / Number(mixed[2]);
    at += mixed[0].length;
  }
  if (!Number.isFinite(value)) throw new Refused('a number that large cannot be read');
  return { value: sign * value, used: at };
}

class Reader {
  constructor(public rest: string) {}

  takes(word: string): boolean {
    if (!this.rest.toLowerCase().startsWith(word)) return false;
    this.rest = this.rest.slice(word.length).trimStart();
    return true;
  }

  takesAbout = () => aboutWords.some((w) => this.takes(w));

  takesRange = (between: boolean) =>
    ['…', '...', '–', '-', 'to '].some((w) => this.takes(w)) ||
    (this.rest === 'to' && this.takes('to')) ||
    (between && this.takes('and '));

  number(): EnteredNumber {
    const read = leading(this.rest);
    if (!read) throw new Refused(this.rest ? `“${this.rest}” is not a number` : 'a number is missing');
    this.rest = this.rest.slice(read.used).trimStart();
    // Up to what begins the other end; a dash only counts before a number: "ft-lb" has one of its own.
    const end = /…|–|\.\.\.|-(?=[\d ])|(?<=^| )to(?= |$)|(?<=^| )and(?= )/i.exec(this.rest);
    const unit = end ? this.rest.slice(0, end.index) : this.rest;
    this.rest = this.rest.slice(unit.length).trimStart();
    return { value: read.value, unit: unit.trimEnd() };
  }
}

/** All of what stands in a field, or why it is not understood. */
export function readEntry(text: string): Read {
  try {
    const reader = new Reader(text.trim());
    const between = reader.takes('between ') || reader.takes('from ');
    let about = reader.takesAbout();
    let from = reader.number();
    let to: EnteredNumber | null = null;
    if (reader.takesRange(between)) {
      about = reader.takesAbout() || about;
      const upper = reader.number();
      // A unit on one end only is that of both.
      to = { value: upper.value, unit: upper.unit || from.unit };
      from = { value: from.value, unit: from.unit || upper.unit };
    }
    if (reader.rest) return { problem: `“${reader.rest}” is not understood` };
    if (between && !to) return { problem: 'the other end of the range is missing' };
    return { entry: { from, to, about } };
  } catch (error) {
    if (error instanceof Refused) return { problem: error.message };
    throw error;
  }
}

/** One plain number without a unit; null where it is anything else. */
export function readNumber(text: string): number | null {
  const { entry } = readEntry(text);
  return entry && !entry.to && !entry.from.unit ? entry.from.value : null;
}

/** Why a text is no plain number, in words that say what to write. */
export function whyNot(text: string): string {
  const read = readEntry(text);
  if (read.problem) return read.problem;
  return read.entry?.to ? 'one number is wanted here, not a range' : `“${read.entry?.from.unit}” does not belong here`;
}

/** A number as it is put into a field: so that it is never one of those that can be read two ways. */
export function forField(value: number, figures = 6): string {
  const text = String(Number(value.toPrecision(figures)));
  return /^-?[1-9]\d{0,2}\.\d{3}$/.test(text) ? `${text}0` : text;
}
