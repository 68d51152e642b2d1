import { flushPromises, mount } from '@vue/test-utils';
import Select from 'primevue/select';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { ChangeRequest, Knowledge } from '@/shared/api/client';
import { allKeys } from '@/shared/keys/useKeys';
import NoVerdict from '@/cases/suspect/NoVerdict.vue';
import StopNow from '@/cases/suspect/StopNow.vue';
import HoursField from '@/cases/ask/HoursField.vue';
import NextCheckPanel from '@/cases/check/NextCheckPanel.vue';
import ReadingField from '@/cases/measure/ReadingField.vue';
import ReadingsStrip from '@/cases/measure/ReadingsStrip.vue';
import StageNote from './StageNote.vue';
import SuspectList from '@/cases/suspect/SuspectList.vue';
import WaterLedger from '@/parts/WaterLedger.vue';
import WhatWasIt from '@/cases/proving/WhatWasIt.vue';
import { aCase, aComparison, aLedger, aSuspect, knowledge, q } from '@/shared/testing/fixtures';

beforeEach(() => window.localStorage.clear());

const named = (
  wrapper: { findAll: (s: string) => { text: () => string; trigger: (e: string) => Promise<void> }[] },
  text: string,
) => wrapper.findAll('button').find((b) => b.text() === text);

const tell = vi.fn<(change: ChangeRequest) => Promise<boolean>>();
beforeEach(() => {
  window.localStorage.clear();
  tell.mockReset().mockResolvedValue(true);
});

describe('the water ledger', () => {
  it('draws what is missing as long as it is', () => {
    const ledger = mount(WaterLedger, { props: { ledger: aLedger() } });
    expect(ledger.get('.nozzle').attributes('style')).toContain('flex-grow: 0.657');
    expect(ledger.get('.missing').text()).toContain('missing 6.5');
    expect(ledger.text()).toContain('1.03 ± 0.10 of one cylinder is missing.');
  });

  it('says unknown where nobody measured, and never nothing', () => {
    const unknown = { flow: null, sigma: null, source: 'unknown' };
    const ledger = mount(WaterLedger, {
      props: { ledger: aLedger({ nozzle: unknown, bypass: unknown, missing: unknown, missingShares: null }) },
    });
    expect(ledger.text()).toContain('unknown');
    expect(ledger.text()).toContain('Bypass: not looked at');
    expect(ledger.find('.nozzle').exists()).toBe(false);
  });

  it('tells that it may be in the bypass while nobody looked there', () => {
    const ledger = mount(WaterLedger, { props: { ledger: aLedger({ missingMayBeInBypass: true }) } });
    expect(ledger.get('.missing').text()).toContain('missing or in the bypass');
  });

  it('does not alarm within its own uncertainty', () => {
    const ledger = mount(WaterLedger, { props: { ledger: aLedger({ missingShares: 0.1 }) } });
    expect(ledger.find('.notable').exists()).toBe(false);
  });
});

describe('what must stop the pump', () => {
  it('is shown with its reason, and nothing where nothing was seen', () => {
    const knock = { id: 'knock', text: 'Stop now: a knock', why: 'A bearing goes.', sources: ['cues[0]'] };
    const shown = mount(StopNow, { props: { signs: [knock] } });
    expect(shown.get('[role=alert]').text()).toContain('Stop now: a knock');
    expect(shown.text()).toContain('A bearing goes.');
    expect(
      mount(StopNow, { props: { signs: [] } })
        .find('[role=alert]')
        .exists(),
    ).toBe(false);
  });
});

describe('a case without a verdict', () => {
  it('says why, marks what stands in the way and takes it out', async () => {
    const data = aCase();
    const reading = data.readings[0]?.id ?? '';
    const trouble = {
      field: 'readings[0]',
      text: 'This reading: 30 bar cannot be. Accepted: more.',
      entry: reading,
    };
    const shown = mount(NoVerdict, { props: { data: { ...data, diagnosis: null, trouble }, knowledge, busy: false } });
    expect(shown.get('[role=alert]').text()).toContain('30 bar cannot be');
    expect(shown.findAll('li')).toHaveLength(data.readings.length + data.cues.length);
    await shown.get('li.odd button').trigger('click');
    expect(shown.emitted('tell')).toEqual([[{ remove: [reading] }]]);
  });
});

describe('readings against expectation', () => {
  const row = aComparison();

  it('says in words how far a reading is from what is expected, and opens the working', async () => {
    const strip = mount(ReadingsStrip, { props: { comparisons: [row] } });
    expect(strip.text()).toContain('1246 rpm');
    expect(strip.text()).toContain('expect 1450');
    expect(strip.text()).toContain('204 rpm slow');
    expect(strip.text()).not.toContain('σ');
    expect(strip.get('button').classes()).toContain('off');
    await strip.get('button').trigger('click');
    expect(strip.emitted('working')).toEqual([['speed']]);
  });

  it('keeps mark and band on the scale wherever they lie', () => {
    for (const read of [0, 1450, 9000]) {
      const strip = mount(ReadingsStrip, { props: { comparisons: [{ ...row, read: q(read, 'rpm') }] } });
      for (const rect of strip.findAll('rect')) {
        const x = Number(rect.attributes('x'));
        expect(x).toBeGreaterThanOrEqual(0);
        expect(x + Number(rect.attributes('width'))).toBeLessThanOrEqual(101);
      }
    }
  });
});

describe('the suspects', () => {
  it('opens the leader, with the strongest evidence and the likeliest cylinder', () => {
    const list = mount(SuspectList, { props: { data: aCase() } });
    expect(list.text()).toContain('70 %');
    expect(list.text()).toContain('Discharge valve leaks, cylinder 2');
    expect(list.text()).toContain('for Needle of the gauge: swings');
    expect(list.text()).toContain('against Crank speed: 1447');
    expect(list.text()).not.toContain('9.1');
  });

  it('shows all evidence on demand and leaves the right piece out', async () => {
    const list = mount(SuspectList, { props: { data: aCase() } });
    await list.get('.suspect').trigger('click');
    expect(list.text()).toContain('Together');
    await list.get('[aria-label^="Leave out: Crank speed"]').trigger('click');
    expect(list.emitted('takeOut')).toEqual([['r1']]);
  });

  it('shows the first three, and the others when asked', async () => {
    const suspects = [
      aSuspect(),
      aSuspect({ fault: 'b', name: 'Second' }),
      aSuspect({ fault: 'c', name: 'Third' }),
      aSuspect({ fault: 'd', name: 'Hardly', probability: 0.001 }),
    ];
    const data = aCase();
    const list = mount(SuspectList, { props: { data: { ...data, diagnosis: { ...data.diagnosis, suspects } } } });
    expect(list.text()).toContain('Third');
    expect(list.text()).not.toContain('Hardly');
    await list.get('.more').trigger('click');
    expect(list.text()).toContain('Hardly');
  });

  it('says "any cylinder" where none stands out', () => {
    const even = aSuspect({ locations: [1, 2, 3].map((cylinder) => ({ cylinder, side: null, probability: 0.23 })) });
    const data = aCase();
    const list = mount(SuspectList, {
      props: { data: { ...data, diagnosis: { ...data.diagnosis, suspects: [even] } } },
    });
    expect(list.text()).toContain('any cylinder');
  });
});

describe('the next check', () => {
  it('shows what each answer would do and its hazards, and is answered by a tap', async () => {
    const panel = mount(NextCheckPanel, { props: { data: aCase(), knowledge, tell } });
    expect(panel.text()).toContain('Inlet valve leaks → 60 %');
    expect(panel.text()).toContain('Guards stay on.');
    await panel.findAll('.answer')[1]?.trigger('click');
    expect(tell.mock.calls).toEqual([[{ cues: [{ cue: 'inlet-hose', answer: 'kicking' }] }]]);
  });

  it('offers a field where the check is a measurement', async () => {
    const panel = mount(NextCheckPanel, { props: { data: aCase(), knowledge, tell } });
    await panel
      .findAll('button')
      .find((b) => b.text().startsWith('Another'))
      ?.trigger('click');
    await panel.get('input').setValue('1390');
    await panel.get('form').trigger('submit');
    expect(tell.mock.calls).toEqual([[{ readings: [{ quantity: 'speed', value: { value: 1390, unit: 'rpm' } }] }]]);
  });

  it('can put the cheapest first', async () => {
    const data = aCase();
    const [first, second] = data.diagnosis.nextChecks;
    if (!first || !second) throw new Error('two checks are needed');
    const dear = { ...data, diagnosis: { ...data.diagnosis, nextChecks: [{ ...first, minutes: 9 }, second] } };
    const panel = mount(NextCheckPanel, { props: { data: dear, knowledge, tell } });
    expect(panel.text()).toContain('What does the hose do?');
    await named(panel, 'How')?.trigger('click');
    await named(panel, 'Cheapest first')?.trigger('click');
    expect(panel.text()).toContain('Measure the speed');
  });

  it('says so when nothing is left to check', () => {
    const data = aCase();
    const panel = mount(NextCheckPanel, {
      props: { data: { ...data, diagnosis: { ...data.diagnosis, nextChecks: [] } }, knowledge, tell },
    });
    expect(panel.text()).toContain('No check left');
  });
});

describe('a reading', () => {
  const what = { id: 'speed', name: 'Crank speed', short: 'Crank', place: 'crank', units: ['rpm', 'Hz'] };

  it('keeps what is no number and says what would be one', async () => {
    const field = mount(ReadingField, { props: { caseId: 'case-1', what, tell } });
    await field.get('input').setValue('fast');
    await field.get('form').trigger('submit');
    expect(tell).not.toHaveBeenCalled();
    expect(field.text()).toContain('“fast” is not a number');
    expect((field.get('input').element as HTMLInputElement).value).toBe('fast');
  });

  it('can be taken out again', async () => {
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
    const field = mount(ReadingField, { props: { caseId: 'case-1', what, standing, tell } });
    expect((field.get('input').element as HTMLInputElement).value).toBe('1447');
    await field
      .findAll('button')
      .find((b) => b.text() === 'Take out')
      ?.trigger('click');
    expect(tell.mock.calls).toEqual([[{ remove: ['r1'] }]]);
  });
});

describe('a note', () => {
  it('is saved when left, and its draft outlives a failure', async () => {
    const tell = vi.fn().mockResolvedValueOnce(false).mockResolvedValueOnce(true);
    const note = () => mount(StageNote, { props: { data: aCase(), name: 'note-ask', label: 'Notes', tell } });
    const first = note();
    await first.get('textarea').setValue('since Tuesday');
    await first.get('textarea').trigger('blur');
    expect(tell).toHaveBeenCalledWith({ facts: { 'note-ask': 'since Tuesday' } });
    const second = note();
    expect((second.get('textarea').element as HTMLTextAreaElement).value).toBe('since Tuesday');
    await second.get('textarea').trigger('blur');
    await vi.waitFor(() => expect(window.localStorage.length).toBe(0));
  });
});

describe('what is typed', () => {
  const what = { id: 'speed', name: 'Crank speed', short: 'Crank', place: 'crank', units: ['rpm', 'Hz'] };
  const standing = (value: number) => ({
    id: 'r1',
    quantity: 'speed',
    value: q(value, 'rpm'),
    uncertainty: null,
    to: null,
    at: null,
    mends: 0,
    judged: true,
  });
  const value = (field: { get: (what: string) => { element: Element } }) =>
    (field.get('input').element as HTMLInputElement).value;

  it('stays in a reading when the case is fetched again, and when the editor is shut', async () => {
    const props = { caseId: 'case-1', what, standing: standing(1447), tell };
    const field = mount(ReadingField, { props });
    await field.get('input').setValue('1390');
    await field.setProps({ standing: standing(1447) });
    expect(value(field)).toBe('1390');
    field.unmount();
    expect(value(mount(ReadingField, { props }))).toBe('1390');
  });

  it('stays in a reading that could not be sent, with its unit', async () => {
    tell.mockResolvedValue(false);
    const field = mount(ReadingField, { props: { caseId: 'case-1', what, tell } });
    await field.get('input').setValue('23.5');
    await field.getComponent(Select).setValue('Hz');
    await field.get('form').trigger('submit');
    await flushPromises();
    field.unmount();
    const again = mount(ReadingField, { props: { caseId: 'case-1', what, tell } });
    expect(value(again)).toBe('23.5');
    expect(again.getComponent(Select).props('modelValue')).toBe('Hz');
  });

  it('stands beside what somebody else read meanwhile', async () => {
    const field = mount(ReadingField, { props: { caseId: 'case-1', what, standing: standing(1447), tell } });
    await field.get('input').setValue('1390');
    await field.setProps({ standing: standing(1420) });
    expect(value(field)).toBe('1390');
    expect(field.get('blockquote').text()).toBe('1420 rpm');
  });

  it('stays in hours that somebody else told meanwhile, and is not sent over theirs', async () => {
    const told = (hours: number) => aCase({ hours: [{ part: 'hp-seal', hours }] });
    const save = vi.fn().mockResolvedValue(true);
    const field = mount(HoursField, { props: { data: told(400), part: 'hp-seal', save } });
    await field.get('input').setValue('850');
    await field.setProps({ data: told(600) });
    await field.get('input').trigger('focusout');
    expect(value(field)).toBe('850');
    expect(field.get('blockquote').text()).toBe('600 h');
    expect(save).not.toHaveBeenCalled();
    await named(field, 'Keep mine')?.trigger('click');
    expect(save).toHaveBeenCalledWith('hp-seal', 850);
  });

  it('is no quarrel with oneself: hours stand in the form in which they were taken', async () => {
    const told = (hours: number) => aCase({ hours: [{ part: 'hp-seal', hours }] });
    const save = vi.fn<(part: string, hours: number | null) => Promise<boolean>>(async () => {
      await field.setProps({ data: told(850) });
      return true;
    });
    const field = mount(HoursField, { props: { data: told(400), part: 'hp-seal', save } });
    await field.get('input').setValue('850.0');
    await field.get('input').trigger('focusout');
    await flushPromises();
    expect(value(field)).toBe('850');
    expect(field.find('blockquote').exists()).toBe(false);
  });

  it('stays in a note that somebody else wrote meanwhile, and is not sent over theirs', async () => {
    const props = { data: aCase(), name: 'note-ask', label: 'Notes', tell };
    const note = mount(StageNote, { props });
    await note.get('textarea').setValue('mine');
    await note.setProps({ data: aCase({ facts: { 'note-ask': 'theirs' } }) });
    await note.get('textarea').trigger('blur');
    expect((note.get('textarea').element as HTMLTextAreaElement).value).toBe('mine');
    expect(note.text()).toContain('theirs');
    expect(tell).not.toHaveBeenCalled();
    await note
      .findAll('button')
      .find((b) => b.text() === 'Keep mine')
      ?.trigger('click');
    expect(tell.mock.calls).toEqual([[{ facts: { 'note-ask': 'mine' } }]]);
  });
});

describe('what it was', () => {
  const known: Knowledge = {
    ...knowledge,
    faults: ['inlet-valve-leak', 'nozzle-worn', 'intens-discharge-check'].map((id) => ({
      id,
      name: id,
      part: id,
      side: null,
      location: id === 'nozzle-worn' ? 'none' : id.startsWith('intens') ? 'end' : 'cavity',
      how: '',
      zero: '',
      one: '',
    })),
  };
  const panel = (data = aCase()) => mount(WhatWasIt, { props: { data, knowledge: known, tell } });
  const pick = (shown: ReturnType<typeof panel>, at: number, value: string) =>
    shown.findAllComponents(Select)[at]?.setValue(value);

  it('stays chosen whatever the verdict does meanwhile, and after a reload', async () => {
    const first = panel();
    await pick(first, 0, 'nozzle-worn');
    await first.setProps({ data: aCase({ version: 9 }) });
    expect(first.getComponent(Select).props('modelValue')).toBe('nozzle-worn');
    first.unmount();
    await panel().get('form').trigger('submit');
    expect(tell.mock.calls).toEqual([[{ facts: { closed: 'nozzle-worn' } }]]);
  });

  it.each([
    ['inlet-valve-leak', '2', 'inlet-valve-leak@2'],
    ['intens-discharge-check', '2', 'intens-discharge-check@2'],
  ])('keeps the place of %s', async (fault, cylinder, closed) => {
    const shown = panel();
    await pick(shown, 0, fault);
    await pick(shown, 1, cylinder);
    await shown.get('form').trigger('submit');
    expect(tell.mock.calls).toEqual([[{ facts: { closed } }]]);
  });
});

describe('answers', () => {
  it('have keys before all of them are shown', async () => {
    const data = aCase();
    const [first] = data.diagnosis.nextChecks;
    if (!first) throw new Error('a check is needed');
    const [one] = first.answers;
    if (!one) throw new Error('an answer is needed');
    const answers = ['a', 'b', 'c', 'd'].map((answer) => ({ ...one, answer, text: answer }));
    const many = { ...data, diagnosis: { ...data.diagnosis, nextChecks: [{ ...first, answers }] } };
    const panel = mount(NextCheckPanel, { props: { data: many, knowledge, tell } });
    expect(panel.findAll('.answer kbd')).toHaveLength(3);
    allKeys()
      .filter((k) => k.keys === '4')
      .at(-1)
      ?.run();
    expect(tell.mock.calls[0]?.[0].cues?.[0]?.answer).toBe('d');
    panel.unmount();
  });
});
