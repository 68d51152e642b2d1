import { headNames } from '@/drawing/layout/heads';
import { hasPackings, type Plate, type TypedKey } from './plate';

type Told = Plate;
type Words = string | ((plate: Told) => string);

interface Shown {
  /** Asked only where it has a meaning. */
  shown?: (plate: Told) => boolean;
}

export interface QuantityField extends Shown {
  kind: 'quantity';
  key: TypedKey;
  label: Words;
  /** Where the server names it; the first path that has a problem speaks. */
  paths: string[];
  units?: string[];
  /** What counts until something is entered. */
  usual?: Words;
}

type TextKey = { [K in keyof Plate]: Plate[K] extends string | number ? K : never }[keyof Plate];
type FlagKey = { [K in keyof Plate]: Plate[K] extends boolean ? K : never }[keyof Plate];

export interface ChoiceOfPlate extends Shown {
  kind: 'choice';
  key: TextKey;
  label: string;
  options: { value: string | number; text: string }[];
}

export interface FlagOfPlate extends Shown {
  kind: 'flag';
  key: FlagKey;
  label: string;
}

export type PlateField = QuantityField | ChoiceOfPlate | FlagOfPlate;

export interface PlateSection {
  id: string;
  title: string;
  /** What is taken while all of it is left alone. */
  otherwise: string;
  fields: PlateField[];
}

const pressures = ['bar', 'psi', 'MPa'];
const lengths = ['mm', 'in'];
const runs = ['m', 'ft'];
const flows = ['L/min', 'US gal/min', 'm³/h'];
const isIntensifier = (p: Told) => p.arrangement === 'intensifier';
const isFixed = (p: Told) => ['twin-piston', 'intensifier'].includes(p.arrangement);

const quantity = (
  key: TypedKey,
  label: Words,
  paths: string | string[],
  units?: string[],
  rest: Partial<QuantityField> = {},
): QuantityField => ({
  kind: 'quantity',
  key,
  label,
  paths: typeof paths === 'string' ? [paths] : paths,
  ...(units ? { units } : {}),
  ...rest,
});

const choice = (
  key: TextKey,
  label: string,
  options: Record<string, string>,
  shown?: (plate: Told) => boolean,
): ChoiceOfPlate => ({
  kind: 'choice',
  key,
  label,
  options: Object.entries(options).map(([value, text]) => ({ value, text })),
  ...(shown ? { shown } : {}),
});

const counted = (key: TextKey, label: string, counts: number[], shown: (plate: Told) => boolean): ChoiceOfPlate => ({
  kind: 'choice',
  key,
  label,
  options: counts.map((k) => ({ value: k, text: String(k) })),
  shown,
});

const flag = (key: FlagKey, label: string, shown?: (plate: Told) => boolean): FlagOfPlate => ({
  kind: 'flag',
  key,
  label,
  ...(shown ? { shown } : {}),
});

/** What stands on the type plate, or can be counted and measured at once. */
export const plateFields: PlateField[] = [
  choice('arrangement', 'Arrangement', {
    'crank-plunger': 'crank plunger',
    'flow-through': 'flow-through, inlet valve on the plunger',
    axial: 'axial, swash or wobble plate',
    'twin-piston': 'twin piston with cups',
    intensifier: 'double-acting intensifier',
  }),
  counted('cylinders', 'Cylinders', [1, 2, 3, 4, 5, 6, 7], (p) => !isFixed(p)),
  quantity('plungerDiameter', 'Plunger diameter', 'pump.plungerDiameter', lengths),
  quantity('stroke', 'Stroke', 'pump.stroke', lengths),
  quantity('ratedSpeed', (p) => (isIntensifier(p) ? 'Most cycles a minute' : 'Rated speed'), 'pump.ratedSpeed', [
    'rpm',
  ]),
  quantity('ratedFlow', 'Rated flow', 'pump.ratedFlow', flows),
  quantity('ratedPressure', 'Rated pressure', 'pump.ratedPressure', pressures),
  quantity('oilPistonDiameter', 'Oil piston diameter', 'pump.oilPistonDiameter', lengths, { shown: isIntensifier }),
];

const strengths: Record<string, [string, string]> = {
  seawater: ['Salt, g/kg', '35'],
  brine: ['Salt, % by mass', '10'],
  glycol: ['Glycol, % by volume', '30'],
  oil: ['Viscosity grade', '22'],
};
const material = { hose: 'hose', steel: 'steel pipe', plastic: 'plastic pipe' };
const isNozzle = (p: Told) => p.outletKind !== 'process';
const isPoint = (p: Told) => ['nozzle', 'process'].includes(p.outletKind);
const isDriven = (p: Told) => p.drive !== 'told';
const isMotor = (p: Told) => p.drive === 'motor';

/** All the rest: what nobody says is assumed, and listed as such. */
export const sections: PlateSection[] = [
  {
    id: 'outlet',
    title: 'Nozzle and outlet',
    otherwise: 'a nozzle that suits the rating, on a hose',
    fields: [
      choice('outletKind', 'Goes to', {
        nozzle: 'nozzles, flow at a pressure known',
        number: 'nozzles, number known',
        passage: 'nozzles, passage measured',
        process: 'a process with a back pressure',
      }),
      quantity('opensAt', 'Passes nothing below', 'setup.nozzle.process.opensAt', pressures, {
        shown: (p) => p.outletKind === 'process',
      }),
      quantity('nozzleNumber', 'Nozzle number', ['setup.nozzle.size', 'setup.nozzle'], undefined, {
        shown: (p) => p.outletKind === 'number',
      }),
      quantity('nozzlePassage', 'Passage of a nozzle', ['setup.nozzle.orifice', 'setup.nozzle'], lengths, {
        shown: (p) => p.outletKind === 'passage',
      }),
      quantity(
        'nozzleFlow',
        (p) => (p.outletKind === 'process' ? 'Process passes' : 'Nozzle passes, when healthy'),
        ['setup.nozzle.flow', 'setup.nozzle.process.flow', 'setup.nozzle'],
        flows,
        { shown: isPoint },
      ),
      quantity('nozzleAt', 'at this pressure', ['setup.nozzle.at', 'setup.nozzle.process.at'], pressures, {
        shown: isPoint,
      }),
      quantity('nozzleCount', 'How many such nozzles', 'setup.nozzle.count', undefined, {
        usual: '1',
        shown: isNozzle,
      }),
      choice('line', 'Between pump and nozzle', { hose: 'a hose', rigid: 'rigid pipe', unknown: 'not known' }),
      flag('outletTold', 'That run is measured'),
      quantity('outletLength', 'Length of the outlet run', 'setup.outlet.length', runs, { shown: (p) => p.outletTold }),
      quantity('outletBore', 'Bore of the outlet run', 'setup.outlet.bore', lengths, { shown: (p) => p.outletTold }),
      quantity('outletFittings', 'Bends of the outlet run, velocity heads', 'setup.outlet.fittings', undefined, {
        usual: '0',
        shown: (p) => p.outletTold,
      }),
      choice('outletMaterial', 'Outlet run is', material, (p) => p.outletTold),
      flag('dampenerFitted', 'A dampener is fitted'),
      quantity('gasVolume', 'Gas volume of the dampener', 'setup.dampener.gasVolume', ['mL', 'L'], {
        shown: (p) => p.dampenerFitted,
      }),
      quantity('charge', 'Charge of the dampener', 'setup.dampener.charge', pressures, {
        shown: (p) => p.dampenerFitted,
      }),
      choice('injector', 'Chemical injector', { '': 'none', inlet: 'at the inlet', outlet: 'at the outlet' }),
    ],
  },
  {
    id: 'control',
    title: 'Control, head and gauge',
    otherwise: 'an unloader a tenth above the working pressure, a cap for every valve',
    fields: [
      choice('control', 'Control', {
        unloader: 'unloader',
        regulator: 'regulator',
        'auto-stop': 'auto stop',
        relief: 'relief only',
        none: 'none',
      }),
      quantity('controlSetting', 'Control opens at', 'setup.controlSetting', pressures, {
        shown: (p) => p.control !== 'none',
      }),
      choice(
        'unloaderType',
        'Unloader',
        { 'trapped-pressure': 'trapped pressure', 'flow-actuated': 'flow actuated' },
        (p) => p.control === 'unloader',
      ),
      quantity('relief', 'Relief valve beside it, set to', 'setup.relief', pressures),
      quantity('gaugeSpan', 'Gauge at the head reads up to', 'setup.gaugeSpan', pressures, {
        usual: '1.6 times the rating',
      }),
      choice('headLayout', 'Head', headNames, (p) => p.arrangement === 'crank-plunger'),
      choice('sealReturn', 'High-pressure seal returns', { inlet: 'to the inlet', weep: 'to the weep' }),
      choice(
        'seals',
        'Plungers run in',
        { '': 'what such a head usually has', lip: 'lip seals', packing: 'packings' },
        hasPackings,
      ),
      flag('startValve', 'A start valve is fitted', (p) => !isIntensifier(p)),
      quantity('rodDiameter', 'Rod, if double acting', 'pump.rodDiameter', lengths, {
        shown: (p) => p.arrangement === 'crank-plunger',
      }),
      flag('pullDischarges', 'The pull stroke discharges', (p) => p.arrangement === 'flow-through'),
      quantity('rodRatio', 'Crank radius over rod length', 'pump.rodRatio', undefined, {
        usual: '0.2',
        shown: (p) => !isIntensifier(p) && p.arrangement !== 'axial',
      }),
      quantity('slip', 'Valve slip when healthy', 'pump.slip', ['%'], {
        usual: (p) => (isIntensifier(p) ? '1' : '3.5'),
      }),
    ],
  },
  {
    id: 'driver',
    title: 'Driver',
    otherwise: 'turns at the rated speed',
    fields: [
      choice('drive', 'Turned by', {
        told: 'speed as noted',
        motor: 'three-phase motor',
        engine: 'governed engine',
      }),
      quantity('speed', 'Speed', 'setup.speed', ['rpm'], { shown: (p) => !isDriven(p) }),
      counted('poles', 'Poles', [2, 4, 6, 8, 10, 12], isMotor),
      quantity('frequency', 'Frequency', 'setup.drive.frequency', ['Hz'], { usual: '50', shown: isMotor }),
      quantity('noLoadSpeed', 'Engine speed without load', 'setup.drive.noLoadSpeed', ['rpm'], {
        shown: (p) => p.drive === 'engine',
      }),
      quantity('ratedPower', 'Rated power', 'setup.drive.ratedPower', ['kW', 'hp'], { shown: isDriven }),
      quantity('driverPulley', 'Pulley on the driver', 'setup.drive.driverPulley', lengths, { shown: isDriven }),
      quantity('pumpPulley', 'Pulley on the pump', 'setup.drive.pumpPulley', lengths, { shown: isDriven }),
      quantity('gearRatio', 'Gear, driver turns a pump turn', 'setup.drive.gearRatio', undefined, {
        usual: '1',
        shown: isDriven,
      }),
      quantity(
        'droop',
        (p) => (isMotor(p) ? 'Slip at rated power' : 'Droop at rated power'),
        'setup.drive.droop',
        ['%'],
        { usual: (p) => (isMotor(p) ? '3.5' : '6'), shown: isDriven },
      ),
      quantity('voltage', 'Three-phase motor, between phases', 'setup.voltage', ['V']),
      quantity('oilPressure', 'Oil supply holds back at', 'setup.oilPressure', pressures, { shown: isIntensifier }),
    ],
  },
  {
    id: 'inlet',
    title: 'Liquid and inlet',
    otherwise: 'water of 20 °C from an open tank, suction run not measured',
    fields: [
      choice('liquid', 'Liquid', {
        water: 'water',
        seawater: 'seawater',
        brine: 'brine',
        glycol: 'glycol and water',
        oil: 'light oil',
      }),
      quantity('liquidStrength', (p) => strengths[p.liquid]?.[0] ?? 'Strength', 'setup.liquidStrength', undefined, {
        usual: (p) => strengths[p.liquid]?.[1] ?? '',
        shown: (p) => p.liquid !== 'water',
      }),
      quantity('temperature', 'Water temperature', 'setup.temperature', ['°C', '°F'], { usual: '20 °C' }),
      quantity('supplyPressure', 'Pressure at the source', 'setup.supplyPressure', ['bar', 'psi', 'kPa'], {
        usual: '0, an open tank',
      }),
      quantity('requiredHead', 'NPSH the maker asks for, head at the inlet', 'pump.requiredHead', runs),
      flag('inletTold', 'The suction run is measured'),
      quantity('inletLength', 'Length of the suction run', 'setup.inlet.run.length', runs, {
        shown: (p) => p.inletTold,
      }),
      quantity('inletBore', 'Bore of the suction run', 'setup.inlet.run.bore', lengths, { shown: (p) => p.inletTold }),
      choice('inletMaterial', 'Suction run is', material, (p) => p.inletTold),
      quantity('inletLevel', 'Source above the pump', 'setup.inlet.level', runs, {
        usual: '0',
        shown: (p) => p.inletTold,
      }),
      quantity('strainer', 'Strainer and foot valve, velocity heads', 'setup.inlet.strainer', undefined, {
        usual: '2',
        shown: (p) => p.inletTold,
      }),
      quantity('inletFittings', 'Bends of the suction run, velocity heads', 'setup.inlet.run.fittings', undefined, {
        usual: '0',
        shown: (p) => p.inletTold,
      }),
    ],
  },
];

export const inWordsOf = (words: Words | undefined, plate: Plate): string | undefined =>
  typeof words === 'function' ? words(plate) : words;

/** Fields of a section that are asked of this pump. */
export const askedOf = (fields: PlateField[], plate: Plate): PlateField[] =>
  fields.filter((f) => f.shown?.(plate) ?? true);

/** What is wrong with a field, by the paths under which the server may name it. */
export const problemOf = (field: PlateField, problems: Record<string, string>): string | undefined =>
  field.kind === 'quantity' ? field.paths.map((p) => problems[p]).find((p) => p !== undefined) : undefined;
