import type { Figure, Quantity, Schemas } from '@/shared/api/client';

/** Means of a simulated stretch as figures that open the working of the time model. */
export function simulationFigures(simulation: Schemas['SimulationResponse']): Figure[] {
  const { means, working } = simulation;
  const figure = (id: string, name: string, value: Quantity): Figure => ({
    id: `simulated-${id}`,
    name,
    value,
    low: value,
    high: value,
    band: [],
    working,
  });
  return [
    figure('pressure', 'Mean', means.pressure),
    figure('swing', 'Swing', means.swing),
    figure('flow', 'Nozzle', means.nozzleFlow),
    figure('inlet', 'Inlet, lowest', means.lowestInletPressure),
    ...(means.strokeSeconds ?? []).map((s, i) =>
      figure(`stroke-${i}`, i === 0 ? 'Left stroke' : 'Right stroke', { value: s, unit: 's' }),
    ),
  ];
}
