import { describe, expect, it } from 'vitest';
import { emptyPlate, quantityFields, type Plate } from './plate';
import { askedOf, plateFields, problemOf, sections, type PlateField } from './plateSections';

const everything: PlateField[] = [...plateFields, ...sections.flatMap((s) => s.fields)];

describe('the form of a pump', () => {
  it('asks for every quantity of a pump once', () => {
    const asked = everything.filter((f) => f.kind === 'quantity').map((f) => f.key);
    expect(new Set(asked).size).toBe(asked.length);
    const inPlate = Object.entries(emptyPlate()).filter(([, v]) => typeof v === 'object');
    expect(inPlate.map(([key]) => key).filter((key) => !asked.includes(key as never))).toEqual([]);
  });

  it('asks for every choice and every yes or no', () => {
    const asked: string[] = everything.filter((f) => f.kind !== 'quantity').map((f) => f.key);
    const others = Object.entries(emptyPlate()).filter(([, v]) => typeof v !== 'object');
    const typedApart = ['tag', 'name', 'duty'];
    expect(others.map(([key]) => key).filter((key) => !asked.includes(key) && !typedApart.includes(key))).toEqual([]);
  });

  it('shows a refusal of the server at the field it is about, whichever the pump', () => {
    for (const path of Object.keys(quantityFields)) {
      const at = everything.filter((f) => problemOf(f, { [path]: 'too much' }) === 'too much');
      expect(at.length, path).toBeGreaterThan(0);
    }
  });

  it.each([
    ['intensifier', 'oilPistonDiameter', true],
    ['crank-plunger', 'oilPistonDiameter', false],
    ['axial', 'rodRatio', false],
    ['crank-plunger', 'rodRatio', true],
  ])('of %s: %s is asked: %s', (arrangement, key, isAsked) => {
    const plate: Plate = { ...emptyPlate(), arrangement };
    expect(askedOf(everything, plate).some((f) => f.key === key)).toBe(isAsked);
  });
});
