import type { Segment, Station } from '../station';
import { frictionFactor } from './friction';
import { GRAVITY } from './water';

/** A discharge line as its flow sees it. */
export interface Pipeline {
  /** Head lost at a flow (m³/s, zero or more), m: friction, fittings, and the velocity head thrown away at the outlet. */
  loss(flow: number): number;
  /** Velocity head in the first length, m. */
  velocityHead(flow: number): number;
  /** Velocity in each length, m/s. */
  velocities(flow: number): number[];
  /** Volume of the first `length` metres of the line, m³. */
  volumeOf(length: number): number;
  /** m */
  readonly length: number;
}

export type FrictionSchool = Station['settings']['friction'];

/**
 * Head lost by friction in a length of pipe by Hazen–Williams, m: h = 10.67·L·Q^1.852 / (C^1.852·d^4.8704) in SI. An empirical
 * formula for water near 15 °C in turbulent flow.
 * Source: L. W. Mays, "Water Resources Engineering", 2nd ed., eq. 12.2.8.
 */
const hazenWilliamsLoss = (s: Segment, flow: number): number => (10.67 * s.length * flow ** 1.852) / (s.hazenWilliams ** 1.852 * s.bore ** 4.8704);

/**
 * Losses of a line: friction by Darcy–Weisbach, h = f·L/D·v²/2g, or by Hazen–Williams; fittings as ΣK·v²/2g in both.
 * Source: F. M. White, "Fluid Mechanics", 7th ed., eqs. 6.10 and 6.78.
 *
 * @param viscosity kinematic, m²/s
 */
export function pipelineOf(segments: readonly Segment[], viscosity: number, school: FrictionSchool = 'darcy-weisbach'): Pipeline {
  const lengths = segments.map((s) => ({
    segment: s,
    area: (Math.PI / 4) * s.bore ** 2,
    bore: s.bore,
    length: s.length,
    slenderness: s.length / s.bore,
    relativeRoughness: s.roughness / s.bore,
    k: s.fittings.reduce((sum, f) => sum + f.k * f.count, 0),
  }));
  const head = (v: number) => (v * v) / (2 * GRAVITY);
  const last = lengths[lengths.length - 1]!;
  return {
    length: lengths.reduce((sum, s) => sum + s.length, 0),
    loss(flow) {
      if (flow <= 0) return 0;
      let total = head(flow / last.area);
      for (const s of lengths) {
        const v = flow / s.area;
        total += s.k * head(v);
        total += school === 'hazen-williams' ? hazenWilliamsLoss(s.segment, flow) : frictionFactor((v * s.bore) / viscosity, s.relativeRoughness) * s.slenderness * head(v);
      }
      return total;
    },
    velocityHead: (flow) => head(flow / lengths[0]!.area),
    velocities: (flow) => lengths.map((s) => flow / s.area),
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
