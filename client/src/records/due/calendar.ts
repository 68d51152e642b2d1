import type { Schemas } from '@/shared/api/client';

export type Visit = Schemas['DueVisitDto'];

/** Days of whole weeks, Monday first, that hold a month. */
export function weeksOf(month: string): string[][] {
  const first = new Date(`${month.slice(0, 7)}-01T00:00:00Z`);
  const start = new Date(first);
  start.setUTCDate(1 - ((first.getUTCDay() + 6) % 7));
  const weeks: string[][] = [];
  for (const day = new Date(start); weeks.length < 6;) {
    const week = Array.from({ length: 7 }, () => {
      const iso = day.toISOString().slice(0, 10);
      day.setUTCDate(day.getUTCDate() + 1);
      return iso;
    });
    if (week.some((d) => d.slice(0, 7) === month.slice(0, 7))) weeks.push(week);
    else break;
  }
  return weeks;
}

export function moved(day: string, by: { days?: number; months?: number }): string {
  const at = new Date(`${day}T00:00:00Z`);
  if (by.months) at.setUTCMonth(at.getUTCMonth() + by.months, 1);
  if (by.days) at.setUTCDate(at.getUTCDate() + by.days);
  return at.toISOString().slice(0, 10);
}

/** Monday of the week that holds a day. */
export const monday = (day: string) => moved(day, { days: -((new Date(`${day}T00:00:00Z`).getUTCDay() + 6) % 7) });

export const monthName = (day: string) =>
  new Date(`${day}T00:00:00Z`).toLocaleDateString('en-GB', { month: 'long', year: 'numeric', timeZone: 'UTC' });

export const weekday = (day: string) =>
  new Date(`${day}T00:00:00Z`).toLocaleDateString('en-GB', { weekday: 'short', day: 'numeric', timeZone: 'UTC' });
