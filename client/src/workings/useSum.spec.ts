import { flushPromises } from '@vue/test-utils';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { effectScope, nextTick, type EffectScope } from 'vue';
import { api, type Schemas } from '@/shared/api/client';
import { useSum } from './useSum';

type Sum = Schemas['SumDto'];

const field = (id: string, over: object = {}) => ({
  id,
  name: id,
  unit: 'L',
  units: ['L'],
  usual: null,
  optional: false,
  choices: [],
  ...over,
});
const sum = (id: string, ...fields: object[]) =>
  ({ id, name: id, purpose: '', fromPump: false, hazards: [], fields }) as unknown as Sum;

const scopes: EffectScope[] = [];
function opened(shown: Sum) {
  const post = vi.spyOn(api, 'POST').mockResolvedValue({ data: { results: [] }, response: new Response() } as never);
  const scope = effectScope();
  scopes.push(scope);
  const used = scope.run(() => useSum(shown));
  if (!used) throw new Error('the scope ended at once');
  const type = (id: string, text: string) => (used.typed.value.entries[id] = { text, unit: 'L' });
  return { post, used, type, leave: () => scope.stop() };
}
const settle = async () => {
  await nextTick();
  await vi.advanceTimersByTimeAsync(200);
  await flushPromises();
};

beforeEach(() => {
  vi.useFakeTimers();
  window.localStorage.clear();
});
afterEach(() => {
  scopes.splice(0).forEach((s) => s.stop());
  vi.useRealTimers();
  vi.restoreAllMocks();
});

describe('an everyday sum', () => {
  it('is worked as soon as nothing needed is missing; a usual value counts until typed', async () => {
    const { post, used, type } = opened(
      sum('bucket', field('volume'), field('time'), field('coefficient', { usual: 0.6 })),
    );
    await settle();
    expect(used.missing.value.map((f) => f.id)).toEqual(['volume', 'time']);
    expect(post).not.toHaveBeenCalled();
    type('volume', '10');
    type('time', '31,4');
    await settle();
    expect(post).toHaveBeenCalledTimes(1);
    expect(post.mock.calls[0]?.[1]).toMatchObject({
      body: { entries: { volume: { value: 10, unit: 'L' }, time: { value: 31.4, unit: 'L' } } },
    });
  });

  it('keeps what is no number, says so, and asks nobody', async () => {
    const { post, used, type } = opened(sum('bucket', field('volume')));
    type('volume', 'half a bucket');
    await settle();
    expect(used.problems.value.volume).toContain('half a bucket');
    expect(used.typed.value.entries.volume?.text).toBe('half a bucket');
    expect(post).not.toHaveBeenCalled();
  });

  it('has each sum as it was left', async () => {
    const bucket = opened(sum('bucket', field('volume')));
    bucket.type('volume', '12');
    await settle();
    bucket.leave();
    expect(opened(sum('drips', field('drops'))).used.typed.value.entries).not.toHaveProperty('volume');
    const again = opened(sum('bucket', field('volume'), field('time')));
    expect(again.used.typed.value.entries).toEqual({
      volume: { text: '12', unit: 'L' },
      time: { text: '', unit: 'L' },
    });
  });
});
