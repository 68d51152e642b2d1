import { describe, expect, it } from 'vitest';
import { lastOnly } from './lastOnly';

/** A line on which every message waits until it is let through. */
function slowLine() {
  const sent: string[] = [];
  const held: ((taken: boolean) => void)[] = [];
  const say = lastOnly<number>((key, what) => {
    sent.push(`${key} ${what}`);
    return new Promise((taken) => held.push(taken));
  });
  const through = async (taken = true) => {
    held.shift()?.(taken);
    await new Promise((r) => setTimeout(r));
  };
  return { sent, say, through };
}

describe('what a quick hand says over a slow line', () => {
  it('goes out one at a time, the last of those that waited only', async () => {
    const { sent, say, through } = slowLine();
    const all = [1, 2, 3, 4].map((taps) => say('nuts', taps));
    expect(sent).toEqual(['nuts 1']);
    await through();
    expect(sent).toEqual(['nuts 1', 'nuts 4']);
    await through();
    expect(await Promise.all(all)).toEqual([true, false, false, true]);
  });

  it('is not sent twice while it is on its way, and is again after that', async () => {
    const { sent, say, through } = slowLine();
    const first = say('cap', 0);
    expect(await say('cap', 0)).toBe(false);
    await through();
    expect(await first).toBe(true);
    void say('cap', 0);
    expect(sent).toEqual(['cap 0', 'cap 0']);
  });

  it('does not hold up what is said of something else', () => {
    const { sent, say } = slowLine();
    void say('cap', 0);
    void say('valve', 0);
    expect(sent).toEqual(['cap 0', 'valve 0']);
  });

  it('still sends what waited when the first was refused', async () => {
    const { sent, say, through } = slowLine();
    const [first, second] = [say('nuts', 1), say('nuts', 2)];
    await through(false);
    await through();
    expect([await first, await second]).toEqual([false, true]);
    expect(sent).toHaveLength(2);
  });
});
