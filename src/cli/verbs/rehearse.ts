import { eventRows, faultsOf, readScenario, readyScenarios, rehearse as run, traceRows, whatIf, type Scenario } from '@/core/rehearsal';
import { panelOf } from '@/core/schemes';
import type { Station } from '@/core/station';
import { sayPhrase, systemOf, type UnitSystem } from '@/core/units';
import { Complaint, readJsonFile, readStation, unitsFrom } from '../io';
import type { Verb } from '../verb';

function scenarioFrom(file: string | undefined, name: string | undefined, station: Station): Scenario {
  if (file !== undefined) {
    const read = readScenario(readJsonFile(file), station);
    if (!read.ok) throw new Complaint(read.problems.map((p) => `${file}: ${p}`));
    return read.scenario;
  }
  const ready = readyScenarios(station);
  const found = name === undefined ? ready[0] : ready.find((s) => s.name === name);
  if (!found) throw new Complaint([`--ready: “${name}” is not one of ${ready.map((s) => s.name).join(', ')}`]);
  return found;
}

/** Text with commas as the format asks: quoted where a cell has one, or a quote, or a line end. */
const csv = (rows: readonly string[][]): string => rows.map((r) => r.map((c) => (/[",\n]/.test(c) ? `"${c.replace(/"/g, '""')}"` : c)).join(',')).join('\n');

function listed(station: Station, system: UnitSystem): unknown {
  const made = panelOf(station);
  if (!made.ok) throw new Complaint(made.reasons.map((r) => `control.scheme: ${sayPhrase(r, system)}`));
  return { scenarios: readyScenarios(station), faults: faultsOf(station, made.panel).map(({ id, says }) => ({ id, says })) };
}

export const rehearse: Verb = {
  usage: 'pitbell rehearse STATION.json [--scenario SCENARIO.json | --ready NAME | --list] [--what-if] [--csv trace|events] [--units metric|us]',
  says: 'Runs the station through time by its hydraulics and its solved panel: starts, hours, bell, overflow, water’s balance and every event with why. --what-if puts every single fault into it and ranks them by time to harm. --list tells the scenarios and faults that are ready; --csv prints the trace or the events instead.',
  options: { 'what-if': { type: 'boolean' }, scenario: { type: 'string' }, ready: { type: 'string' }, list: { type: 'boolean' }, csv: { type: 'string' }, units: { type: 'string' } },
  run([file], { scenario: path, ready, list, csv: what, units, 'what-if': every }) {
    const station = readStation(file!, unitsFrom(units));
    const system = unitsFrom(units) ?? systemOf(station.profile);
    if (list) return listed(station, system);
    if (what !== undefined && what !== 'trace' && what !== 'events') throw new Complaint([`--csv: “${what}” is not trace or events`]);
    const scenario = scenarioFrom(path, ready, station);
    if (every) return { scenario: scenario.name, faults: whatIf(station, scenario, 0) };
    const answer = run(station, scenario, what === 'events' ? { keep: 1e6 } : {});
    if (!answer.ok) throw new Complaint(answer.problems.map((p) => `${path ?? file}: ${typeof p === 'string' ? p : sayPhrase(p, system)}`));
    if (what !== undefined) return csv(what === 'events' ? eventRows(answer.run, system) : traceRows(station, answer.run));
    const { trace: _trace, events, ended, ...rest } = answer.run;
    return { scenario: scenario.name, length: scenario.length, ended: ended && sayPhrase(ended, system), ...rest, events: events.map((e) => ({ ...e, says: sayPhrase(e.says, system) })) };
  },
};
