/** Seconds left of a timer, 0 once it has run out; undefined before it was started. */
export function leftOf(started: string | null | undefined, seconds: number, now: number): number | undefined {
  return started ? Math.max(0, seconds - (now - Date.parse(started)) / 1000) : undefined;
}

/** "2:00". */
export function clock(seconds: number): string {
  const whole = Math.ceil(seconds);
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, '0')}`;
}

/** A turn of a screw in the words of somebody with a key in the hand. */
export function turnWords(turns: number): string {
  const size = Math.abs(turns);
  const known = [
    [1 / 4, 'a quarter turn'],
    [1 / 8, 'an eighth of a turn'],
    [1 / 16, 'a sixteenth of a turn'],
  ] as const;
  const near = known.find(([t]) => Math.abs(size - t) < 0.004);
  return `${near ? near[1] : `${size.toFixed(2)} of a turn (${Math.round(size * 360)}°)`} ${turns > 0 ? 'in, clockwise' : 'out'}`;
}
