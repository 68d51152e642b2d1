import { mount, type VueWrapper } from '@vue/test-utils';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { ChangeRequest, Schemas } from '@/shared/api/client';
import { aCase, knowledge, q } from '@/shared/testing/fixtures';
import HoursFields from '@/cases/ask/HoursFields.vue';
import LimitsDialog from './LimitsDialog.vue';
import NextCheckPanel from './NextCheckPanel.vue';
import PlanTree from './PlanTree.vue';
import ReadingField from '@/cases/measure/ReadingField.vue';
import SuspectList from '@/cases/suspect/SuspectList.vue';

const speed = { id: 'speed', name: 'Crank speed', short: 'Crank', place: 'crank', units: ['rpm'] };
const pressure = {
  id: 'discharge-pressure',
  name: 'Pressure at the head',
  short: 'Pressure',
  place: 'gauge',
  units: ['bar', 'psi'],
};
const button = (
  wrapper: { findAll: (s: string) => { text: () => string; trigger: (e: string) => Promise<void> }[] },
  text: string,
) => wrapper.findAll('button').find((b) => b.text() === text);

const tell = vi.fn<(change: ChangeRequest) => Promise<boolean>>();
beforeEach(() => {
  window.localStorage.clear();
  tell.mockReset().mockResolvedValue(true);
});

describe('a reading as it is taken', () => {
  it.each([
    ['28 to 46', 28, 46],
    ['28-46', 28, 46],
    ['28 – 46', 28, 46],
    ['12,5 to 13', 12.5, 13],
  ])('takes “%s” as a range', async (text, value, to) => {
    const field = mount(ReadingField, { props: { caseId: 'case-1', what: pressure, tell } });
    await field.get('input').setValue(text);
    await field.get('form').trigger('submit');
    expect(tell.mock.calls).toEqual([
      [{ readings: [{ quantity: 'discharge-pressure', value: q(value, 'bar'), to: q(to, 'bar') }] }],
    ]);
  });

  it('takes a number below zero as a number', async () => {
    const field = mount(ReadingField, { props: { caseId: 'case-1', what: pressure, tell } });
    await field.get('input').setValue('-0.3');
    await field.get('form').trigger('submit');
    expect(tell.mock.calls).toEqual([[{ readings: [{ quantity: 'discharge-pressure', value: q(-0.3, 'bar') }] }]]);
  });

  it('keeps the first when it is read again', async () => {
    const standing = {
      id: 'r1',
      quantity: 'speed',
      value: q(1447, 'rpm'),
      uncertainty: null,
      to: null,
      at: null,
      mends: 0,
      judged: true,
    };
    const field = mount(ReadingField, { props: { caseId: 'case-1', what: speed, standing, tell } });
    await field.get('input').setValue('1451');
    await button(field, 'Read again')?.trigger('click');
    expect(tell.mock.calls).toEqual([[{ readings: [{ quantity: 'speed', value: q(1451, 'rpm') }], again: true }]]);
  });
});

describe('the next check', () => {
  it('says what testing and opening would take, and takes no for an answer', async () => {
    const panel = mount(NextCheckPanel, { props: { data: aCase({ couldNot: ['oil'] }), knowledge, tell } });
    await button(panel, 'How')?.trigger('click');
    expect(panel.text()).toContain('58 min to a proved pump');
    await panel
      .findAll('button')
      .find((b) => b.text().startsWith('Could not do it'))
      ?.trigger('click');
    expect(tell.mock.calls).toEqual([[{ couldNot: ['oil', 'inlet-hose'] }]]);
  });

  it('tells that limits are in force', () => {
    const limits = { without: ['transducer'], keepRunning: null, mostMinutes: null, apprentice: null, avoid: null };
    expect(mount(NextCheckPanel, { props: { data: aCase({ limits }), knowledge, tell } }).text()).toContain(
      'Limits of today: some',
    );
  });
});

describe('limits of today', () => {
  const open = () =>
    mount(LimitsDialog, {
      props: { data: aCase(), knowledge, visible: true },
      global: { stubs: { Dialog: { template: '<div><slot /></div>' } } },
    });

  it('are told as a whole', async () => {
    const dialog = open();
    await dialog.get('input[value="transducer"]').setValue(true);
    await dialog.get('input[inputmode="decimal"]').setValue('20');
    await dialog.get('form').trigger('submit');
    expect(dialog.emitted('tell')).toEqual([
      [{ limits: { without: ['transducer'], avoid: [], keepRunning: false, apprentice: false, mostMinutes: 20 } }],
    ]);
  });

  it('refuse a time that is none, and keep it', async () => {
    const dialog = open();
    const minutes = dialog.get('input[inputmode="decimal"]');
    await minutes.setValue('soon');
    await dialog.get('form').trigger('submit');
    expect(dialog.emitted('tell')).toBeUndefined();
    expect(dialog.text()).toContain('“soon” is no time for a check');
    expect((minutes.element as HTMLInputElement).value).toBe('soon');
  });
});

describe('hours since new', () => {
  const seals = {
    ...knowledge,
    faults: [
      {
        id: 'x',
        name: 'x',
        part: 'hp-seal',
        side: null,
        location: 'none',
        how: '',
        zero: '',
        one: '',
      },
    ],
  };

  const leave = async (fields: VueWrapper, text: string) => {
    await fields.get('input').setValue(text);
    await fields.get('input').trigger('focusout');
  };

  it('survive half typed, when the stage is changed and when the page is fetched anew', async () => {
    const props = { data: aCase(), knowledge: seals, tell };
    const fields = mount(HoursFields, { props });
    await fields.get('input').setValue('85');
    fields.unmount();
    expect((mount(HoursFields, { props }).get('input').element as HTMLInputElement).value).toBe('85');
  });

  it('are noted by part, and none takes them back', async () => {
    const tell = vi.fn().mockResolvedValue(true);
    const fields = mount(HoursFields, { props: { data: aCase(), knowledge: seals, tell } });
    expect(fields.findAll('input')).toHaveLength(1);
    await leave(fields, '850');
    expect(tell).toHaveBeenLastCalledWith({ hours: [{ part: 'hp-seal', hours: 850, cylinder: null }] });
    await fields.setProps({ data: aCase({ hours: [{ part: 'hp-seal', hours: 850, cylinder: null }] }) });
    await leave(fields, '');
    expect(tell).toHaveBeenLastCalledWith({ hours: [] });
  });

  it('leave those of one cylinder alone', async () => {
    const ofTwo = { part: 'hp-seal', hours: 300, cylinder: 2 };
    const fields = mount(HoursFields, { props: { data: aCase({ hours: [ofTwo] }), knowledge: seals, tell } });
    await leave(fields, '850');
    expect(tell).toHaveBeenLastCalledWith({ hours: [ofTwo, { part: 'hp-seal', hours: 850, cylinder: null }] });
  });

  it('refuse what is no number', async () => {
    const tell = vi.fn();
    const fields = mount(HoursFields, { props: { data: aCase(), knowledge: seals, tell } });
    await leave(fields, 'many');
    expect(tell).not.toHaveBeenCalled();
    expect(fields.text()).toContain('“many” is no number of hours');
  });
});

describe('a plan', () => {
  it('shows every branch down to what is mended', () => {
    const leaf = (text: string, ends: string): Schemas['PlanBranchDto'] => ({
      text,
      probability: 0.5,
      leader: 'Nozzle worn',
      leaderProbability: 0.8,
      next: null,
      ends,
    });
    const step: Schemas['PlanStepDto'] = {
      check: 'a',
      name: 'Watch the needle',
      question: '?',
      minutes: 1,
      branches: [
        leaf('steady', 'Fit the right nozzle'),
        {
          ...leaf('swings', ''),
          ends: null,
          next: {
            check: 'b',
            name: 'Listen at every valve',
            question: '?',
            minutes: 5,
            branches: [leaf('all alike', 'Leave it closed')],
          },
        },
      ],
    };
    const text = mount(PlanTree, { props: { step } }).text();
    for (const said of ['Watch the needle', 'Fit the right nozzle', 'Listen at every valve', 'Leave it closed', '80 %'])
      expect(text).toContain(said);
  });
});

describe('suspects', () => {
  it('name two at once and what would make the second one lead', async () => {
    const data = aCase();
    data.diagnosis.twoAtOnce = 0.7;
    data.diagnosis.pairs = [
      {
        faults: [
          { fault: 'a', name: 'Nozzle worn', cylinder: null, side: null, end: null },
          { fault: 'b', name: 'Valve leaks', cylinder: 2, side: 'inlet', end: null },
        ],
        probability: 0.6,
      },
    ];
    data.diagnosis.rival = {
      fault: 'a',
      name: 'A',
      check: 'x',
      answer: 'y',
      probability: 0.2,
      text: 'A leads if “x” shows: y (20 % likely).',
    };
    const list = mount(SuspectList, { props: { data } });
    await list.get('.more').trigger('click');
    const text = list.text();
    expect(text).toContain('Nozzle worn and Valve leaks (inlet 2)');
    expect(text).toContain('A leads if “x” shows');
  });
});
