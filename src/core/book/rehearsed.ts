import { account, readyScenarios, type Scenario } from '../rehearsal';
import type { Pumping, Week } from './plant';

const DAY = 86_400;

/** What a week of a trouble is as a rehearsal: its inflow day by day, and the fault that the trouble is, where it is one. */
function scenarioOf({ station, trouble, sick, inflow }: Week): Scenario {
  const [any] = readyScenarios(station);
  return {
    ...any!,
    duration: inflow.length * DAY,
    startLevel: null,
    inflow: { kind: 'steps', rows: inflow.map((flow, i) => ({ time: i * DAY, flow })), repeatEvery: null },
    powerCuts: [],
    operations: [],
    faults: sick && trouble === 'runs-back' ? [{ from: 0, to: null, id: 'check-open' }] : [],
  };
}

/**
 * By rehearsing each week: the circuit answers, the water moves by its law, every start is one that the panel made. It takes seconds a year.
 * @throws Error where the station cannot be rehearsed
 */
export const byRehearsal: Pumping = () => (week) => {
  const station =
    week.sick && week.trouble === 'stuck-turns'
      ? { ...week.station, control: { ...week.station.control, alternates: false } }
      : week.station;
  const done = account(station, scenarioOf({ ...week, station }));
  if (!done.ok) throw new Error('this station cannot be rehearsed');
  const { pumps } = done.account;
  return { starts: pumps.map((p) => p.starts), run: pumps.map((p) => p.runTime) };
};
