import type { Hydraulics, Running } from '../hydraulics';
import { drawTime, type LevelGeometry } from '../levels';
import type { Vessel } from '../vessel';

/** What was worked out of a line and a vessel stays known as long as they are the same: an edit beside them changes no time. */
const known = new WeakMap<Hydraulics, WeakMap<Vessel, Map<string, number>>>();

/** Time for pumps to bring the water from one level to another with nothing coming in, s; there must be an operating point at both. */
export function timeDrawn(
  levels: LevelGeometry,
  from: number,
  to: number,
  running: Running = 1,
  tolerance = 1e-7,
): number {
  const { hydraulics, vessel } = levels;
  const ofLine = known.get(hydraulics) ?? new WeakMap<Vessel, Map<string, number>>();
  known.set(hydraulics, ofLine);
  const times = ofLine.get(vessel) ?? new Map<string, number>();
  ofLine.set(vessel, times);
  // One pump and the pump of that number are two things.
  const key = JSON.stringify([from, to, running, tolerance]);
  const time = times.get(key) ?? drawTime(levels, from, to, 0, running, tolerance);
  times.set(key, time);
  return time;
}
