import { describe, expect, it } from 'vitest';
import type { Knowledge, PumpResource } from '@/shared/api/client';
import { asItIs, faultsOf, temperatureRange, untouched, whatIfBody } from './whatIf';

const q = (value: number, unit: string) => ({ value, unit });

function aPump(
  pump: Partial<PumpResource['pump']> = {},
  setup: Partial<PumpResource['setup']> = {},
  fittings: string[] = [],
): PumpResource {
  return {
    id: 'x',
    version: 1,
    tag: 'FOG-9',
    name: '',
    duty: '',
    fittings,
    pump: { arrangement: 'crank-plunger', cylinders: 3, control: 'unloader', ...pump },
    setup: {
      speed: q(1450, 'rpm'),
      nozzle: { flow: q(19, 'L/min'), at: q(70, 'bar') },
      temperature: q(15, '°C'),
      inlet: { run: { length: q(3, 'm'), bore: q(25, 'mm') } },
      drive: { kind: 'motor', ratedPower: q(4, 'kW') },
      ...setup,
    },
  } as unknown as PumpResource;
}

describe('what if', () => {
  it('asks for the pump as it is while nothing is moved', () => {
    const pump = aPump();
    const tried = asItIs(pump);
    expect(untouched(pump, tried)).toBe(true);
    expect(whatIfBody(pump, tried)).toEqual({ pump: pump.pump, setup: pump.setup, faults: [] });
  });

  it('wears a nozzle by its area, however it was told', () => {
    const tried = { ...asItIs(aPump()), wear: 0.25 };
    const nozzle = (n: object) => whatIfBody(aPump({}, { nozzle: n } as never), tried).setup.nozzle;
    expect(nozzle({ flow: q(10, 'L/min'), at: q(70, 'bar') })).toMatchObject({
      flow: { value: 12.5 },
      at: { value: 70 },
    });
    expect(nozzle({ size: 5 })).toMatchObject({ size: 6.25 });
    // The area grows by a quarter, the passage by the root of that.
    const passage = nozzle({ orifice: q(2, 'mm') })?.orifice?.value ?? 0;
    expect((passage / 2) ** 2).toBeCloseTo(1.25, 9);
    expect(nozzle({ process: { opensAt: q(25, 'bar'), flow: q(10, 'L/min'), at: q(55, 'bar') } })).toMatchObject({
      process: { opensAt: { value: 25 }, flow: { value: 12.5 } },
    });
  });

  it('takes a tried speed as the speed, whatever drives it', () => {
    const body = whatIfBody(aPump(), { ...asItIs(aPump()), speed: 0.5 });
    expect(body.setup.speed).toEqual(q(725, 'rpm'));
    expect(body.setup.drive).toBeNull();
    // What the driver makes of it under load is where the slider starts from.
    expect(whatIfBody(aPump(), { ...asItIs(aPump()), speed: 0.5 }, q(1400, 'rpm')).setup.speed).toEqual(q(700, 'rpm'));
  });

  it('lengthens the suction run and leaves the rest of it', () =>
    expect(whatIfBody(aPump(), { ...asItIs(aPump()), inletLength: 9 }).setup.inlet?.run).toEqual({
      length: q(9, 'm'),
      bore: q(25, 'mm'),
    }));
});

describe('faults to try', () => {
  it('are faults', () => {
    const knowledge = { faults: [{ id: 'no-fault' }, { id: 'valve' }] } as unknown as Knowledge;
    expect(faultsOf(knowledge).map((f) => f.id)).toEqual(['valve']);
  });
});

/** 0 °C is 32 °F, 95 °C is 203 °F (definition of the scales). */
describe('temperatures to try', () => {
  const of = (unit: string, liquid = 'water') => temperatureRange(aPump({}, { temperature: q(60, unit), liquid }));
  it('are in the unit of the pump', () => {
    expect(of('°C')).toEqual({ least: 0, most: 95, unit: '°C' });
    expect(of('°F').least).toBeCloseTo(32);
    expect(of('°F').most).toBeCloseTo(203);
    expect(of('°F', 'seawater').most).toBeCloseTo(104);
  });
});
