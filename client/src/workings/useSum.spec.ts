import { flushPromises } from '@vue/test-utils';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { effectScope, nextTick, ref } from 'vue';
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

function opened(first: Sum) {
  const post = vi.spyOn(api, 'POST').mockResolvedValue({ data: { results: [] }, response: new Response() } as never);
  const shown = ref<Sum>(first);
  const scope = effectScope();
  const used = scope.run(() => useSum(shown));
  if (!used) throw new Error('the scope ended at once');
  const type = (id: string, text: string) => (used.entries.value[id] = { text, unit: 'L' });
  return { post, shown, used, type };
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
    expect(used.entries.value.volume?.text).toBe('half a bucket');
    expect(post).not.toHaveBeenCalled();
  });

  it('has each sum as it was left', async () => {
    const { shown, used, type } = opened(sum('bucket', field('volume')));
    type('volume', '12');
    await settle();
    shown.value = sum('drips', field('drops'));
    await settle();
    expect(used.entries.value).not.toHaveProperty('volume');
    shown.value = sum('bucket', field('volume'));
    await settle();
    expect(used.entries.value.volume?.text).toBe('12');
  });
});
