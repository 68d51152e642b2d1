/** Probabilities and figures as they are shown everywhere. */

/** Whole per cents, never 0 and never 100. */
export function percent(probability: number): string {
  if (probability >= 0.995) return 'over 99 %';
  if (probability < 0.005) return 'under 1 %';
  return `${Math.round(probability * 100)} %`;
}

/** A number with so many significant digits. */
export function digits(value: number, significant = 3): string {
  if (value === 0) return '0';
  const magnitude = Math.floor(Math.log10(Math.abs(value)));
  return String(Number(value.toFixed(Math.min(Math.max(significant - 1 - magnitude, 0), 12))));
}

export function quantity(q: { value: number; unit: string }, significant = 3): string {
  return `${digits(q.value, significant)} ${q.unit}`;
}

/** A reading as it was taken: "31 bar", or "28 to 46 bar". */
export function range(r: { value: { value: number; unit: string }; to?: { value: number } | null }): string {
  return r.to ? `${digits(r.value.value)} to ${digits(r.to.value)} ${r.value.unit}` : quantity(r.value);
}

/** A deviation with its sign. */
export function signed(value: number, significant = 3): string {
  return `${value < 0 ? '−' : '+'}${digits(Math.abs(value), significant)}`;
}

/** "today 14:05", "yesterday", "12 Nov". */
export function when(iso: string, now = new Date()): string {
  const at = new Date(/[zZ]|[+-]\d\d:\d\d$/.test(iso) ? iso : `${iso}Z`);
  const days = Math.round((startOfDay(now) - startOfDay(at)) / 86_400_000);
  const time = at.toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });
  if (days === 0) return `today ${time}`;
  if (days === 1) return `yesterday ${time}`;
  return at.toLocaleDateString('en-GB', { day: 'numeric', month: 'short', year: 'numeric' });
}

function startOfDay(d: Date): number {
  return new Date(d.getFullYear(), d.getMonth(), d.getDate()).getTime();
}
