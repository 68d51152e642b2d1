import { VueQueryPlugin } from '@tanstack/vue-query';
import { mount } from '@vue/test-utils';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { aCase, q } from '@/shared/testing/fixtures';
import RoundsDialog from './RoundsDialog.vue';

const round = {
  number: 1,
  says: 'Renewed: 1 x valve (2 discharge).',
  found: [{ place: 'Valve 2 discharge', state: 'fine', says: 'fine' }],
  minutes: 31.4,
  changed: [
    { quantity: 'discharge-pressure', name: 'Pressure at the head', before: q(35, 'bar'), after: q(36, 'bar') },
  ],
  proof: { outcome: 'back', remark: 'It was not that.', by: 'Ines Halvard', at: '2026-03-02T08:00:00' },
};

describe('earlier rounds', () => {
  async function text(over = {}) {
    vi.stubGlobal('fetch', async () => Response.json([{ ...round, ...over }]));
    const shown = mount(RoundsDialog, {
      props: { visible: true, data: aCase({ round: 2 }) },
      global: { plugins: [VueQueryPlugin], stubs: { Dialog: { template: '<section><slot /></section>' } } },
    });
    await vi.waitFor(() => expect(shown.find('article').exists()).toBe(true));
    return shown.text().replace(/\s+/g, ' ');
  }

  afterEach(() => vi.unstubAllGlobals());

  it('say what was done, what it changed and that it was not that', async () => {
    const says = await text();
    for (const part of [
      'round 2',
      'Renewed: 1 x valve (2 discharge).',
      '31 min',
      '35 bar',
      '36 bar',
      'It was not that.',
    ])
      expect(says).toContain(part);
    expect(says).toContain('Sent back to the suspects, Ines Halvard');
    expect(says).toContain('Valve 2 discharge: fine');
  });

  it('never call a round proved that was not', async () => {
    expect(await text({ proof: null })).toContain('Not proved.');
  });
});
