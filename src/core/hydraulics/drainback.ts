import type { Station } from '../station';
import { standingFlow } from './branch';
import type { LateralSystem } from './laterals';
import type { Network } from './network';
import type { Pipeline } from './pipeline';

/** Water that falls back into the vessel after a stop, m³, and how long it takes, s. */
export interface Drainback {
  readonly volume: number;
  readonly time: number;
}

/** Water in a pipe between two places along it, m³. */
const part = (pipe: Pipeline, from: number, to: number): number => {
  const within = (x: number) => Math.min(Math.max(x, 0), pipe.length);
  return Math.max(pipe.volumeOf(within(to)) - pipe.volumeOf(within(from)), 0);
};

/** Those that ran leave their columns, and those that nothing closes what the others brought into theirs. */
export function fallBack(
  { discharge, pumps }: Pick<Station, 'discharge' | 'pumps'>,
  net: Network,
  { main, laterals }: { main: Pipeline; laterals: LateralSystem | null },
  ran: readonly number[],
  level: number,
): Drainback {
  const { checkValve, highPoint } = discharge;
  const { branches, line } = net;
  const set = branches.flatMap((b, i) => (ran.includes(i) || (b.open && ran.length > 0) ? [i] : []));
  const crestAt = highPoint?.along ?? Infinity;
  const reachOf = (i: number) => Math.min(branches[i]!.open ? Infinity : checkValve!.pipeBefore, crestAt);
  const reach = Math.max(...set.map(reachOf));
  // What stands under the water stays: pipes are taken to rise straight from the pump.
  const foot = (i: number) => (pumps[i]!.intake + pumps[i]!.volute) / 2;
  const under = (i: number) => Math.max(level - foot(i), 0);
  const own = set.reduce((sum, i) => sum + part(branches[i]!.riser, under(i), reachOf(i)), 0);
  const first = set[0] ?? 0;
  const riser = branches[first]?.riser.length ?? 0;
  const shared = set.length > 0 ? part(main, under(first) - riser, reach - riser) : 0;
  const whole = reach === Infinity && laterals ? laterals.volume : 0;
  const volume = own + shared + whole;
  if (volume <= 0) return { volume: 0, time: 0 };
  // It falls from the top of its column through pumps that stand, ever slower: twice the time of its first flow.
  const top = Math.min(line.crest, foot(first) + reach);
  const drop = Math.max(top - level, 1e-3);
  const flow = set.reduce(
    (sum, i) => sum - standingFlow({ ...branches[i]!, open: true }, level + drop, net.around(level, branches[i]!)),
    0,
  );
  return { volume, time: (2 * volume) / flow };
}
