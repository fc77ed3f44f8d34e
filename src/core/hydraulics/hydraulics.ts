import { brentRoot, monotoneCubic, type MonotoneCubic } from '../numeric';
import type { Result } from '../result';
import type { CurvePoint, Station } from '../station';
import { pipelineOf, type Pipeline } from './pipeline';
import { GRAVITY, kinematicViscosity } from './water';

interface Duty {
  /** Flow that leaves the station, m³/s. */
  readonly flow: number;
  /** Flow through the weep hole, back into the vessel, m³/s. */
  readonly weep: number;
  /** Flow through the pump: the two together, m³/s. */
  readonly pumpFlow: number;
  /** Head across the pump, m. */
  readonly head: number;
  /** Of which lifts the water from its level to the outlet, m. */
  readonly staticHead: number;
}

export type NoDuty =
  /** The pump cannot lift the water to the outlet at all: static head m against shut-off head m. */
  | { readonly reason: 'below-static-head'; readonly needs: number; readonly has: number }
  /** The pump would run past the last point of its curve: it delivers at least this, m³/s, and how much more is not known. */
  | { readonly reason: 'run-out'; readonly atLeast: number };

/** Where pump and pipe agree at one water level, or the reason that they do not. */
export type OperatingPoint = Result<Duty, NoDuty>;

export interface Hydraulics {
  readonly curve: MonotoneCubic;
  readonly pipeline: Pipeline;
  /** Water that falls back into the vessel after each stop, m³. */
  readonly drainback: number;
  /** Head that the line asks of the pump to deliver `flow` from `level`, m. */
  systemHead(flow: number, level: number): number;
  /** The operating point with the water at `level` m above the floor. The answer for a level is computed once and kept. */
  at(level: number): OperatingPoint;
}

/** Head against flow as the maker prints it; defined between its first and last point and nowhere else. */
export const pumpCurve = (points: readonly CurvePoint[]): MonotoneCubic =>
  monotoneCubic(
    points.map((p) => p.flow),
    points.map((p) => p.head),
  );

/** Flow of a small sharp orifice under `head` m, m³/s: Q = Cd·A·√(2gh) (Torricelli, with a discharge coefficient). */
export const orificeFlow = (coefficient: number, diameter: number, head: number): number =>
  head <= 0 ? 0 : coefficient * (Math.PI / 4) * diameter ** 2 * Math.sqrt(2 * GRAVITY * head);

/**
 * The hydraulics of a station with its pump running.
 *
 * At a flow q through the line the head just above the pump is H = outlet + loss(q) above the floor. The weep hole there
 * leaks Cd·A·√(2g·h), h being H less the velocity head, counted from the hole, or from the water when that stands above
 * it. The pump passes q plus the leak and gives its curve's head from the water level up. The difference falls
 * strictly as q rises, so there is at most one answer, and it is found by bracketing.
 */
export function hydraulicsOf(station: Pick<Station, 'pumps' | 'discharge' | 'settings'>): Hydraulics {
  const { discharge, settings } = station;
  const curve = pumpCurve(station.pumps[0]!.curve);
  const pipeline = pipelineOf(discharge.segments, kinematicViscosity(settings.waterTemperature), settings.friction);
  const { weepHole: hole, outlet } = discharge;
  const runOut = curve.to;

  const weepAt = (q: number, level: number): number => {
    if (!hole) return 0;
    const above = outlet + pipeline.loss(q) - pipeline.velocityHead(q) - Math.max(hole.height, level);
    return orificeFlow(settings.weepCoefficient, hole.diameter, above);
  };

  const solve = (level: number): OperatingPoint => {
    const staticHead = outlet - level;
    const surplus = (q: number) => curve.at(Math.min(q + weepAt(q, level), runOut)) - staticHead - pipeline.loss(q);
    const atRest = surplus(0);
    if (atRest <= 0) return { ok: false, reason: 'below-static-head', needs: staticHead, has: staticHead + atRest };
    if (surplus(runOut) > 0) return { ok: false, reason: 'run-out', atLeast: runOut - weepAt(runOut, level) };
    const flow = brentRoot(surplus, 0, runOut, 1e-13);
    const weep = weepAt(flow, level);
    const pumpFlow = flow + weep;
    if (pumpFlow > runOut) return { ok: false, reason: 'run-out', atLeast: runOut - weep };
    return { ok: true, flow, weep, pumpFlow, head: curve.at(pumpFlow), staticHead };
  };

  const known = new Map<number, OperatingPoint>();
  return {
    curve,
    pipeline,
    drainback: pipeline.volumeOf(discharge.checkValve?.pipeBefore ?? pipeline.length),
    systemHead: (flow, level) => outlet - level + pipeline.loss(flow),
    at(level) {
      const before = known.get(level);
      if (before) return before;
      const point = solve(level);
      known.set(level, point);
      return point;
    },
  };
}
