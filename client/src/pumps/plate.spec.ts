import { describe, expect, it } from 'vitest';
import type { PumpResource } from '@/shared/api/client';
import { emptyPlate, fromResource, problemsOf, toRequest } from './plate';

function filled() {
  const plate = emptyPlate();
  plate.tag = 'FOG-9';
  plate.plungerDiameter.text = '18';
  plate.stroke.text = '18,5';
  plate.ratedSpeed.text = '1450';
  return plate;
}

describe('the type plate', () => {
  it('names the field that holds no number and keeps what was typed', () => {
    const plate = filled();
    plate.stroke.text = 'about 18';
    expect(Object.keys(problemsOf(plate))).toEqual(['pump.stroke']);
    expect(problemsOf(plate)['pump.stroke']).toContain('about 18');
    expect(plate.stroke.text).toBe('about 18');
  });

  it('reads a decimal comma', () => expect(toRequest(filled()).pump?.stroke).toEqual({ value: 18.5, unit: 'mm' }));

  it('runs at the rated speed when nobody says otherwise', () =>
    expect(toRequest(filled()).setup?.speed).toEqual({ value: 1450, unit: 'rpm' }));

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
