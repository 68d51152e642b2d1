import { describe, expect, it } from 'vitest';
import { emptyBolt, meant, problemsOf, toForm, toSheet } from './serviceForm';

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
    form.bolts['head-bolts'] = { torque: 'tight', unit: 'N·m', size: '', grade: '', thread: 'steel', dressing: 'dry' };
    form.newPump = 'much';
    expect(Object.keys(problemsOf(form))).toEqual(['sheet.torques.head-bolts', 'sheet.newPump']);
    expect(toSheet(form).torques).toBeUndefined();
  });

  it('take what was meant in place of a doubtful torque', () => {
    const form = meant(toForm(stored, versions), 'sheet.torques.head-bolts', { value: 250, unit: 'N·m' });
    expect(form.bolts['head-bolts']).toMatchObject({ torque: '250', unit: 'N·m' });
  });
});
