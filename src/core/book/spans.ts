import type { Station } from '../station';
import { countsOf, type Doubt, type Reading } from './clean';
import { notByEquations, type Expected } from './expected';
import { flowsFrom, type Flows } from './flows';
import { METER_KINDS, meterOf, type Meter } from './meters';

/** All that was read of a station’s meters, by the meter’s id. */
export type Readings = Readonly<Record<string, readonly Reading[]>>;

/** The time from one visit to the next at which every hour meter and start counter was read. */
export interface Span {
  /** ms since 1970 */
  readonly from: number;
  readonly to: number;
  readonly starts: readonly number[];
  /** s */
  readonly run: readonly number[];
  readonly flows: Flows | null;
  /** Rain of the time, mm; null where nobody read it. */
  readonly rain: number | null;
}

const HOUR = 3_600_000;
/** Meters read within this of one another were read at one visit. */
const VISIT = HOUR;
/** Spans are no shorter than this, nor so short that there are more than so many: what is logged more often is taken together. */
const SHORTEST = 20 * HOUR;
const MOST = 80;

/** What a meter has counted in all by each reading that fits. */
function totals(counts: ReturnType<typeof countsOf>['counts']): { at: number; total: number }[] {
  let total = 0;
  return counts.length === 0
    ? []
    : [{ at: counts[0]!.from.at, total: 0 }, ...counts.map((c) => ({ at: c.to.at, total: (total += c.count) }))];
}

const nearest = (list: readonly { at: number; total: number }[], at: number) => {
  let [low, high] = [0, list.length];
  while (low < high) {
    const mid = (low + high) >> 1;
    if (list[mid]!.at < at) low = mid + 1;
    else high = mid;
  }
  return [list[low - 1], list[low]]
    .filter((x) => x !== undefined && Math.abs(x.at - at) <= VISIT)
    .sort((a, b) => Math.abs(a!.at - at) - Math.abs(b!.at - at))[0];
};

/** Meters of the pumps, and what of their readings does not fit. */
export interface SpansOf {
  readonly spans: readonly Span[];
  readonly doubts: readonly { readonly meter: Meter; readonly doubt: Doubt }[];
}

/**
 * Spans between visits, what was counted in them, and what flows that comes to.
 * @param rolls where meters roll over, by their ids
 */
export function spansOf(
  station: Station,
  expected: Expected,
  readings: Readings,
  rolls: Readonly<Record<string, number>> = {},
): SpansOf {
  const meters = station.pumps.flatMap((_, i) =>
    (['starts', 'hours'] as const).map((kind) => meterOf(`${kind}-${i + 1}`, rolls[`${kind}-${i + 1}`] ?? null)!),
  );
  const read = meters.map((meter) => ({ meter, ...countsOf(meter, readings[meter.id] ?? []) }));
  const doubts = read.flatMap((r) => r.doubts.map((doubt) => ({ meter: r.meter, doubt })));
  const sums = read.map((r) => totals(r.counts));
  const first = sums[0] ?? [];
  const shortest = Math.max(SHORTEST, ((first.at(-1)?.at ?? 0) - (first[0]?.at ?? 0)) / MOST);
  const visits: { at: number; totals: number[] }[] = [];
  for (const { at, total } of first) {
    const last = visits.at(-1);
    if (last && at - last.at < shortest) continue;
    const others = sums.slice(1).map((s) => nearest(s, at)?.total);
    if (others.every((t) => t !== undefined)) visits.push({ at, totals: [total, ...others] });
  }
  const rain = [...(readings.rain ?? [])].sort((a, b) => a.at - b.at);
  const speaks = notByEquations(station) === null;
  const spans = visits.slice(1).map((to, k): Span => {
    const from = visits[k]!;
    const counted = to.totals.map((t, i) => t - from.totals[i]!);
    const starts = station.pumps.map((_, i) => Math.round(counted[2 * i]!));
    const run = station.pumps.map((_, i) => counted[2 * i + 1]! * 3600);
    const fell = rain.filter((r) => r.at > from.at + VISIT && r.at <= to.at + VISIT);
    return {
      from: from.at,
      to: to.at,
      starts,
      run,
      rain: fell.length > 0 ? fell.reduce((sum, r) => sum + r.value, 0) : null,
      flows: speaks
        ? flowsFrom({
            volume: expected.volume,
            volumeBy: expected.volumeBy,
            drainback: expected.drainback,
            time: (to.at - from.at) / 1000,
            starts,
            run,
            step: METER_KINDS.hours.step * 3600,
          })
        : null,
    };
  });
  return { spans, doubts };
}
