import { mount } from '@vue/test-utils';
import { describe, expect, it } from 'vitest';
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
  const text = (over = {}) =>
    mount(RoundsDialog, {
      props: { visible: true, data: aCase({ round: 2, rounds: [{ ...round, ...over }] }) },
      global: { stubs: { Dialog: { template: '<section><slot /></section>' } } },
    })
      .text()
      .replace(/\s+/g, ' ');

  it('say what was done, what it changed and that it was not that', () => {
    const says = text();
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

  it('never call a round proved that was not', () => {
    expect(text({ proof: null })).toContain('Not proved.');
  });
});
