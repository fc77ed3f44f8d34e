import { wayOf } from '../duties';
import type { SensorRole } from '../sensors';
import type { Station } from '../station';
import { systemOf, tapeStep } from '../units';
import type { Candidate, Candidates } from './candidates';

/** Every stop and start that are tried together, as figures: m above the floor, m of moves. */
export interface Bands {
  readonly count: number;
  readonly stop: Float64Array;
  readonly lead: Float64Array;
  readonly moved: Float64Array;
  /** What makes the stop and the start: one sensor, or two. */
  by(index: number): readonly Candidate[];
}

/** What a stop and a start are held to before they are listed; nothing where all are wanted. */
export interface Limits {
  /** Least distance between the two, m. */
  readonly gap?: number;
  /** The highest at which the upper may act, m above the floor. */
  readonly highest?: number;
  /** Whether a setting can be had at all: asked once of each. */
  may?(side: 'stop' | 'lead', of: Candidates, index: number): boolean;
}

/** Rounding never puts a mark of the tape out of its place, m. */
const EASE = 1e-9;

/** Every stop and start that the tape can make within these limits, the start above the stop, or below it where a tank is filled. */
export function bandsOf(
  station: Station,
  candidates: ReadonlyMap<string, Candidates>,
  { gap = -Infinity, highest = Infinity, may = () => true }: Limits = {},
): Bands {
  const way = wayOf(station);
  const fills = way.direction === 'fill';
  const least = Math.max(tapeStep(systemOf(station.profile)), gap) - EASE;
  const most = Math.min(station.vessel.overflow, highest + EASE);
  const of = (role: SensorRole) => {
    const sensor = station.sensors.find((s) => s.role === role);
    return sensor ? candidates.get(sensor.id)! : null;
  };
  const pump = of('pump');
  const [stops, leads] = [pump ?? of('stop')!, pump ?? of('lead')!];
  const [stopAt, leadAt] = [stops[way.stops], leads[way.calls]];
  const allowed = (side: 'stop' | 'lead', all: Candidates, level: Float64Array): number[] =>
    Array.from(level, (_, i) => i).filter((i) => level[i]! >= 0 && level[i]! <= most && may(side, all, i));
  const [ss, ls] = pump ? [[], []] : [allowed('stop', stops, stopAt), allowed('lead', leads, leadAt)];
  const room = pump ? pump.count : ss.length * ls.length;
  const [stopOf, leadOf] = [new Uint32Array(room), new Uint32Array(room)];
  const [stop, lead, moved] = [new Float64Array(room), new Float64Array(room), new Float64Array(room)];
  let count = 0;
  const take = (s: number, l: number) => {
    const low = fills ? leadAt[l]! : stopAt[s]!;
    const high = fills ? stopAt[s]! : leadAt[l]!;
    if (high - low < least || low < 0 || high > most) return;
    stopOf[count] = s;
    leadOf[count] = l;
    stop[count] = stopAt[s]!;
    lead[count] = leadAt[l]!;
    moved[count++] = pump ? pump.moved[s]! : stops.moved[s]! + leads.moved[l]!;
  };
  // One sensor alone has a hundred times more settings: of those the few that are tried are asked.
  if (pump) for (let i = 0; i < pump.count; i++) take(i, i);
  else for (const s of ss) for (const l of ls) take(s, l);
  return {
    count,
    stop,
    lead,
    moved,
    by: (i) => (pump ? [pump.at(stopOf[i]!)] : [stops.at(stopOf[i]!), leads.at(leadOf[i]!)]),
  };
}
