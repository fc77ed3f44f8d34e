import { traitsOf } from '../duties';
import { powerOf } from '../hydraulics';
import { levelContext } from '../levels';
import type { Station } from '../station';

/** What the model of a station says that its meters ought to show. */
export interface Expected {
  /** Water between stop and start, m³, and its standard deviation: each trip repeats to so much. */
  readonly volume: number;
  readonly volumeBy: number;
  /** What runs back at a stop, m³. */
  readonly drainback: number;
  /** Flow of each pump alone at the middle of its travel, m³/s; null where it has no operating point there. */
  readonly flows: readonly (number | null)[];
  /** What each motor draws there, W; null where it has no operating point. */
  readonly powers: readonly (number | null)[];
  /** The shortest useful run of each pump, s; 0: nobody said. */
  readonly minimumRun: readonly number[];
  /** Doses in a design day by the timer or by the water; null where it does not dose. */
  readonly dosesPerDay: number | null;
}

/** How well a trip repeats, m: half of what a drawdown is read to by a tape, as of floats on a short cord. */
const REPEATS = 0.005;

/** Why the two equations do not answer at a station, in words; null where they do. */
export function notByEquations(station: Station): string | null {
  const { mover, timer } = traitsOf(station);
  if (mover.kind === 'valve') return 'it is filled through a valve: no pump has hours';
  if (timer) return 'a timer starts the pump: starts do not count volumes between trips';
  return null;
}

/** @example expectedOf(newStation('Sump', 'Yard', 'metric-230')).flows.length // → 1 */
export function expectedOf(station: Station): Expected {
  const context = levelContext(station);
  const { vessel, stop, lead, hydraulics, inflow } = context;
  const middle = (stop + lead) / 2;
  const area = vessel.area(middle);
  const { timer } = traitsOf(station);
  const points = station.pumps.map((_, i) => hydraulics.at(middle, [i]));
  return {
    volume: Math.abs(vessel.volume(lead) - vessel.volume(stop)),
    volumeBy: area * REPEATS * Math.SQRT2,
    drainback: hydraulics.drainback(1, stop).volume,
    flows: points.map((at) => (at.ok ? at.flow : null)),
    powers: station.pumps.map((pump, i) => {
      const at = points[i]!;
      return at.ok && at.pumps[0] ? powerOf(pump, station.supply)(at.pumps[0].pumpFlow) : null;
    }),
    minimumRun: station.pumps.map((p) => p.minimumRun),
    dosesPerDay: timer
      ? 86400 / (timer.on + timer.off)
      : station.duty.kind === 'dose'
        ? dosesOf(context.drawdown, inflow.design)
        : null,
  };
}

const dosesOf = (dose: number, inflow: number): number | null => (dose > 0 ? (inflow * 86400) / dose : null);
