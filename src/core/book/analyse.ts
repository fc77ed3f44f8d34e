import type { Station } from '../station';
import { swapped, type Doubt, type Reading } from './clean';
import { energyOf, type Energy } from './energy';
import { expectedOf, type Expected } from './expected';
import type { Evidence, Finding, FindingKind, NotAsked } from './finding';
import { alarmFindings, doseFindings } from './findings/counts';
import { energyFindings } from './findings/energy';
import { flowFindings } from './findings/flows';
import { rainFindings } from './findings/rain';
import { runFindings } from './findings/runs';
import { standingFindings } from './findings/standing';
import { turnFindings } from './findings/turns';
import { meterOf, type Meter } from './meters';
import { spansOf, type Readings, type Span } from './spans';

/** What is known of a station from its book. */
export interface BookInput {
  readonly station: Station;
  readonly readings: Readings;
  /** Where meters roll over, by their ids. */
  readonly rolls?: Readonly<Record<string, number>>;
  /** When the alarm rang, ms since 1970. */
  readonly alarms: readonly number[];
  /** Of a kWh, in whatever money; null or left out: nobody said. */
  readonly price?: number | null;
}

export interface Analysis {
  readonly expected: Expected;
  readonly spans: readonly Span[];
  /** The likeliest first. */
  readonly findings: readonly Finding[];
  /** What was not asked, and what is wanted for it; none of it is found well. */
  readonly notAsked: readonly NotAsked[];
  /** What was asked of them; where nothing stands out, it is of this. */
  readonly asked: readonly FindingKind[];
  /** Readings that do not fit those about them, to be asked about. */
  readonly doubts: readonly { readonly meter: Meter; readonly doubt: Doubt }[];
  /** Readings that make sense the other way round. */
  readonly energy: Energy | null;
  readonly swaps: readonly {
    readonly meters: readonly [Meter, Meter];
    readonly readings: readonly [Reading, Reading];
  }[];
}

const ASK = [
  standingFindings,
  flowFindings,
  turnFindings,
  runFindings,
  rainFindings,
  doseFindings,
  alarmFindings,
  energyFindings,
];

/** A pump that gives less runs longer: that is one finding. */
const once = (findings: readonly Finding[]): Finding[] =>
  findings.filter(
    (f) => f.kind !== 'runs-longer' || !findings.some((x) => x.kind === 'pump-weaker' && x.pump === f.pump),
  );

/**
 * What the readings of a station mean: flows by span, findings each with its chance and what to check, and what was not asked.
 * @example
 * analyse({ station: newStation('Sump', 'Yard', 'metric-230'), readings: {}, alarms: [] }).findings.length // → 0
 */
export function analyse({ station, readings, rolls = {}, alarms, price = null }: BookInput): Analysis {
  const expected = expectedOf(station);
  const { spans, doubts } = spansOf(station, expected, readings, rolls);
  const times = [...Object.values(readings).flatMap((list) => list.map((r) => r.at)), ...alarms];
  const evidence: Evidence = {
    station,
    expected,
    spans,
    readings,
    rolls,
    alarms,
    from: times.reduce((a, b) => Math.min(a, b), Infinity),
    to: times.reduce((a, b) => Math.max(a, b), -Infinity),
  };
  const told = times.length === 0 ? [] : ASK.map((ask) => ask(evidence));
  const pairs = station.pumps.flatMap((_, i) => {
    const two = (['starts', 'hours'] as const).map((kind) => {
      const meter = meterOf(`${kind}-${i + 1}`, rolls[`${kind}-${i + 1}`] ?? null)!;
      return {
        meter,
        readings: readings[meter.id] ?? [],
        doubts: doubts.filter((d) => d.meter.id === meter.id).map((d) => d.doubt),
      };
    });
    return swapped(two[0]!, two[1]!).map((pair) => ({
      meters: [two[0]!.meter, two[1]!.meter] as const,
      readings: pair,
    }));
  });
  return {
    expected,
    spans,
    findings: once(told.flatMap((t) => t.findings)).sort((a, b) => a.chance - b.chance),
    notAsked: told.flatMap((t) => t.notAsked),
    asked: told.flatMap((t) => t.asked),
    doubts,
    energy: energyOf(station, { spans, expected, readings, rolls }, price),
    swaps: pairs,
  };
}
