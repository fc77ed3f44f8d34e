import type { Segment } from '../station';
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

/**
 * Darcy–Weisbach: h = (f·L/D + ΣK)·v²/2g for each length in turn.
 * Source: F. M. White, "Fluid Mechanics", 7th ed., eqs. 6.10 and 6.78.
 *
 * @param viscosity kinematic, m²/s
 */
export function pipelineOf(segments: readonly Segment[], viscosity: number): Pipeline {
  const lengths = segments.map((s) => ({
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
        total += (frictionFactor((v * s.bore) / viscosity, s.relativeRoughness) * s.slenderness + s.k) * head(v);
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
