import { flushPromises, mount } from '@vue/test-utils';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { defineComponent, h } from 'vue';
import type { PumpResource } from '@/shared/api/client';
import { usePlateDraft, type PlateDraft } from './usePlateDraft';

const pump = (strokeMm: number, version: number): PumpResource => ({
  id: 'p1',
  tag: 'FOG-2',
  name: '',
  duty: 'fog',
  version,
  fittings: [],
  sheet: {},
  pump: { cylinders: 3, stroke: { value: strokeMm, unit: 'mm' } } as PumpResource['pump'],
  setup: {} as PumpResource['setup'],
});

describe('a pump that is corrected', () => {
  let stored = pump(18, 1);

  async function open() {
    let draft: PlateDraft | undefined;
    const page = mount(
      defineComponent({
        setup() {
          draft = usePlateDraft('p1');
          return () => h('div');
        },
      }),
    );
    await flushPromises();
    if (!draft) throw new Error('not mounted');
    return { draft, page };
  }

  beforeEach(() => {
    stored = pump(18, 1);
    window.localStorage.clear();
    vi.stubGlobal(
      'fetch',
      async () =>
        new Response(JSON.stringify(stored), {
          headers: { 'Content-Type': 'application/json', ETag: `"${stored.version}"` },
        }),
    );
  });
  afterEach(() => vi.unstubAllGlobals());

  it('is never laid unseen over what somebody stored meanwhile', async () => {
    const first = await open();
    first.draft.plate.stroke.text = '19';
    await flushPromises();
    first.page.unmount();
    stored = pump(20, 2);
    const { draft } = await open();
    expect(draft.etag.value).toBe('"2"');
    expect(draft.plate.stroke.text).toBe('19');
    expect(draft.conflicts.value).toEqual([{ field: 'stroke', name: 'stroke', mine: '19 mm', theirs: '20 mm' }]);
    const [conflict] = draft.conflicts.value;
    if (conflict) draft.takeTheirs(conflict);
    expect(draft.plate.stroke.text).toBe('20');
    expect(draft.conflicts.value).toEqual([]);
  });

  it('takes what others changed when it was refused, and keeps what was typed', async () => {
    const { draft } = await open();
    draft.plate.duty = 'mist';
    stored = pump(20, 2);
    await draft.renew();
    expect(draft.plate.duty).toBe('mist');
    expect(draft.plate.stroke.text).toBe('20');
    expect(draft.etag.value).toBe('"2"');
  });

  it('keeps no draft of what is stored', async () => {
    const { draft } = await open();
    draft.plate.duty = 'mist';
    await flushPromises();
    draft.done();
    await flushPromises();
    expect(window.localStorage.getItem('mild-hunch.pump.p1')).toBeNull();
  });
});
