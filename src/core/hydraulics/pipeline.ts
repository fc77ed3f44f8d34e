import type { Segment, Station } from '../station';
import { frictionFactor } from './friction';
import { GRAVITY } from '../physics';

/** A line of pipe as its flow sees it. */
export interface Pipeline {
  /** Head lost to friction and fittings at a flow (m³/s, zero or more), m. */
  friction(flow: number): number;
  /** The same of each length. */
  losses(flow: number): number[];
  /** Velocity head in the first length, and in the last, m. */
  entryHead(flow: number): number;
  exitHead(flow: number): number;
  /** Volume of the first `length` metres of the line, m³. */
  volumeOf(length: number): number;
  /** m */
  readonly length: number;
}

/** What of a length of pipe its flow feels. */
export type Pipe = Omit<Segment, 'material' | 'wall'>;

export type FrictionSchool = Station['settings']['friction'];

/**
 * Head lost by friction in a length of pipe by Hazen–Williams, m: h = 10.67·L·Q^1.852 / (C^1.852·d^4.8704) in SI. An empirical
 * formula for water near 15 °C in turbulent flow.
 * Source: L. W. Mays, "Water Resources Engineering", 2nd ed., eq. 12.2.8.
 */
const hazenWilliamsLoss = (length: number, bore: number, c: number, flow: number): number =>
  (10.67 * length * flow ** 1.852) / (c ** 1.852 * bore ** 4.8704);

/** Head lost per m of a bare pipe at a flow, by either school, m/m. @param viscosity kinematic, m²/s */
export function slopeOf(
  { bore, roughness, hazenWilliams }: Pick<Segment, 'bore' | 'roughness' | 'hazenWilliams'>,
  viscosity: number,
  school: FrictionSchool,
): (flow: number) => number {
  if (school === 'hazen-williams') return (flow) => hazenWilliamsLoss(1, bore, hazenWilliams, flow);
  const area = (Math.PI / 4) * bore ** 2;
  return (flow) => {
    if (flow <= 0) return 0;
    const v = flow / area;
    return (frictionFactor((v * bore) / viscosity, roughness / bore) * v * v) / (2 * GRAVITY * bore);
  };
}

/**
 * Losses of a line: friction by Darcy–Weisbach, h = f·L/D·v²/2g, or by Hazen–Williams; fittings as ΣK·v²/2g in both.
 * Source: F. M. White, "Fluid Mechanics", 7th ed., eqs. 6.10 and 6.78.
 *
 * @param viscosity kinematic, m²/s
 */
export function pipelineOf(
  segments: readonly Pipe[],
  viscosity: number,
  school: FrictionSchool = 'darcy-weisbach',
): Pipeline {
  const lengths = segments.map((s) => ({
    area: (Math.PI / 4) * s.bore ** 2,
    length: s.length,
    slope: slopeOf(s, viscosity, school),
    k: s.fittings.reduce((sum, f) => sum + f.k * f.count, 0),
  }));
  const head = (v: number) => (v * v) / (2 * GRAVITY);
  const lossOf = (s: (typeof lengths)[number], flow: number) =>
    flow <= 0 ? 0 : s.k * head(flow / s.area) + s.length * s.slope(flow);
  const first = lengths[0];
  const last = lengths[lengths.length - 1];
  return {
    length: lengths.reduce((sum, s) => sum + s.length, 0),
    friction: (flow) => lengths.reduce((total, s) => total + lossOf(s, flow), 0),
    losses: (flow) => lengths.map((s) => lossOf(s, flow)),
    entryHead: (flow) => (first ? head(flow / first.area) : 0),
    exitHead: (flow) => (last ? head(flow / last.area) : 0),
    volumeOf(length) {
      let left = length;
      let volume = 0;
      for (const s of lengths) {
        const part = Math.min(left, s.length);
        volume += part * s.area;
        left -= part;
      }
      return volume;
    },
  };
}
