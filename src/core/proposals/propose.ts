import { traitsOf } from '../duties';
import {
  BY_FLOATS,
  judge,
  moves,
  RULE_IDS,
  ruleTitle,
  surroundingsOf,
  type Judgement,
  type Move,
  type Surroundings,
  type RuleId,
} from '../levels';
import type { Sensor } from '../sensors';
import type { Station } from '../station';
import { quantity, type Quantity } from '../units';
import { AIMS, type Aim } from './aim';
import { remediesFor, type Remedy } from './remedies';
import { fieldOf, search, type Field } from './search';

/** One figure now and as proposed. */
export interface Gain {
  readonly what: string;
  readonly before: Quantity | null;
  readonly after: Quantity | null;
}

interface Found {
  readonly aim: Aim;
  readonly ok: true;
  readonly sensors: readonly Sensor[];
  readonly gains: readonly Gain[];
  /** From what hangs there now. */
  readonly moves: readonly Move[];
  /** Rules that do not hold, by title: those that should and nothing on the tape keeps too, and those that no float can mend. */
  readonly gives: readonly string[];
}

interface Impossible {
  readonly aim: Aim;
  readonly ok: false;
  /** Each rule that alone stands in the way, by title; empty when several do together. */
  readonly bites: readonly string[];
  readonly remedies: readonly Remedy[];
}

export type Proposal = Found | Impossible;

/** What a setting of floats can keep. What it cannot is told beside it. */
const MUSTS: ReadonlySet<RuleId> = new Set(RULE_IDS.must.filter((id) => BY_FLOATS.has(id)));
const ALL: ReadonlySet<RuleId> = BY_FLOATS;

function gainsOf(before: Judgement, after: Judgement): Gain[] {
  const of = (take: (j: Judgement) => Quantity | null, what: string): Gain => ({
    what,
    before: take(before),
    after: take(after),
  });
  const volume = (j: Judgement) =>
    (j.context.vessel.volume(j.context.stop) + j.context.vessel.volume(j.context.lead)) / 2;
  return [
    ...(traitsOf(before.context.station).timer
      ? []
      : [of((j) => (j.worst.ok ? quantity('rate', j.worst.startsPerHour) : null), 'starts, worst')]),
    of((j) => quantity('volume', volume(j)), 'stored, mean'),
    of((j) => (j.reserve ? quantity('duration', j.reserve.design) : null), 'alarm to overflow'),
  ];
}

/**
 * The settings on the tape's marks that serve an aim best while every rule that must hold does; rules that should hold are kept too where
 * that can be had.
 */
function proposeOne(field: Field, aim: Aim, from: readonly Sensor[], now: Judgement): Proposal | null {
  const tiers = [ALL, new Set<RuleId>([...MUSTS, 'gap']), MUSTS];
  for (const required of tiers) {
    const made = search(field, aim, required);
    if (!made) continue;
    const after = judge(made, field.surroundings);
    return {
      aim,
      ok: true,
      sensors: made.sensors,
      gains: gainsOf(now, after),
      moves: moves(from, made.sensors),
      gives: after.rules
        .filter((r) => (r.severity === 'should' || !BY_FLOATS.has(r.id)) && r.state === 'broken')
        .map((r) => r.title),
    };
  }
  return null;
}

function impossible(field: Field, aim: Aim): Proposal {
  const { station } = field;
  const bites = [...MUSTS].filter(
    (id) => search(field, 'fewest-starts', new Set([...MUSTS].filter((m) => m !== id))) !== null,
  );
  return {
    aim,
    ok: false,
    bites: bites.map((id) => ruleTitle(id, station)),
    remedies: remediesFor(station, MUSTS, ALL),
  };
}

/** The aims that the levels of a station can serve: where a timer starts the pump they have no say in its starts. */
export const aimsFor = (station: Station): readonly Aim[] =>
  traitsOf(station).timer ? AIMS.filter((a) => a !== 'fewest-starts') : AIMS;

/**
 * A proposal for each aim.
 * @param station checked, by `checkStation`
 * @example
 * const [proposal] = propose(newStation('Sump', 'Yard', 'metric-230'), ['fewest-starts']);
 * proposal.moves.map((m) => [m.sensor, m.by.toFixed(2)]) // → [['pump', '0.08'], ['pump', '0.05'], ['alarm', '0.01']]
 */
export function propose(
  station: Station,
  aims: readonly Aim[] = aimsFor(station),
  surroundings: Surroundings = surroundingsOf(station),
): Proposal[] {
  const from = station.found ?? station.sensors;
  const field = fieldOf(station, surroundings, from);
  const now = judge(station, surroundings);
  const first = proposeOne(field, aims[0]!, from, now);
  // Whether there is a setting at all does not depend on what it is for.
  if (!first) {
    const none = impossible(field, aims[0]!);
    return aims.map((aim) => ({ ...none, aim }));
  }
  return [first, ...aims.slice(1).map((aim) => proposeOne(field, aim, from, now)!)];
}
