import type { PumpRequest, PumpResource, Quantity, Schemas } from '@/shared/api/client';
import { forField, readEntry, readNumber, whyNot } from '@/shared/numbers';
import { spoken } from '@/shared/units/useUnits';

/** A quantity as it stands in its field: not a number until somebody asks. */
export interface TypedQuantity {
  text: string;
  unit: string;
}

// A fresh field speaks the units of whoever uses this device.
const typed = (si: string): TypedQuantity => ({ text: '', unit: spoken(si) });

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
    seals: '',
    startValve: false,
    line: 'hose',
    pullDischarges: false,
    outletKind: 'nozzle',
    liquid: 'water',
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
    gaugeSpan: typed('bar'),
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
    nozzlePassage: typed('mm'),
    nozzleNumber: typed(''),
    nozzleCount: typed(''),
    liquidStrength: typed(''),
    rodRatio: typed(''),
    gearRatio: typed(''),
    droop: typed('%'),
    slip: typed('%'),
    strainer: typed(''),
    inletFittings: typed(''),
    outletFittings: typed(''),
  };
}

export type Plate = ReturnType<typeof emptyPlate>;
export type TypedKey = { [K in keyof Plate]: Plate[K] extends TypedQuantity ? K : never }[keyof Plate];

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
  'setup.gaugeSpan': 'gaugeSpan',
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
  'setup.nozzle.orifice': 'nozzlePassage',
};

/** Fields that are plain numbers in the request. */
const numberFields: Record<string, TypedKey> = {
  'setup.nozzle.size': 'nozzleNumber',
  'setup.nozzle.count': 'nozzleCount',
  'setup.liquidStrength': 'liquidStrength',
  'pump.rodRatio': 'rodRatio',
  'setup.drive.gearRatio': 'gearRatio',
  'setup.inlet.strainer': 'strainer',
  'setup.inlet.run.fittings': 'inletFittings',
  'setup.outlet.fittings': 'outletFittings',
};
/** Entered in per cent, sent as shares. */
const shareFields: Record<string, TypedKey> = { 'setup.drive.droop': 'droop', 'pump.slip': 'slip' };

/** The field of the form that a field of the request stands for. */
export const fieldOf = (path: string): TypedKey | undefined => quantityFields[path];

const geometry = ['plungerDiameter', 'stroke', 'ratedSpeed', 'ratedFlow'] as const;

/** What is needed and missing, by field of the request: a tag, the rating, three of four that give the fourth. */
function missingOf(plate: Plate): Record<string, string> {
  const found: Record<string, string> = {};
  const isEmpty = (key: TypedKey) => plate[key].text.trim() === '';
  if (!plate.tag.trim()) found.tag = 'Give it a tag, such as FOG-2.';
  if (isEmpty('ratedPressure')) found['pump.ratedPressure'] = 'The rated pressure is needed; it is on the plate.';
  const empty = geometry.filter(isEmpty);
  if (empty.length > 1)
    for (const key of empty)
      found[`pump.${key}`] = 'Three of bore, stroke, speed and flow are needed; the fourth is worked out.';
  if (plate.arrangement === 'intensifier' && isEmpty('oilPistonDiameter'))
    found['pump.oilPistonDiameter'] = 'The diameter of the oil piston is needed.';
  return found;
}

/** Everything that is missing or cannot be read, by field of the request. What is out of range is the server's to judge. */
export function problemsOf(plate: Plate): Record<string, string> {
  const found = missingOf(plate);
  const all = { ...quantityFields, ...numberFields, ...shareFields };
  for (const [field, key] of Object.entries(all)) {
    const text = plate[key].text.trim();
    const { entry } = readEntry(text);
    // A unit may be typed with a quantity; with a plain number it means something else was meant.
    const good = field in quantityFields ? entry && !entry.to : readNumber(text) !== null;
    if (text && !good) found[field] = `${whyNot(text)}. Write it like 18 or 1450 or 12.6.`;
  }
  return found;
}

const q = (t: TypedQuantity): Quantity | null => {
  const { entry } = readEntry(t.text);
  return entry && !entry.to ? { value: entry.from.value, unit: entry.from.unit || t.unit } : null;
};

const n = (t: TypedQuantity): number | null => readNumber(t.text);

const share = (t: TypedQuantity): number | null => {
  const percent = n(t);
  return percent === null ? null : percent / 100;
};

/** True where plungers may run in packings. */
export const hasPackings = (plate: Plate): boolean => ['crank-plunger', 'flow-through'].includes(plate.arrangement);

/** What the pump is, in the shape of the interface. */
export function toPump(plate: Plate): Schemas['PumpDto'] {
  const intensifier = plate.arrangement === 'intensifier';
  return {
    arrangement: plate.arrangement,
    cylinders: plate.arrangement === 'twin-piston' || intensifier ? 2 : plate.cylinders,
    plungerDiameter: q(plate.plungerDiameter),
    stroke: q(plate.stroke),
    rodRatio: n(plate.rodRatio),
    slip: share(plate.slip),
    ratedSpeed: q(plate.ratedSpeed),
    ratedFlow: q(plate.ratedFlow),
    ratedPressure: q(plate.ratedPressure),
    control: plate.control,
    unloaderType: plate.control === 'unloader' ? plate.unloaderType : null,
    headLayout: plate.headLayout,
    sealReturn: plate.sealReturn,
    ...(plate.seals && hasPackings(plate) ? { seals: plate.seals } : {}),
    ...(plate.startValve && !intensifier ? { startValve: true } : {}),
    pullDischarges: plate.pullDischarges || null,
    rodDiameter: plate.arrangement === 'crank-plunger' ? q(plate.rodDiameter) : null,
    oilPistonDiameter: intensifier ? q(plate.oilPistonDiameter) : null,
    requiredHead: q(plate.requiredHead),
  };
}

/** Nothing where nobody said anything of it: then it is assumed. */
function toNozzle(plate: Plate): Schemas['NozzleDto'] | null {
  const said = [plate.nozzleFlow, plate.nozzleAt, plate.opensAt, plate.nozzleNumber, plate.nozzlePassage];
  if (said.every((f) => !f.text.trim())) return null;
  const [flow, at] = [q(plate.nozzleFlow), q(plate.nozzleAt)];
  if (plate.outletKind === 'process') return { process: { opensAt: q(plate.opensAt), flow, at } };
  const count = n(plate.nozzleCount);
  const many = count === null ? {} : { count };
  if (plate.outletKind === 'number') return { size: n(plate.nozzleNumber), ...many };
  if (plate.outletKind === 'passage') return { orifice: q(plate.nozzlePassage), ...many };
  return { flow, at, ...many };
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
    gearRatio: n(plate.gearRatio),
    droop: share(plate.droop),
  };
}

export function toRequest(plate: Plate): PumpRequest {
  return {
    tag: plate.tag,
    name: plate.name,
    duty: plate.duty,
    pump: toPump(plate),
    setup: {
      speed: q(plate.speed),
      nozzle: toNozzle(plate),
      controlSetting: plate.control === 'none' ? null : q(plate.controlSetting),
      relief: q(plate.relief),
      oilPressure: plate.arrangement === 'intensifier' ? q(plate.oilPressure) : null,
      gaugeSpan: q(plate.gaugeSpan),
      line: plate.line,
      liquid: plate.liquid,
      liquidStrength: plate.liquid === 'water' ? null : n(plate.liquidStrength),
      temperature: q(plate.temperature),
      supplyPressure: q(plate.supplyPressure),
      voltage: q(plate.voltage),
      drive: toDrive(plate),
      inlet: plate.inletTold
        ? {
            run: {
              length: q(plate.inletLength),
              bore: q(plate.inletBore),
              material: plate.inletMaterial,
              fittings: n(plate.inletFittings),
            },
            level: q(plate.inletLevel),
            strainer: n(plate.strainer),
          }
        : null,
      outlet: plate.outletTold
        ? {
            length: q(plate.outletLength),
            bore: q(plate.outletBore),
            material: plate.outletMaterial,
            fittings: n(plate.outletFittings),
          }
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

/** What was assumed is left empty: it is assumed anew, as long as nobody says it. */
const said = (setup: Schemas['SetupDto']): Schemas['SetupDto'] => ({
  ...setup,
  ...Object.fromEntries((setup.assumed ?? []).map((field) => [field, null])),
});

export function fromResource(resource: PumpResource): Plate {
  const plate = emptyPlate();
  const { pump } = resource;
  const setup = said(resource.setup);
  for (const [path, key] of Object.entries(quantityFields)) {
    const known = at({ pump, setup }, path) as Quantity | null | undefined;
    if (known) plate[key] = { text: forField(known.value, 12), unit: known.unit };
  }
  for (const [path, key] of Object.entries(numberFields)) {
    const known = at({ pump, setup }, path);
    if (typeof known === 'number') plate[key].text = forField(known, 12);
  }
  for (const [path, key] of Object.entries(shareFields)) {
    const known = at({ pump, setup }, path);
    // 0.035 times a hundred is not quite 3.5.
    if (typeof known === 'number') plate[key].text = forField(known * 100, 12);
  }
  if (setup.nozzle?.size) plate.outletKind = 'number';
  if (setup.nozzle?.orifice) plate.outletKind = 'passage';
  const process = setup.nozzle?.process;
  if (process) {
    plate.outletKind = 'process';
    if (process.flow) plate.nozzleFlow = { text: forField(process.flow.value, 12), unit: process.flow.unit };
    if (process.at) plate.nozzleAt = { text: forField(process.at.value, 12), unit: process.at.unit };
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
    seals: pump.seals ?? '',
    startValve: pump.startValve ?? false,
    pullDischarges: pump.pullDischarges ?? false,
    line: setup.line ?? 'unknown',
    liquid: setup.liquid ?? 'water',
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
