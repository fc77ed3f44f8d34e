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
  /** Of two sensors, which setting of each, and how many there are; null where one sensor makes both. */
  readonly pairs: Readonly<Record<'stop' | 'lead', { readonly of: Candidates; readonly at: Uint32Array }>> | null;
}

/** Every stop and start that the tape can make, the start above the stop, or below it where a tank is filled. */
export function bandsOf(station: Station, candidates: ReadonlyMap<string, Candidates>): Bands {
  const way = wayOf(station);
  const fills = way.direction === 'fill';
  const step = tapeStep(systemOf(station.profile)) - 1e-9;
  const { overflow } = station.vessel;
  const of = (role: SensorRole) => {
    const sensor = station.sensors.find((s) => s.role === role);
    return sensor ? candidates.get(sensor.id)! : null;
  };
  const pump = of('pump');
  const [stops, leads] = [pump ?? of('stop')!, pump ?? of('lead')!];
  const [stopAt, leadAt] = [stops[way.stops], leads[way.calls]];
  const sound = (s: number, l: number) => {
    const low = fills ? leadAt[l]! : stopAt[s]!;
    const high = fills ? stopAt[s]! : leadAt[l]!;
    return high - low >= step && low >= 0 && high <= overflow;
  };
  const most = pump ? pump.count : stops.count * leads.count;
  const [ss, ls] = [new Uint32Array(most), new Uint32Array(most)];
  const [stop, lead, moved] = [new Float64Array(most), new Float64Array(most), new Float64Array(most)];
  let count = 0;
  const take = (s: number, l: number) => {
    if (!sound(s, l)) return;
    ss[count] = s;
    ls[count] = l;
    stop[count] = stopAt[s]!;
    lead[count] = leadAt[l]!;
    moved[count++] = pump ? pump.moved[s]! : stops.moved[s]! + leads.moved[l]!;
  };
  if (pump) for (let i = 0; i < pump.count; i++) take(i, i);
  else for (let s = 0; s < stops.count; s++) for (let l = 0; l < leads.count; l++) take(s, l);
  const pairs = pump ? null : { stop: { of: stops, at: ss }, lead: { of: leads, at: ls } };
  return {
    count,
    stop,
    lead,
    moved,
    pairs,
    by: (i) => (pump ? [pump.at(ss[i]!)] : [stops.at(ss[i]!), leads.at(ls[i]!)]),
  };
}
