import { mount } from '@vue/test-utils';
import { describe, expect, it } from 'vitest';
import GaugeDial from './GaugeDial.vue';
import { gaugeSpan } from './gaugeSpan';
import { traceRange, turnMarks } from './trace';

const needle = (mean: number) => {
  const dial = mount(GaugeDial, { props: { mean, swing: 4, span: 160, unit: 'bar' } });
  const [from, to] = (dial.get('.needle').attributes('d') ?? '')
    .split(' L ')
    .map((p) => p.replace('M ', '').split(','));
  return { x: Number(to?.[0]) - Number(from?.[0]), y: Number(from?.[1]) - Number(to?.[1]) };
};

describe('the gauge', () => {
  it('points up at half its span, left below and right above', () => {
    expect(needle(80).x).toBeCloseTo(0, 1);
    expect(needle(80).y).toBeGreaterThan(0);
    expect(needle(20).x).toBeLessThan(0);
    expect(needle(140).x).toBeGreaterThan(0);
  });

  it('says in words what it shows, and marks the sound pump only where there is one', () => {
    const dial = mount(GaugeDial, { props: { mean: 31, swing: 24, span: 160, unit: 'bar' } });
    expect(dial.get('[role=img]').attributes('aria-label')).toBe('Gauge at the head: 31 bar, swinging by 24 bar');
    expect(dial.find('.sound').exists()).toBe(false);
  });
});

describe('the trace', () => {
  const trace = {
    seconds: [0, 0.01, 0.02, 0.03],
    turns: [0, 0.5, 1, 1.5],
    head: [70, 71, 70, 69],
    gun: [60, 61, 60, 59],
    inlet: [0, 0, 0, 0],
    nozzleFlow: [],
    bypassFlow: [],
    inletValves: [],
    dischargeValves: [],
    chambers: [[-1, 5, 90, 3]],
  };

  it('marks every turn, and none where they are too many to tell apart', () => {
    expect(turnMarks(trace)).toEqual([0.02]);
    const many = Array.from({ length: 40 }, (_, i) => i);
    expect(turnMarks({ turns: many, seconds: many })).toEqual([]);
  });

  it('is drawn quiet where it is quiet', () => {
    const { least, most } = traceRange(trace.head);
    expect(most - least).toBeGreaterThan(7);
    expect(least).toBeLessThan(69);
    expect(most).toBeGreaterThan(71);
  });
});

describe('the span of a gauge', () => {
  it.each([
    [{ value: 100, unit: 'bar' }, 'bar', 160],
    [{ value: 10, unit: 'MPa' }, 'bar', 160],
    [{ value: 1450, unit: 'psi' }, 'bar', 160],
    [{ value: 100, unit: 'bar' }, 'psi', 2500],
  ])('for %o in %s is %d', (rated, unit, span) => expect(gaugeSpan(rated, unit)).toBe(span));
});
