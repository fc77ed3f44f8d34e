import type { Hydraulics } from '../hydraulics';
import { GRAVITY } from '../physics';
import type { Pump, Station } from '../station';

/** Share of a pump’s width that its intake opening is taken for where nobody measured it: assumed. */
const OPENING = 0.5;

export const bellOf = (pump: Pump): number => pump.bell ?? OPENING * pump.diameter;

/**
 * Water over an intake at which no vortex draws air in, m: S = D·(1 + 2.3·Fr), with Fr = v/√(g·D) and v the flow over the opening.
 * Source: ANSI/HI 9.8, “Rotodynamic Pumps for Pump Intake Design” (after G. E. Hecker, 1987).
 * @param diameter of the opening, m
 * @param flow into it, m³/s
 */
export function vortexSubmergence(diameter: number, flow: number): number {
  const v = flow / ((Math.PI / 4) * diameter ** 2);
  return diameter * (1 + 2.3 * (v / Math.sqrt(GRAVITY * diameter)));
}

/** A height up to which water must stand over a pump, m above the floor, by a school. */
export interface Cover {
  readonly motor: number;
  readonly volute: number;
  /** Of the pump that wants most, at its flow alone with the water at `stop`. */
  readonly vortex: { readonly height: number; readonly flow: number; readonly pump: Pump };
}

export function coverOf({ pumps }: Station, hydraulics: Hydraulics, stop: number): Cover {
  const most = (of: (p: Pump) => number) => Math.max(...pumps.map(of));
  const vortices = pumps.map((pump, i) => {
    const point = hydraulics.at(stop, i === 0 ? 1 : [i]);
    const flow = point.ok ? point.pumpFlow : point.reason === 'run-out' ? point.atLeast : 0;
    return { pump, flow, height: pump.intake + vortexSubmergence(bellOf(pump), flow) };
  });
  return {
    motor: most((p) => p.motorTop),
    volute: most((p) => p.volute),
    vortex: vortices.reduce((a, b) => (b.height > a.height ? b : a)),
  };
}

/** The height that the station’s own school asks for, m. */
export const coverNeeded = (station: Station, hydraulics: Hydraulics, stop: number): number => {
  const { submergence } = station.settings;
  if (submergence === 'vortex') return coverOf(station, hydraulics, stop).vortex.height;
  return Math.max(...station.pumps.map((p) => (submergence === 'motor' ? p.motorTop : p.volute)));
};
