import { traitsOf } from '../duties';
import { cycleAt, levelContext, type CycleResult, type LevelContext } from '../levels';
import type { Station } from '../station';
import { phrase, type Phrase, quantity, type Quantity } from '../units';
import type { Rehearsal } from './rehearse';
import type { Scenario } from './scenario';

/** A figure of a rehearsal beside what the level rules say of it, and where a difference comes from. */
export interface Comparison {
  readonly id: 'starts' | 'worst-hour' | 'ran' | 'reserve';
  readonly what: string;
  readonly rules: Quantity;
  readonly run: Quantity;
  readonly why: Phrase;
}

/** Inflows are told apart to this share of the greatest. */
const STEPS = 60;
/** Nearer than this, two figures are the same. */
const SAME = 0.02;
/** Less of the water than this, left in store, is not told. */
const STORED = 0.03;

const joined = (parts: readonly Phrase[]): Phrase => parts.flatMap((p, i) => (i === 0 ? p : ['; ', ...p]));

/** What in a scenario the rules know nothing of. */
function unknown({ powerCuts, faults, operations, duration }: Scenario, run: Rehearsal): Phrase[] {
  const off = powerCuts.reduce((sum, c) => sum + Math.max(Math.min(c.to, duration) - c.from, 0), 0);
  const both = run.pumps.length > 1 ? Math.min(...run.pumps.map((p) => p.runTime)) : 0;
  return [
    ...(off > 0 ? [phrase`the power was off for ${quantity('time', off)}`] : []),
    ...(faults.length > 0
      ? [phrase`${faults.length === 1 ? 'a fault was' : `${String(faults.length)} faults were`} put in`]
      : []),
    ...(operations.length > 0 ? [phrase`hands worked the panel`] : []),
    ...(both === 0 && run.pumps.length > 1 ? [phrase`one pump did nothing`] : []),
    ...(run.overflowTime > 0 ? [phrase`water ran over for ${quantity('time', run.overflowTime)}`] : []),
    ...(run.endedEarly ? [phrase`it ended before its time`] : []),
    ...(Math.abs(run.balance.change) > STORED * run.balance.inflow
      ? [
          phrase`${quantity('volume', Math.abs(run.balance.change))} ${run.balance.change > 0 ? 'of it is still stored' : 'was stored before'}`,
        ]
      : []),
  ];
}

/** Starts, running time, and time in which more comes than goes, s, by the cycle at each inflow that there was. */
function predicted(context: LevelContext, { trace, duration }: Rehearsal) {
  const most = Math.max(...trace.inflow, 1e-12);
  const cycles = new Map<number, CycleResult>();
  const cycle = (q: number): CycleResult => {
    const step = Math.max(Math.round((q / most) * STEPS), 1);
    const known = cycles.get(step);
    if (known) return known;
    const made = cycleAt(context, (step / STEPS) * most);
    cycles.set(step, made);
    return made;
  };
  let [starts, ran, above] = [0, 0, 0];
  for (let i = 0; i < trace.inflow.length && i * trace.step < duration; i++) {
    const q = trace.inflow[i]!;
    if (q < (0.25 * most) / STEPS) continue;
    const c = cycle(q);
    if (!c.ok) continue;
    starts += (c.startsPerHour * trace.step) / 3600;
    ran += c.keepsUp ? (c.run / c.cycle) * trace.step : trace.step;
    if (!c.keepsUp) above += trace.step;
  }
  // A timer cuts the time of running into doses.
  const { timer } = traitsOf(context.station);
  return { starts: timer ? Math.max(starts, ran / timer.on) : starts, ran, above };
}

/**
 * What the level rules predict of a rehearsal: starts and hours from the cycle at each inflow that there was, the worst hour from the
 * worst inflow, the reserve from the water between alarm and overflow. The rules count whole cycles at a steady inflow; a rehearsal has the
 * inflow as it comes.
 */
export function compare(station: Station, scenario: Scenario, run: Rehearsal): Comparison[] {
  const context = levelContext(station);
  const { worst, alarm, vessel, overflow, inflow } = context;
  const found: Comparison[] = [];
  if (!worst.ok) return found;
  const { trace } = run;
  const { starts, ran, above } = predicted(context, run);
  const { direction } = traitsOf(station);
  const varies = Math.max(...trace.inflow) > 1.05 * Math.min(...trace.inflow);
  const others = unknown(scenario, run);
  const differ = (a: number, b: number, least: number) => Math.abs(a - b) > Math.max(SAME * Math.max(a, b), least);
  const explain = (same: boolean, more: readonly Phrase[]): Phrase => {
    if (same) return phrase`they agree`;
    const all = [...others, ...more];
    return all.length > 0 ? joined(all) : phrase`the first and the last cycle are not whole`;
  };

  const busiest = run.pumps.reduce((a, b) => (b.starts > a.starts ? b : a), run.pumps[0]!);
  found.push({
    id: 'starts',
    what: 'starts of the busiest pump',
    rules: quantity('count', Math.round(starts)),
    run: quantity('count', busiest.starts),
    why: explain(!differ(starts, busiest.starts, 1.5), [
      ...(varies ? [phrase`the inflow changes within a cycle, and the rules take each inflow as if it stayed`] : []),
      ...(above > 0
        ? [phrase`for ${quantity('time', above)} more came than the pumps bring away: the rules count no start then`]
        : []),
    ]),
  });
  found.push({
    id: 'ran',
    what: 'time in which a pump ran',
    rules: quantity('time', ran),
    run: quantity('time', run.pumpingTime),
    why: explain(
      !differ(ran, run.pumpingTime, 120),
      varies ? [phrase`the inflow changes within a cycle, and the rules take each inflow as if it stayed`] : [],
    ),
  });
  found.push({
    id: 'worst-hour',
    what: 'most starts in an hour',
    rules: quantity('rate', worst.startsPerHour),
    run: quantity('count', Math.max(...run.pumps.map((p) => p.mostStartsInAnHour))),
    why:
      Math.max(...run.pumps.map((p) => p.mostStartsInAnHour)) > worst.startsPerHour + 1
        ? explain(false, [phrase`the rules seek the worst steady inflow with pumps that are well`])
        : run.greatestInflow < 0.9 * worst.inflow
          ? phrase`the worst inflow for starts is ${quantity('flow', worst.inflow)}: here never more than ${quantity('flow', run.greatestInflow)} came`
          : phrase`an hour holds a whole start more or less than the mean of the rules`,
  });
  if (alarm && run.warningTime !== null && direction === 'empty') {
    const has = (vessel.volume(overflow) - vessel.volume(alarm.rise)) / inflow[station.settings.reserveInflow];
    found.push({
      id: 'reserve',
      what: 'from alarm to overflow',
      rules: quantity('time', has),
      run: quantity('time', run.warningTime),
      why: differ(has, run.warningTime, 5)
        ? phrase`the rules take the ${station.settings.reserveInflow} inflow of ${quantity('flow', inflow[station.settings.reserveInflow])} and no pump; here up to ${quantity('flow', run.greatestInflow)} came${run.pumps.some((p) => p.runTime > 0) ? ', and what pumps there were went on' : ''}`
        : phrase`they agree`,
    });
  }
  return found;
}
