import { describe, expect, it } from 'vitest';
import type { PumpResource } from '@/shared/api/client';
import { emptyPlate, fromResource, problemsOf, toRequest } from './plate';

function filled() {
  const plate = emptyPlate();
  plate.tag = 'FOG-9';
  plate.plungerDiameter.text = '18';
  plate.stroke.text = '18,5';
  plate.ratedSpeed.text = '1450';
  plate.ratedPressure.text = '100';
  return plate;
}

describe('the type plate', () => {
  it('names the field that holds no number and keeps what was typed', () => {
    const plate = filled();
    plate.stroke.text = '1,200';
    expect(Object.keys(problemsOf(plate))).toEqual(['pump.stroke']);
    expect(problemsOf(plate)['pump.stroke']).toContain('1200 or 1.2');
    expect(plate.stroke.text).toBe('1,200');
  });

  it('reads a decimal comma', () => expect(toRequest(filled()).pump?.stroke).toEqual({ value: 18.5, unit: 'mm' }));

  it('says nothing of speed, nozzle and setting that nobody said, so that they are assumed', () => {
    const { setup } = toRequest(filled());
    expect([setup?.speed, setup?.nozzle, setup?.controlSetting]).toEqual([null, null, null]);
  });

  it('leaves what was assumed empty when it is corrected', () => {
    const resource = { id: 'x', version: 1, ...toRequest(filled()) } as unknown as PumpResource;
    resource.setup = { ...resource.setup, speed: { value: 1450, unit: 'rpm' }, assumed: ['speed'] };
    expect(fromResource(resource).speed.text).toBe('');
  });

  it('names everything that is needed at once', () => {
    const needed = problemsOf({ ...emptyPlate(), arrangement: 'intensifier' });
    expect(Object.keys(needed).sort()).toEqual([
      'pump.oilPistonDiameter',
      'pump.plungerDiameter',
      'pump.ratedFlow',
      'pump.ratedPressure',
      'pump.ratedSpeed',
      'pump.stroke',
      'tag',
    ]);
  });

  it('asks for no setting without a control', () => {
    const plate = filled();
    plate.control = 'none';
    plate.controlSetting.text = '85';
    expect(toRequest(plate).setup?.controlSetting).toBeNull();
  });

  it('comes back from the server as it was typed', () => {
    const request = toRequest(filled());
    const resource = { id: 'x', version: 1, ...request } as unknown as PumpResource;
    const again = fromResource(resource);
    expect(again.stroke).toEqual({ text: '18.5', unit: 'mm' });
    expect(toRequest(again).pump).toEqual(request.pump);
  });
});

describe('the wider plate', () => {
  const again = (plate: ReturnType<typeof filled>) =>
    fromResource({ id: 'x', version: 1, ...toRequest(plate) } as unknown as PumpResource);

  it('loses no field on the way to the server and back', () => {
    const plate = filled();
    Object.assign(plate, {
      drive: 'engine',
      inletTold: true,
      outletTold: true,
      dampenerFitted: true,
      injector: 'inlet',
    });
    Object.assign(plate, { liquid: 'glycol', outletKind: 'number' });
    for (const key of [
      'gearRatio',
      'strainer',
      'inletFittings',
      'outletFittings',
      'nozzleNumber',
      'nozzleCount',
    ] as const)
      plate[key].text = '2';
    for (const key of ['noLoadSpeed', 'ratedPower', 'driverPulley', 'pumpPulley', 'gasVolume', 'charge'] as const)
      plate[key].text = '7';
    plate.droop.text = '3';
    plate.liquidStrength.text = '40';
    plate.rodRatio.text = '0.2';
    expect(toRequest(again(plate))).toEqual(toRequest(plate));
    expect(toRequest(plate).setup?.drive?.droop).toBeCloseTo(0.03, 12);
    expect(again(plate).outletKind).toBe('number');
  });

  it('tells a process by the pressure below which it passes nothing', () => {
    const plate = filled();
    plate.outletKind = 'process';
    plate.opensAt.text = '25';
    plate.nozzleFlow.text = '60';
    plate.nozzleAt.text = '55';
    expect(toRequest(plate).setup?.nozzle).toEqual({
      process: {
        opensAt: { value: 25, unit: 'bar' },
        flow: { value: 60, unit: 'L/min' },
        at: { value: 55, unit: 'bar' },
      },
    });
    expect(again(plate).outletKind).toBe('process');
    expect(again(plate).nozzleFlow.text).toBe('60');
  });

  it.each(['3.5', '0'])('shows a slip of %s per cent as it was typed', (typed) => {
    const plate = filled();
    plate.drive = 'motor';
    plate.droop.text = typed;
    expect(again(plate).droop.text).toBe(typed);
  });

  it('marks a plain number that is none', () => {
    const plate = filled();
    plate.gearRatio.text = 'two to one';
    expect(Object.keys(problemsOf(plate))).toEqual(['setup.drive.gearRatio']);
  });
});
