import { describe, expect, it } from 'vitest';
import { aCase } from '@/shared/testing/fixtures';
import { asQuestion } from './question';

describe('a case as a question', () => {
  const [cue, reading] = [aCase().cues[0], aCase().readings[0]];
  if (!cue || !reading) throw new Error('an answer and a reading are needed');
  const drip = {
    ...cue,
    id: 'c9',
    cue: 'leak-at',
    answer: 'weep',
    cylinder: 2,
    dropsPerMinute: 30,
    stream: true,
    when: 'standing',
    at: 'after',
    judged: true,
  };
  const range = { ...reading, id: 'r9', to: { value: 46, unit: 'bar' }, at: 'before', judged: true };

  // What only the screen needs, and mends, which its “at” says; everything else of an entry is evidence.
  const shown = ['says', 'tag', 'judged', 'mends'];
  const evidence = (entry: object) => Object.fromEntries(Object.entries(entry).filter(([k]) => !shown.includes(k)));

  it('leaves nothing of an entry behind', () => {
    const asked = asQuestion(aCase({ cues: [drip], readings: [range] }));
    expect(asked.cues).toEqual([evidence(drip)].map((e) => expect.objectContaining(e)));
    expect(asked.readings).toEqual([evidence(range)].map((e) => expect.objectContaining(e)));
  });

  it('leaves out what the pump can no longer show', () =>
    expect(asQuestion(aCase({ cues: [{ ...drip, judged: false }], readings: [] })).cues).toEqual([]));
});
