import type { Station } from '../station';
import { countsOf } from './clean';
import type { Expected } from './expected';
import { meterOf } from './meters';
import type { Readings, Span } from './spans';

/** What the pumping takes, and what it costs. */
export interface Energy {
  /** kWh a day, over the time that was looked at. */
  readonly perDay: number;
  /** Read off its own meter, or hours run times what the model says that the motors draw. */
  readonly by: 'meter' | 'hours';
  /** kWh for each m³ that was moved; null where that is not known. */
  readonly perVolume: number | null;
  /** Days that were looked at. */
  readonly days: number;
  /** Money a year at the price that stands in the book; null where none does. */
  readonly costPerYear: number | null;
}

const DAY = 86_400_000;
const HOUR = 3_600_000;
const YEAR = 365.25;
/** No more than the last year is looked at. */
const LATELY = 366 * DAY;

/** kWh between two times by the energy meter; null where it was not read within an hour of both. */
export function meteredIn(readings: Readings, rollsAt: number | null): (from: number, to: number) => number | null {
  const { counts } = countsOf(meterOf('energy', rollsAt)!, readings.energy ?? []);
  let total = 0;
  const at = counts.length === 0 ? [] : [{ at: counts[0]!.from.at, total }];
  for (const c of counts) at.push({ at: c.to.at, total: (total += c.count) });
  const near = (t: number) => at.find((x) => Math.abs(x.at - t) <= HOUR)?.total ?? null;
  return (from, to) => {
    const [a, b] = [near(from), near(to)];
    return a === null || b === null ? null : b - a;
  };
}

/** Water that was moved in a span, m³, by the two equations; null where they do not answer. */
export const movedIn = ({ flows, from, to }: Span): number | null =>
  flows === null ? null : (flows.inflow.value * (to - from)) / 1000;

/**
 * What the pumping of the last year takes: by the energy meter where it was read with the others, else by hours and the model.
 * @param price of a kWh, in whatever money; null: nobody said
 */
export function energyOf(
  station: Station,
  {
    spans,
    expected,
    readings,
    rolls,
  }: {
    readonly spans: readonly Span[];
    readonly expected: Expected;
    readonly readings: Readings;
    readonly rolls: Readonly<Record<string, number>>;
  },
  price: number | null,
): Energy | null {
  const edge = (spans.at(-1)?.to ?? 0) - LATELY;
  const row = spans.filter((s) => s.from >= edge);
  if (row.length === 0) return null;
  const metered = meteredIn(readings, rolls.energy ?? null);
  const each = row.map((s) => ({ s, kWh: metered(s.from, s.to) }));
  const read = each.filter((e) => e.kWh !== null);
  const hours = (s: Span): number | null =>
    s.run.reduce<number | null>((sum, run, i) => {
      const power = expected.powers[i] ?? null;
      return sum === null || power === null ? null : sum + (run * power) / 3.6e6;
    }, 0);
  const by = read.length >= Math.max(1, row.length / 2) ? ('meter' as const) : ('hours' as const);
  const taken =
    by === 'meter'
      ? read.map((e) => ({ s: e.s, kWh: e.kWh! }))
      : row.flatMap((s) => {
          const kWh = hours(s);
          return kWh === null ? [] : [{ s, kWh }];
        });
  const days = taken.reduce((sum, { s }) => sum + (s.to - s.from) / DAY, 0);
  if (days < 1) return null;
  const kWh = taken.reduce((sum, e) => sum + e.kWh, 0);
  const withWater = taken.flatMap(({ s, kWh: used }) => {
    const moved = movedIn(s);
    return moved === null ? [] : [{ used, moved }];
  });
  const moved = withWater.reduce((sum, e) => sum + e.moved, 0);
  return {
    perDay: kWh / days,
    by,
    perVolume: moved > 0 ? withWater.reduce((sum, e) => sum + e.used, 0) / moved : null,
    days,
    costPerYear: price === null ? null : (kWh / days) * YEAR * price,
  };
}
