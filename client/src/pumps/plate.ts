import type { PumpRequest, PumpResource, Quantity } from '@/shared/api/client';
import { readNumber } from '@/shared/readNumber';

/** A quantity as it stands in its field: not a number until somebody asks. */
export interface TypedQuantity {
  text: string;
  unit: string;
}

const typed = (unit: string): TypedQuantity => ({ text: '', unit });

/** All fields of the pump form, as typed. */
export function emptyPlate() {
  return {
    tag: '',
    name: '',
    duty: '',
    cylinders: 3,
    control: 'unloader',
    headLayout: 'six-caps',
    sealReturn: 'inlet',
    line: 'hose',
    plungerDiameter: typed('mm'),
    stroke: typed('mm'),
    ratedSpeed: typed('rpm'),
    ratedPressure: typed('bar'),
    speed: typed('rpm'),
    nozzleFlow: typed('L/min'),
    nozzleAt: typed('bar'),
    controlSetting: typed('bar'),
    temperature: typed('°C'),
    voltage: typed('V'),
  };
}

export type Plate = ReturnType<typeof emptyPlate>;

/** Names of the quantities by the field of the request they become. */
const fields = {
  'pump.plungerDiameter': 'plungerDiameter',
  'pump.stroke': 'stroke',
  'pump.ratedSpeed': 'ratedSpeed',
  'pump.ratedPressure': 'ratedPressure',
  'setup.speed': 'speed',
  'setup.nozzle.flow': 'nozzleFlow',
  'setup.nozzle.at': 'nozzleAt',
  'setup.controlSetting': 'controlSetting',
  'setup.temperature': 'temperature',
  'setup.voltage': 'voltage',
} as const;

/** Fields that hold something that is no number, by field of the request. Empty ones are the server's to judge. */
export function problemsOf(plate: Plate): Record<string, string> {
  const found: Record<string, string> = {};
  for (const [field, key] of Object.entries(fields)) {
    const text = plate[key].text.trim();
    if (text && readNumber(text) === null)
      found[field] = `“${text}” is not a number. Write it like 18 or 1450 or 12.6.`;
  }
  return found;
}

export function toRequest(plate: Plate): PumpRequest {
  const q = (t: TypedQuantity): Quantity | null => {
    const value = readNumber(t.text);
    return value === null ? null : { value, unit: t.unit };
  };
  return {
    tag: plate.tag,
    name: plate.name,
    duty: plate.duty,
    pump: {
      arrangement: 'crank-plunger',
      cylinders: plate.cylinders,
      plungerDiameter: q(plate.plungerDiameter),
      stroke: q(plate.stroke),
      rodRatio: null,
      ratedSpeed: q(plate.ratedSpeed),
      ratedPressure: q(plate.ratedPressure),
      control: plate.control,
      headLayout: plate.headLayout,
      sealReturn: plate.sealReturn,
    },
    setup: {
      speed: q(plate.speed) ?? q(plate.ratedSpeed),
      nozzle: { flow: q(plate.nozzleFlow), at: q(plate.nozzleAt) },
      controlSetting: plate.control === 'none' ? null : q(plate.controlSetting),
      line: plate.line,
      temperature: q(plate.temperature),
      voltage: q(plate.voltage),
    },
  };
}

export function fromResource(resource: PumpResource): Plate {
  const t = (q: Quantity | null | undefined, unit: string): TypedQuantity =>
    q ? { text: String(q.value), unit: q.unit } : typed(unit);
  const { pump, setup } = resource;
  return {
    tag: resource.tag,
    name: resource.name,
    duty: resource.duty,
    cylinders: pump.cylinders ?? 3,
    control: pump.control ?? 'none',
    headLayout: pump.headLayout ?? 'six-caps',
    sealReturn: pump.sealReturn ?? 'inlet',
    line: setup.line ?? 'unknown',
    plungerDiameter: t(pump.plungerDiameter, 'mm'),
    stroke: t(pump.stroke, 'mm'),
    ratedSpeed: t(pump.ratedSpeed, 'rpm'),
    ratedPressure: t(pump.ratedPressure, 'bar'),
    speed: t(setup.speed, 'rpm'),
    nozzleFlow: t(setup.nozzle?.flow, 'L/min'),
    nozzleAt: t(setup.nozzle?.at, 'bar'),
    controlSetting: t(setup.controlSetting, 'bar'),
    temperature: t(setup.temperature, '°C'),
    voltage: t(setup.voltage, 'V'),
  };
}
