import { describe, expect, it } from 'vitest';
import { emptyBolt, meant, problemsOf, toForm, toSheet, orderOf, passesOf, patternWords } from './serviceForm';

const stored = {
  id: 'intensifier-nuts',
  choices: ['on-plungers'],
  torques: { 'head-bolts': { value: 250, unit: 'in·lbf' } },
  bolts: { caps: { size: 'M10', grade: '8.8', thread: 'brass', dressing: 'oiled' } },
  kits: [{ name: 'Seals of two', price: 84.5, holds: { 'hp-seal': 2, 'lp-seal': 2 } }],
  sizes: { 'cap-oring': '14 x 2' },
  prices: { valve: 19 },
  limits: { 'plunger: diameter': { least: { value: 17.95, unit: 'mm' }, most: undefined } },
  oil: 'SAE 30',
  interval: { hours: 800 },
  newPump: 1900,
  photos: [{ hash: 'a'.repeat(64), of: 'plate' }],
};
const versions = [{ id: 'carriers', choices: [{ part: 'in-head' }, { part: 'on-plungers' }] }];

describe('the figures of a pump', () => {
  it('go out as they came in', () => {
    expect(toSheet(toForm(stored, versions))).toEqual({ ...stored, grease: undefined });
  });

  it('take a torque in any unit typed with it', () => {
    const form = toForm(stored, versions);
    form.bolts['head-bolts'] = { ...emptyBolt(), torque: '21 ft·lbf' };
    expect(toSheet(form).torques).toEqual({ 'head-bolts': { value: 21, unit: 'ft·lbf' } });
  });

  it('name what cannot be read, and send nothing of it', () => {
    const form = toForm({}, []);
    form.bolts['head-bolts'] = { ...emptyBolt(), torque: 'tight' };
    form.newPump = 'much';
    expect(Object.keys(problemsOf(form))).toEqual(['sheet.torques.head-bolts', 'sheet.newPump']);
    expect(toSheet(form).torques).toBeUndefined();
  });

  it('take what was meant in place of a doubtful torque', () => {
    const form = meant(toForm(stored, versions), 'sheet.torques.head-bolts', { value: 250, unit: 'N·m' });
    expect(form.bolts['head-bolts']).toMatchObject({ torque: '250', unit: 'N·m' });
  });
});

describe('bolts that are there', () => {
  it('are read as orders and passes, and go out and come back the same', () => {
    expect(orderOf('1-4-2-3')).toEqual([1, 4, 2, 3]);
    expect(orderOf('1, 4, 2, 3')).toEqual([1, 4, 2, 3]);
    expect(orderOf('crosswise')).toBeUndefined();
    expect(passesOf('50, 100 %')).toEqual([0.5, 1]);
    expect(passesOf('0, 100')).toBeUndefined();
    const form = toForm({}, []);
    form.bolts['head-bolts'] = {
      ...emptyBolt(),
      pattern: 'rows-2x3',
      passes: '50, 100',
      tighten: '2-5-1-6-4-3',
      wrench: 'socket 17 mm',
      drive: '1/2',
    };
    const sheet = toSheet(form);
    expect(sheet.bolts?.['head-bolts']).toMatchObject({ pattern: 'rows-2x3', shares: [0.5, 1], drive: '1/2' });
    expect(toForm(sheet, []).bolts['head-bolts']).toEqual(form.bolts['head-bolts']);
  });

  it('say what cannot be read, where it stands', () => {
    const form = toForm({}, []);
    form.bolts['head-bolts'] = { ...emptyBolt(), tighten: 'crosswise', passes: 'all' };
    expect(Object.keys(problemsOf(form))).toEqual(['sheet.bolts.head-bolts.tighten', 'sheet.bolts.head-bolts.shares']);
  });

  it('are named as they are spoken', () => {
    expect(['single', 'pair', 'row-6', 'rows-2x4', 'circle-12'].map(patternWords)).toEqual([
      'one',
      'two',
      '6 in a row',
      '8 in two rows',
      '12 in a circle',
    ]);
  });
});
