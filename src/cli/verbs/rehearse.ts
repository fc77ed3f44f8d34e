import Papa from 'papaparse';
import { FORMULA } from '@/core/papers';
import { faultsOf } from '@/core/faults';
import {
  chance,
  chancesSchema,
  eventRows,
  readScenario,
  readyScenarios,
  rehearse as run,
  report,
  traceRows,
  usualChances,
  whatIf,
  type Chances,
  type Scenario,
} from '@/core/rehearsal';
import { panelOf } from '@/core/schemes';
import type { Station } from '@/core/station';
import { sayPhrase, systemOf, type Phrase, type UnitSystem } from '@/core/units';
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

const csv = (rows: readonly string[][]): string =>
  Papa.unparse(rows as string[][], { newline: '\n', escapeFormulae: FORMULA });

function listed(station: Station, system: UnitSystem): unknown {
  const made = panelOf(station);
  if (!made.ok) throw new Complaint(made.reasons.map((r) => `control.scheme: ${sayPhrase(r, system)}`));
  return {
    scenarios: readyScenarios(station),
    faults: faultsOf(station, made.panel).map(({ effects: _, ...told }) => told),
  };
}

/** The option that sets each of the chances. */
const OPTIONS: Readonly<Record<string, string>> = { years: 'chance', responseTime: 'response' };

/** Chances as usual, with what the command line says otherwise. */
function chancesFrom(years: string, response: string | undefined, seed: string | undefined): Chances {
  const parsed = chancesSchema.safeParse({
    ...usualChances,
    years: Number(years),
    ...(response === undefined ? {} : { responseTime: Number(response) * 3600 }),
    ...(seed === undefined ? {} : { seed: Number(seed) }),
  });
  if (!parsed.success)
    throw new Complaint(
      parsed.error.issues.map((i) => `--${OPTIONS[String(i.path[0])] ?? String(i.path[0])}: ${i.message}`),
    );
  return parsed.data;
}

const said = (problems: readonly (Phrase | string)[], where: string, system: UnitSystem) =>
  new Complaint(problems.map((p) => `${where}: ${typeof p === 'string' ? p : sayPhrase(p, system)}`));

export const rehearse: Verb = {
  usage:
    'pitbell rehearse STATION.json [--scenario SCENARIO.json | --ready NAME | --list] [--what-if | --chance YEARS [--response HOURS] [--seed N]] [--csv trace|events] [--units metric|us]',
  about:
    'Runs the station through time by its hydraulics and its solved panel: starts, hours, alarm, overflow, the balance of the water, what the level rules say of it, and every event with why. --what-if puts every single fault into it and ranks them by time to harm. --chance draws so many years of storms, power cuts and faults, and tells how often it floods. --list tells the scenarios and faults that are ready; --csv prints the trace or the events instead.',
  options: {
    'what-if': { type: 'boolean' },
    chance: { type: 'string' },
    response: { type: 'string' },
    seed: { type: 'string' },
    scenario: { type: 'string' },
    ready: { type: 'string' },
    list: { type: 'boolean' },
    csv: { type: 'string' },
    units: { type: 'string' },
  },
  run([file], { scenario: path, ready, list, csv: what, units, chance: years, response, seed, 'what-if': every }) {
    const station = readStation(file!, unitsFrom(units));
    const system = unitsFrom(units) ?? systemOf(station.profile);
    if (list) return listed(station, system);
    if (years !== undefined) {
      const chances = chancesFrom(years, response, seed);
      const drawn = chance(station, chances);
      if (!drawn.ok) throw said(drawn.problems, file!, system);
      return { chances, ...drawn.chance };
    }
    if (what !== undefined && what !== 'trace' && what !== 'events')
      throw new Complaint([`--csv: “${what}” is not trace or events`]);
    const scenario = scenarioFrom(path, ready, station);
    if (every) return { scenario: scenario.name, faults: whatIf(station, scenario, 0) };
    const answer = run(station, scenario, what === 'events' ? { keep: 1e6 } : {});
    if (!answer.ok) throw said(answer.problems, path ?? file!, system);
    if (what !== undefined)
      return csv(what === 'events' ? eventRows(answer.run, system) : traceRows(station, answer.run));
    return report(station, scenario, answer.run, system);
  },
};
