import { traitsOf } from '../duties';
import type { Station } from '../station';
import { quantity, type Quantity } from '../units';
import type { Rehearsal } from './rehearse';

/** One figure that a rehearsal comes to; null where there is none. */
export interface Figure {
  readonly id: string;
  readonly what: string;
  readonly value: Quantity | null;
}

const time = (t: number | null) => (t === null ? null : quantity('time', t));
const count = (n: number) => quantity('count', n);
const JOULES = 3.6e6;

/** Everything a rehearsal comes to, in the order in which a person asks. */
export function figures(station: Pick<Station, 'duty'>, run: Rehearsal): Figure[] {
  const { words } = traitsOf(station);
  const several = run.pumps.length > 1;
  const ran = run.pumps.reduce((sum, p) => sum + p.runTime, 0);
  const list: Figure[] = run.pumps.flatMap((p, i) => {
    const pump = `pump ${i + 1}`;
    const of = (id: string, what: string, value: Quantity | null): Figure => ({
      id: `${id}-${i + 1}`,
      what: `${pump}: ${what}`,
      value,
    });
    return [
      of('starts', 'starts', count(p.starts)),
      of('worst', 'most starts in an hour', count(p.mostStartsInAnHour)),
      of('ran', 'ran', time(p.runTime)),
      of('run', 'longest run', time(p.longestRun)),
      of('rest', 'longest rest', time(p.longestRest)),
      of('energy', 'energy, kWh', quantity('factor', p.energy / JOULES)),
    ];
  });
  const add = (id: string, what: string, value: Quantity | null) => list.push({ id, what, value });
  if (several)
    add(
      'share',
      `hours of pump 1 to all of the ${run.pumps.length === 2 ? 'two' : 'three'}`,
      ran > 0 ? quantity('share', run.pumps[0]!.runTime / ran) : null,
    );
  add('alarms', 'alarms', count(run.alarms));
  add('alarm-time', 'time in alarm', time(run.alarmTime));
  add('warning', 'shortest time from alarm to overflow', time(run.warningTime));
  add('overflow', words.spilt, quantity('volume', run.balance.overflow));
  add('overflowing', words.spilling, time(run.overflowTime));
  add('dry', 'time a pump ran dry', time(run.dryRunTime));
  for (const lane of run.lanes.filter((l) => l.kind === 'interlock'))
    add(`lane-${lane.id}`, lane.label, time(lane.time));
  add('age', 'water stays, on the mean', time(run.residenceTime));
  add('highest', 'highest level', quantity('height', run.highestLevel));
  add('lowest', 'lowest level', quantity('height', run.lowestLevel));
  add('most', `greatest ${words.inflow}`, quantity('flow', run.greatestInflow));
  add('in', words.came, quantity('volume', run.balance.inflow));
  add('pumped', 'water pumped', quantity('volume', run.balance.pumped));
  add('back', 'ran back', quantity('volume', run.balance.drainback));
  return list;
}
