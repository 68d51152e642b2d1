/** Reads one number with a decimal point or comma; null when it is none, or can be read two ways ("1,450"). */
export function readNumber(text: string): number | null {
  const trimmed = text.trim().replace('−', '-');
  if (!/^[-+]?\d+([.,]\d+)?$/.test(trimmed)) return null;
  if (/^[-+]?[1-9]\d{0,2},\d{3}$/.test(trimmed)) return null;
  return Number(trimmed.replace(',', '.'));
}
