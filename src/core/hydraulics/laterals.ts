import { monotoneCubic } from '../numeric';
import type { Laterals } from '../station';
import { orificeFlow } from './orifice';
import { slopeOf, type FrictionSchool } from './pipeline';

/** Perforated laterals at one jet height of their last orifice. */
export interface LateralState {
  /** Jet height at the last orifice: its head, m. */
  readonly squirt: number;
  /** Flow into all laterals together, m³/s. */
  readonly flow: number;
  /** Head at the beginning of the laterals, m. */
  readonly inletHead: number;
  /** How much more the first orifice gives than the last, as a share of the last. */
  readonly spread: number;
}

export interface LateralSystem {
  /** The laterals with the last orifice under `squirt` m, 0 or more: worked back from it, orifice by orifice. */
  at(squirt: number): LateralState;
  /** Head at the beginning of the laterals at a flow of all together, m³/s. */
  headAt(flow: number): number;
  /** Jet height at a flow, m. */
  squirtAt(flow: number): number;
  /** Water that fills them, m³. */
  readonly volume: number;
}

/** Jet heights that the table between flow and head is made at, as shares of the highest, m. */
const NODES = 33;
const HIGHEST = 40;

/**
 * Laterals with evenly spaced orifices, all alike. Each orifice gives q = Cd·A·√(2g·h); between two of them the pipe loses head with the
 * flow that is still in it. From the last orifice back to the first this is exact; for the way from a flow to a head it is
 * tabulated in √h, in which flow is nearly straight, and joined by a monotone cubic.
 * Source: U.S. EPA, "Onsite Wastewater Treatment Systems Manual", EPA/625/R-00/008 (2002), section 4.4 (pressure distribution).
 *
 * @param viscosity kinematic, m²/s
 */
export function lateralSystem(laterals: Laterals, viscosity: number, school: FrictionSchool): LateralSystem {
  const { count, length, bore, orifices, orifice, coefficient } = laterals;
  const slope = slopeOf(laterals, viscosity, school);
  const spacing = length / orifices;
  const at = (squirt: number): LateralState => {
    let head = squirt;
    let flow = orificeFlow(coefficient, orifice, head);
    const last = flow;
    let first = last;
    for (let i = 1; i < orifices; i++) {
      head += spacing * slope(flow);
      first = orificeFlow(coefficient, orifice, head);
      flow += first;
    }
    head += spacing * slope(flow);
    return { squirt, flow: flow * count, inletHead: head, spread: last > 0 ? first / last - 1 : 0 };
  };
  const roots = Array.from({ length: NODES }, (_, i) => (Math.sqrt(HIGHEST) * i) / (NODES - 1));
  const states = roots.map((r) => at(r * r));
  const flows = states.map((s) => s.flow);
  const head = monotoneCubic(
    flows,
    states.map((s) => Math.sqrt(s.inletHead)),
  );
  const squirt = monotoneCubic(flows, roots);
  const most = flows[NODES - 1]!;
  // Past the table (jets of 40 m) head goes on with the square of the flow: far beyond any bed.
  const read = (table: typeof head, flow: number) =>
    flow <= most ? table.at(Math.max(flow, 0)) ** 2 : (table.at(most) * (flow / most)) ** 2;
  return {
    at,
    headAt: (flow) => read(head, flow),
    squirtAt: (flow) => read(squirt, flow),
    volume: count * length * (Math.PI / 4) * bore ** 2,
  };
}
