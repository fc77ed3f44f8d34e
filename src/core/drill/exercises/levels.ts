import { BY_FLOATS, judge, summaryOf, type RuleId } from '../../levels';
import { randomFrom } from '../../numeric';
import { account, readyScenarios, type Scenario } from '../../rehearsal';
import { kindOf } from '../../sensors';
import { checkStation, type Station } from '../../station';
import { vesselOf } from '../../vessel';

/** A float is found so far from where it was, at most, as a share of the depth. */
const FAR = 0.3;
const TRIES = 60;

const brokenOf = (station: Station) =>
  judge(station).rules.filter((r) => BY_FLOATS.has(r.id) && (r.state === 'broken' || r.state === 'unknown'));

/**
 * The floats as they are found: each moved up or down its pole, so that rules are broken that floats can be set by. The same by the same seed.
 * @returns null where no such place was found
 */
export function levelsFound(station: Station, seed: number): Station | null {
  const random = randomFrom(seed);
  const { depth } = vesselOf(station.vessel);
  const before = brokenOf(station).length;
  for (let n = 0; n < TRIES; n++) {
    const sensors = station.sensors.map((s) => {
      const kind = kindOf(s);
      const [low, high] = kind.extent(s);
      const by = (random.even() - 0.5) * 2 * FAR * depth;
      return kind.moved(s, Math.round(1000 * Math.min(Math.max(by, -low), depth - high)) / 1000);
    });
    const found = checkStation({ ...station, sensors });
    if (found.ok && brokenOf(found.station).length > before) return found.station;
  }
  return null;
}

/** How levels that were set stand: rules that floats can be set by and that are broken, and what the storm does over them. */
export interface LevelsScore {
  readonly broken: readonly { readonly id: RuleId; readonly title: string }[];
  readonly tight: number;
  /** Null where it cannot be rehearsed. */
  readonly storm: {
    readonly name: string;
    /** m³ over the top; s of a pump in air; s of alarm. */
    readonly over: number;
    readonly dry: number;
    readonly alarm: number;
    readonly starts: number;
  } | null;
}

/** The storm of the survey, or where none was surveyed the peak. */
const stormOf = (station: Station): Scenario | undefined => {
  const all = readyScenarios(station);
  return all.find((s) => s.name === 'the storm of the survey') ?? all.find((s) => s.name === 'two hours at peak');
};

/** How levels stand by the rules, and when the storm has run over them. */
export function levelsScore(station: Station): LevelsScore {
  const { rules } = judge(station);
  const scenario = stormOf(station);
  const ran = scenario && account(station, scenario);
  return {
    broken: brokenOf(station).map(({ id, title }) => ({ id, title })),
    tight: summaryOf(rules).tight,
    storm: ran?.ok
      ? {
          name: scenario!.name,
          over: ran.account.balance.overflow,
          dry: ran.account.dryRunTime,
          alarm: ran.account.alarmTime,
          starts: ran.account.pumps.reduce((n, p) => n + p.starts, 0),
        }
      : null,
  };
}
