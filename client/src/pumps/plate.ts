import type { PumpRequest, PumpResource, Quantity, Schemas } from '@/shared/api/client';
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
    arrangement: 'crank-plunger',
    cylinders: 3,
    control: 'unloader',
    unloaderType: 'trapped-pressure',
    headLayout: 'six-caps',
    sealReturn: 'inlet',
    line: 'hose',
    pullDischarges: false,
    outletKind: 'nozzle',
    nozzleCount: '',
    liquid: 'water',
    liquidStrength: '',
    drive: 'told',
    poles: 4,
    inletTold: false,
    inletMaterial: 'hose',
    outletTold: false,
    outletMaterial: 'hose',
    dampenerFitted: false,
    injector: '',
    plungerDiameter: typed('mm'),
    stroke: typed('mm'),
    ratedSpeed: typed('rpm'),
    ratedFlow: typed('L/min'),
    ratedPressure: typed('bar'),
    rodDiameter: typed('mm'),
    oilPistonDiameter: typed('mm'),
    requiredHead: typed('m'),
    speed: typed('rpm'),
    nozzleFlow: typed('L/min'),
    nozzleAt: typed('bar'),
    opensAt: typed('bar'),
    controlSetting: typed('bar'),
    relief: typed('bar'),
    oilPressure: typed('bar'),
    temperature: typed('°C'),
    supplyPressure: typed('bar'),
    voltage: typed('V'),
    ratedPower: typed('kW'),
    frequency: typed('Hz'),
    noLoadSpeed: typed('rpm'),
    driverPulley: typed('mm'),
    pumpPulley: typed('mm'),
    inletLength: typed('m'),
    inletBore: typed('mm'),
    inletLevel: typed('m'),
    outletLength: typed('m'),
    outletBore: typed('mm'),
    gasVolume: typed('mL'),
    charge: typed('bar'),
  };
}

export type Plate = ReturnType<typeof emptyPlate>;
type TypedKey = { [K in keyof Plate]: Plate[K] extends TypedQuantity ? K : never }[keyof Plate];

/** Names of the quantities by the field of the request they become. */
export const quantityFields: Record<string, TypedKey> = {
  'pump.plungerDiameter': 'plungerDiameter',
  'pump.stroke': 'stroke',
  'pump.ratedSpeed': 'ratedSpeed',
  'pump.ratedFlow': 'ratedFlow',
  'pump.ratedPressure': 'ratedPressure',
  'pump.rodDiameter': 'rodDiameter',
  'pump.oilPistonDiameter': 'oilPistonDiameter',
  'pump.requiredHead': 'requiredHead',
  'setup.speed': 'speed',
  'setup.nozzle.flow': 'nozzleFlow',
  'setup.nozzle.at': 'nozzleAt',
  'setup.nozzle.process.opensAt': 'opensAt',
  'setup.controlSetting': 'controlSetting',
  'setup.relief': 'relief',
  'setup.oilPressure': 'oilPressure',
  'setup.temperature': 'temperature',
  'setup.supplyPressure': 'supplyPressure',
  'setup.voltage': 'voltage',
  'setup.drive.ratedPower': 'ratedPower',
  'setup.drive.frequency': 'frequency',
  'setup.drive.noLoadSpeed': 'noLoadSpeed',
  'setup.drive.driverPulley': 'driverPulley',
  'setup.drive.pumpPulley': 'pumpPulley',
  'setup.inlet.run.length': 'inletLength',
  'setup.inlet.run.bore': 'inletBore',
  'setup.inlet.level': 'inletLevel',
  'setup.outlet.length': 'outletLength',
  'setup.outlet.bore': 'outletBore',
  'setup.dampener.gasVolume': 'gasVolume',
  'setup.dampener.charge': 'charge',
};

/** Fields that hold something that is no number, by field of the request. Empty ones are the server's to judge. */
export function problemsOf(plate: Plate): Record<string, string> {
  const found: Record<string, string> = {};
  for (const [field, key] of Object.entries(quantityFields)) {
    const text = plate[key].text.trim();
    if (text && readNumber(text) === null)
      found[field] = `“${text}” is not a number. Write it like 18 or 1450 or 12.6.`;
  }
  return found;
}

const q = (t: TypedQuantity): Quantity | null => {
  const value = readNumber(t.text);
  return value === null ? null : { value, unit: t.unit };
};

/** What the pump is, in the shape of the interface. */
export function toPump(plate: Plate): Schemas['PumpDto'] {
  const intensifier = plate.arrangement === 'intensifier';
  return {
    arrangement: plate.arrangement,
    cylinders: plate.arrangement === 'twin-piston' || intensifier ? 2 : plate.cylinders,
    plungerDiameter: q(plate.plungerDiameter),
    stroke: q(plate.stroke),
    rodRatio: null,
    ratedSpeed: q(plate.ratedSpeed),
    ratedFlow: q(plate.ratedFlow),
    ratedPressure: q(plate.ratedPressure),
    control: plate.control,
    unloaderType: plate.control === 'unloader' ? plate.unloaderType : null,
    headLayout: plate.headLayout,
    sealReturn: plate.sealReturn,
    pullDischarges: plate.pullDischarges || null,
    rodDiameter: plate.arrangement === 'crank-plunger' ? q(plate.rodDiameter) : null,
    oilPistonDiameter: intensifier ? q(plate.oilPistonDiameter) : null,
    requiredHead: q(plate.requiredHead),
  };
}

function toNozzle(plate: Plate): Schemas['NozzleDto'] {
  const [flow, at] = [q(plate.nozzleFlow), q(plate.nozzleAt)];
  if (plate.outletKind === 'process') return { process: { opensAt: q(plate.opensAt), flow, at } };
  const count = readNumber(plate.nozzleCount);
  return count === null ? { flow, at } : { flow, at, count };
}

function toDrive(plate: Plate): Schemas['DriveDto'] | null {
  if (plate.drive === 'told') return null;
  return {
    kind: plate.drive,
    ratedPower: q(plate.ratedPower),
    poles: plate.drive === 'motor' ? plate.poles : null,
    frequency: plate.drive === 'motor' ? q(plate.frequency) : null,
    noLoadSpeed: plate.drive === 'engine' ? q(plate.noLoadSpeed) : null,
    driverPulley: q(plate.driverPulley),
    pumpPulley: q(plate.pumpPulley),
  };
}

export function toRequest(plate: Plate): PumpRequest {
  return {
    tag: plate.tag,
    name: plate.name,
    duty: plate.duty,
    pump: toPump(plate),
    setup: {
      speed: q(plate.speed) ?? q(plate.ratedSpeed),
      nozzle: toNozzle(plate),
      controlSetting: plate.control === 'none' ? null : q(plate.controlSetting),
      relief: q(plate.relief),
      oilPressure: plate.arrangement === 'intensifier' ? q(plate.oilPressure) : null,
      line: plate.line,
      liquid: plate.liquid,
      liquidStrength: plate.liquid === 'water' ? null : readNumber(plate.liquidStrength),
      temperature: q(plate.temperature),
      supplyPressure: q(plate.supplyPressure),
      voltage: q(plate.voltage),
      drive: toDrive(plate),
      inlet: plate.inletTold
        ? {
            run: { length: q(plate.inletLength), bore: q(plate.inletBore), material: plate.inletMaterial },
            level: q(plate.inletLevel),
          }
        : null,
      outlet: plate.outletTold
        ? { length: q(plate.outletLength), bore: q(plate.outletBore), material: plate.outletMaterial }
        : null,
      dampener: plate.dampenerFitted ? { gasVolume: q(plate.gasVolume), charge: q(plate.charge) } : null,
      injector: plate.injector || null,
    },
  };
}

/** Reads a nested value by its path in the request. */
function at(resource: object, path: string): unknown {
  return path.split('.').reduce<unknown>((o, k) => (o as Record<string, unknown> | null | undefined)?.[k], resource);
}

export function fromResource(resource: PumpResource): Plate {
  const plate = emptyPlate();
  const { pump, setup } = resource;
  for (const [path, key] of Object.entries(quantityFields)) {
    const told = at(resource, path) as Quantity | null | undefined;
    if (told) plate[key] = { text: String(told.value), unit: told.unit };
  }
  const process = setup.nozzle?.process;
  if (process) {
    plate.outletKind = 'process';
    if (process.flow) plate.nozzleFlow = { text: String(process.flow.value), unit: process.flow.unit };
    if (process.at) plate.nozzleAt = { text: String(process.at.value), unit: process.at.unit };
  }
  return Object.assign(plate, {
    tag: resource.tag,
    name: resource.name,
    duty: resource.duty,
    arrangement: pump.arrangement ?? 'crank-plunger',
    cylinders: pump.cylinders ?? 3,
    control: pump.control ?? 'none',
    unloaderType: pump.unloaderType ?? 'trapped-pressure',
    headLayout: pump.headLayout ?? 'six-caps',
    sealReturn: pump.sealReturn ?? 'inlet',
    pullDischarges: pump.pullDischarges ?? false,
    line: setup.line ?? 'unknown',
    nozzleCount: setup.nozzle?.count ? String(setup.nozzle.count) : '',
    liquid: setup.liquid ?? 'water',
    liquidStrength: setup.liquidStrength ? String(setup.liquidStrength) : '',
    drive: setup.drive?.kind ?? 'told',
    poles: setup.drive?.poles ?? 4,
    inletTold: !!setup.inlet,
    inletMaterial: setup.inlet?.run?.material ?? 'hose',
    outletTold: !!setup.outlet,
    outletMaterial: setup.outlet?.material ?? 'hose',
    dampenerFitted: !!setup.dampener,
    injector: setup.injector ?? '',
  });
}
