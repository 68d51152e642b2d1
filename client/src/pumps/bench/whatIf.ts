import type { Knowledge, PumpResource, Quantity, Schemas } from '@/shared/api/client';

/** A fault tried on a pump. */
export interface TriedFault {
  fault: string;
  severity: number;
  cylinder: number;
  side: 'inlet' | 'discharge';
}

/** What is moved: shares of what the pump's own set-up says, so that 1 and 0 are "as it is". */
export interface WhatIf {
  speed: number;
  wear: number;
  inletLength: number | null;
  temperature: number;
  faults: TriedFault[];
}

export const asItIs = (pump: PumpResource): WhatIf => ({
  speed: 1,
  wear: 0,
  inletLength: pump.setup.inlet?.run?.length?.value ?? null,
  temperature: pump.setup.temperature?.value ?? 20,
  faults: [],
});

/** True where nothing was moved. */
export const untouched = (pump: PumpResource, tried: WhatIf): boolean =>
  JSON.stringify(asItIs(pump)) === JSON.stringify(tried);

const times = (q: Quantity | null | undefined, factor: number): Quantity | null =>
  q ? { ...q, value: q.value * factor } : null;

function worn(nozzle: Schemas['NozzleDto'] | null | undefined, wear: number): Schemas['NozzleDto'] | null {
  if (!nozzle || wear === 0) return nozzle ?? null;
  const grown = 1 + wear;
  return {
    ...nozzle,
    flow: times(nozzle.flow, grown),
    size: nozzle.size ? nozzle.size * grown : null,
    orifice: times(nozzle.orifice, Math.sqrt(grown)),
    process: nozzle.process ? { ...nozzle.process, flow: times(nozzle.process.flow, grown) } : null,
  };
}

/** The request that asks for the pump as it would be; `running` is the speed its driver gives it as it is. */
export function whatIfBody(resource: PumpResource, tried: WhatIf, running = resource.setup.speed) {
  const { pump, setup } = resource;
  const inlet = setup.inlet?.run;
  return {
    pump,
    setup: {
      ...setup,
      nozzle: worn(setup.nozzle, tried.wear),
      // A speed that is tried is the speed, whatever the driver would do.
      speed: tried.speed === 1 ? (setup.speed ?? null) : times(running, tried.speed),
      drive: tried.speed === 1 ? setup.drive : null,
      temperature: { value: tried.temperature, unit: setup.temperature?.unit ?? '°C' },
      inlet:
        inlet?.length && tried.inletLength !== null
          ? { ...setup.inlet, run: { ...inlet, length: { ...inlet.length, value: tried.inletLength } } }
          : setup.inlet,
    },
    faults: tried.faults.map((f) => ({ fault: f.fault, severity: f.severity, cylinder: f.cylinder, side: f.side })),
  };
}

/** Faults to try, in the words of the catalogue. */
export const faultsOf = (knowledge: Knowledge): Knowledge['faults'] =>
  knowledge.faults.filter((f) => f.id !== 'no-fault');

/** Temperatures that can be tried, in the unit in which this pump's is kept: 0 to 95 °C, of seawater 0 to 40 °C. */
export function temperatureRange({ setup }: Pick<PumpResource, 'setup'>): {
  least: number;
  most: number;
  unit: string;
} {
  const unit = setup.temperature?.unit ?? '°C';
  const from = (celsius: number) => (unit === '°F' ? celsius * 1.8 + 32 : unit === 'K' ? celsius + 273.15 : celsius);
  return { least: from(0), most: from(setup.liquid === 'seawater' ? 40 : 95), unit };
}
