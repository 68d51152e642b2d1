import { VueQueryPlugin } from '@tanstack/vue-query';
import { flushPromises, mount } from '@vue/test-utils';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { defineComponent, h } from 'vue';
import type { ChangeRequest } from '@/shared/api/client';
import JotLine from '@/cases/jot/JotLine.vue';
import { aCase } from '@/shared/testing/fixtures';
import { useCase, type CaseAccess } from './useCase';

const json = (body: unknown, status = 200) =>
  new Response(JSON.stringify(body), {
    status,
    headers: { 'Content-Type': status < 400 ? 'application/json' : 'application/problem+json' },
  });

/** A server of our own making: answers by path, and remembers what it was asked. */
function serve(answer: (path: string, request: Request) => Response | Promise<Response>) {
  const asked: Request[] = [];
  vi.stubGlobal('fetch', async (request: Request) => {
    asked.push(request.clone());
    return answer(new URL(request.url, 'http://x').pathname, request);
  });
  return asked;
}

async function open() {
  let access: CaseAccess | undefined;
  const Host = defineComponent({
    setup() {
      access = useCase('case-1');
      return () => h('div');
    },
  });
  mount(Host, { global: { plugins: [VueQueryPlugin] } });
  await flushPromises();
  await vi.waitFor(() => expect(access?.data.value).toBeDefined());
  if (!access) throw new Error('not mounted');
  return access;
}

afterEach(() => {
  vi.unstubAllGlobals();
  window.localStorage.clear();
});

describe('changing a case', () => {
  it('sends one change after another, each on the version before', async () => {
    let version = 3;
    const asked = serve((path) => json(aCase({ version: path.endsWith('/changes') ? ++version : version })));
    const access = await open();
    await Promise.all([access.tell({ remove: ['a'] }), access.tell({ remove: ['b'] })]);
    const sent = asked.filter((r) => r.method === 'POST').map((r) => r.headers.get('If-Match'));
    expect(sent).toEqual(['"3"', '"4"']);
    expect(access.data.value?.version).toBe(5);
  });

  it('tells what the server refused and goes on', async () => {
    const answers = [
      json({ title: 'This cannot be', detail: 'nozzle-flow: −3 is not possible.' }, 400),
      json(aCase({ version: 4 })),
    ];
    serve((path) => (path.endsWith('/changes') ? (answers.shift() ?? json({}, 500)) : json(aCase())));
    const access = await open();
    expect(await access.tell({ remove: ['a'] })).toBe(false);
    expect(access.trouble.value).toContain('−3 is not possible');
    expect(await access.tell({ remove: ['a'] })).toBe(true);
    expect(access.trouble.value).toBe('');
  });

  it('fetches the case again when another tablet was faster', async () => {
    let fetched = 0;
    serve((path) => {
      if (path.endsWith('/changes')) return json({ detail: 'Somebody else changed this meanwhile.' }, 412);
      return json(aCase({ version: 3 + fetched++ }));
    });
    const access = await open();
    const before = fetched;
    expect(await access.tell({ remove: ['a'] })).toBe(false);
    expect(fetched).toBeGreaterThan(before);
    expect(access.trouble.value).toContain('Somebody else');
  });
});

describe('an answer that is lost', () => {
  it('is asked for again with the same key, which nothing else has', async () => {
    let lost = 1;
    const asked = serve((path) => {
      if (path.endsWith('/changes') && lost-- > 0) throw new TypeError('Failed to fetch');
      return json(aCase({ version: 4 }));
    });
    const access = await open();
    expect(await access.tell({ facts: { complaint: 'It drips' } })).toBe(true);
    expect(await access.tell({ facts: { complaint: 'It drips' } })).toBe(true);
    const keys = asked.filter((r) => r.method === 'POST').map((r) => r.headers.get('Idempotency-Key'));
    expect(keys).toHaveLength(3);
    expect(keys[0]).toMatch(/^[0-9a-f]{32}$/);
    expect(keys[1]).toBe(keys[0]);
    expect(keys[2]).not.toBe(keys[0]);
  });

  it('is told once it is lost twice', async () => {
    const asked = serve((path) => {
      if (path.endsWith('/changes')) throw new TypeError('Failed to fetch');
      return json(aCase());
    });
    const access = await open();
    expect(await access.tell({ facts: { complaint: 'It drips' } })).toBe(false);
    expect(asked.filter((r) => r.method === 'POST')).toHaveLength(2);
    expect(access.trouble.value).not.toBe('');
  });
});

describe('a figure that is hard to believe', () => {
  const doubt = {
    field: 'readings[0].value',
    says: '6000 bar is far above the rating.',
    given: { value: 6000, unit: 'bar' },
    instead: [{ value: 60, unit: 'bar' }],
  };
  const change = { readings: [{ quantity: 'discharge-pressure', value: { value: 6000, unit: 'bar' } }] };

  /** A server that doubts 6000 bar until it is told that it is so; what it was sent. */
  function doubting() {
    const sent: ChangeRequest[] = [];
    serve(async (path, request) => {
      if (!path.endsWith('/changes')) return json(aCase());
      sent.push((await request.json()) as ChangeRequest);
      const asked = sent.at(-1);
      const isOdd = asked?.readings?.[0]?.value?.value === 6000 && !asked.sure;
      return isOdd ? json({ detail: doubt.says, doubts: [doubt] }, 409) : json(aCase({ version: 9 }));
    });
    return sent;
  }

  it('is asked back, and the figure that was meant is noted', async () => {
    const sent = doubting();
    const access = await open();
    const told = access.tell(change);
    await vi.waitFor(() => expect(access.doubts.asked.value?.[0]?.says).toContain('6000 bar'));
    access.doubts.decide({ doubt, meant: { value: 60, unit: 'bar' } });
    expect(await told).toBe(true);
    expect(sent.at(-1)?.readings?.[0]?.value).toEqual({ value: 60, unit: 'bar' });
  });

  it('is noted where it is really so, and not where nobody decides', async () => {
    const sent = doubting();
    const access = await open();
    const sure = access.tell(change);
    await vi.waitFor(() => expect(access.doubts.asked.value).toBeDefined());
    access.doubts.decide({ sure: true });
    expect(await sure).toBe(true);
    expect(sent.at(-1)?.sure).toBe(true);
    const left = access.tell(change);
    await vi.waitFor(() => expect(access.doubts.asked.value).toBeDefined());
    access.doubts.decide(undefined);
    expect(await left).toBe(false);
    expect(access.trouble.value).toContain('still there');
  });
});

describe('the jot line', () => {
  const understood = {
    items: [
      {
        start: 0,
        length: 6,
        says: 'Pressure at the head: 31 bar',
        reading: { quantity: 'discharge-pressure', value: { value: 31, unit: 'bar' } },
        cue: null,
      },
    ],
    notUnderstood: [{ start: 8, length: 6, text: 'wobbly', problem: 'not understood' }],
  };

  it('shows what it understood before it counts, and keeps the rest', async () => {
    serve(() => json(understood));
    const tell = vi.fn().mockResolvedValue(true);
    const line = mount(JotLine, { props: { data: aCase(), tell, trouble: '' } });
    await line.get('input').setValue('31 bar, wobbly');
    await flushPromises();
    expect(line.text()).toContain('Pressure at the head: 31 bar');
    expect(line.text()).toContain('wobbly: not understood');
    expect(tell).not.toHaveBeenCalled();
    await line.get('form').trigger('submit');
    await flushPromises();
    expect(tell).toHaveBeenCalledWith({ says: '31 bar, wobbly', readings: [understood.items[0]?.reading], cues: [] });
    expect((line.get('input').element as HTMLInputElement).value).toBe('wobbly');
  });

  it('loses nothing when the server is away', async () => {
    serve(() => Promise.reject(new TypeError('Failed to fetch')));
    const line = mount(JotLine, { props: { data: aCase(), tell: vi.fn(), trouble: '' } });
    await line.get('input').setValue('31 bar');
    await flushPromises();
    expect(line.text()).toContain('What you typed is kept');
    const again = mount(JotLine, { props: { data: aCase(), tell: vi.fn(), trouble: '' } });
    expect((again.get('input').element as HTMLInputElement).value).toBe('31 bar');
  });

  it('keeps the line when the case refuses it', async () => {
    serve(() => json(understood));
    const line = mount(JotLine, {
      props: { data: aCase(), tell: vi.fn().mockResolvedValue(false), trouble: 'Refused.' },
    });
    await line.get('input').setValue('31 bar');
    await line.get('form').trigger('submit');
    await flushPromises();
    expect((line.get('input').element as HTMLInputElement).value).toBe('31 bar');
    expect(line.text()).toContain('Refused.');
  });
});

describe('a line that is being read', () => {
  const read = {
    items: [{ start: 0, length: 6, says: '31 bar', reading: null, cue: null }],
    notUnderstood: [],
    suggestions: [],
  };

  it('is added by Enter once the answer has come', async () => {
    const waiting: (() => void)[] = [];
    serve(() => new Promise((go) => waiting.push(() => go(json(read)))));
    const tell = vi.fn().mockResolvedValue(true);
    const line = mount(JotLine, { props: { data: aCase(), tell, trouble: '' } });
    await line.get('input').setValue('31 bar');
    expect(line.get('button[type="submit"]').attributes('disabled')).toBeUndefined();
    await line.get('form').trigger('submit');
    expect(tell).not.toHaveBeenCalled();
    waiting.forEach((go) => go());
    await flushPromises();
    expect(tell).toHaveBeenCalledOnce();
    line.unmount();
  });

  it('is read once the network is back', async () => {
    let gone = true;
    serve(() => {
      if (gone) throw new TypeError('offline');
      return json(read);
    });
    const line = mount(JotLine, { props: { data: aCase(), tell: vi.fn(), trouble: '' } });
    await line.get('input').setValue('31 bar');
    await flushPromises();
    expect(line.text()).toContain('cannot be reached');
    gone = false;
    window.dispatchEvent(new Event('online'));
    await flushPromises();
    expect(line.text()).toContain('31 bar');
    expect(line.text()).not.toContain('cannot be reached');
    line.unmount();
  });
});
