import { kindOfMeter, type Meter } from './meters';

/** What stood on a meter. */
export interface Reading {
  readonly id: number;
  /** ms since 1970 */
  readonly at: number;
  /** In the units of its dial. */
  readonly value: number;
  /** The meter was replaced when this was read: where the new one began. */
  readonly newFrom?: number | null;
}

/** What a meter counted from one reading to the next. */
export interface Count {
  readonly from: Reading;
  readonly to: Reading;
  /** In the units of its dial. */
  readonly count: number;
  readonly rolled: boolean;
}

/** A reading that does not fit those about it. */
export interface Doubt {
  readonly reading: Reading;
  readonly why: 'backwards' | 'too much' | 'twice';
}

const HOUR = 3_600_000;

/** A clock that was changed, and reading one meter a few minutes after another, may bring so much more than the time allows, hours. */
const SLACK = 1.1;
/** What a panel itself sends is late by no more than this, hours. */
const BY_ITSELF = 0.05;

/**
 * What was counted from one reading to another, rolled over where only that explains it; null where the two cannot both be right.
 * A dial that fell has rolled over only where it was near its end and is near its beginning.
 */
function between(
  meter: Meter,
  a: Omit<Reading, 'id'>,
  b: Omit<Reading, 'id'>,
  slack = SLACK,
): { count: number; rolled: boolean } | Doubt['why'] {
  const { perHour, step } = kindOfMeter(meter);
  const from = a.newFrom ?? a.value;
  const most = perHour === null ? Infinity : ((b.at - a.at) / HOUR + slack) * perHour + step;
  const plain = b.value - from;
  if (plain >= -step / 2) return plain <= most ? { count: Math.max(plain, 0), rolled: false } : 'too much';
  if (meter.rollsAt === null) return 'backwards';
  const rolled = plain + meter.rollsAt;
  return rolled >= 0 && rolled <= Math.min(most, meter.rollsAt / 2) ? { count: rolled, rolled: true } : 'backwards';
}

/**
 * Whether one figure of a counting meter can follow another, where both came by themselves and nobody's watch is in between.
 * @example follows({ id: 'starts-1', kind: 'starts', pump: 0, rollsAt: null }, { at: 0, value: 5 }, { at: 10_000, value: 900 }) // → false
 */
export const follows = (meter: Meter, a: Omit<Reading, 'id'>, b: Omit<Reading, 'id'>): boolean =>
  typeof between(meter, a, b, BY_ITSELF) === 'object';

/**
 * What a counting meter counted, reading by reading, and the readings that do not fit. Kept is the longest row of readings of which each can
 * follow the one before: so one wrong figure, too high or too low, is the one that is doubted, and not all that come after it.
 * Readings in any order; the same figure at the same time is one reading.
 */
export function countsOf(meter: Meter, readings: readonly Reading[]): { counts: Count[]; doubts: Doubt[] } {
  const sorted = [...readings].sort((a, b) => a.at - b.at || a.id - b.id);
  const doubts: Doubt[] = [];
  const once = sorted.filter((r, i) => {
    const before = sorted[i - 1];
    if (before?.at !== r.at) return true;
    if (before.value !== r.value) doubts.push({ reading: r, why: 'twice' });
    return false;
  });
  // Far back a reading need not be looked for: a row that is long enough there is long enough here.
  const BACK = 40;
  const length: number[] = [];
  const before: number[] = [];
  for (const [i, r] of once.entries()) {
    length[i] = 1;
    before[i] = -1;
    for (let j = i - 1; j >= Math.max(0, i - BACK); j--)
      if (length[j]! + 1 > length[i] && typeof between(meter, once[j]!, r) === 'object') {
        length[i] = length[j]! + 1;
        before[i] = j;
      }
  }
  const kept = new Set<number>();
  for (let i = length.lastIndexOf(Math.max(0, ...length)); i >= 0; i = before[i]!) kept.add(i);
  const row = once.filter((_, i) => kept.has(i));
  for (const [i, r] of once.entries()) {
    if (kept.has(i)) continue;
    const last = once.slice(0, i).findLast((_, j) => kept.has(j)) ?? null;
    const way = last ? between(meter, last, r) : 'too much';
    doubts.push({ reading: r, why: typeof way === 'string' ? way : 'too much' });
  }
  const counts = row.slice(1).map((to, i): Count => {
    const from = row[i]!;
    return { from, to, ...(between(meter, from, to) as { count: number; rolled: boolean }) };
  });
  return { counts, doubts: doubts.sort((a, b) => a.reading.at - b.reading.at) };
}

/**
 * Two meters whose figures at one time make sense only the other way round: typed in one another’s fields.
 * @returns pairs of readings to be asked about
 */
export function swapped(
  a: { meter: Meter; readings: readonly Reading[]; doubts: readonly Doubt[] },
  b: { meter: Meter; readings: readonly Reading[]; doubts: readonly Doubt[] },
): (readonly [Reading, Reading])[] {
  const fits = (of: typeof a, at: Reading, value: number) => {
    const others = of.readings.filter((r) => r.at !== at.at && !of.doubts.some((d) => d.reading === r));
    const last = others.filter((r) => r.at < at.at).sort((x, y) => y.at - x.at)[0];
    const next = others.filter((r) => r.at > at.at).sort((x, y) => x.at - y.at)[0];
    const put = { ...at, value };
    return (
      (last !== undefined || next !== undefined) &&
      (!last || typeof between(of.meter, last, put) === 'object') &&
      (!next || typeof between(of.meter, put, next) === 'object')
    );
  };
  const near = (x: Reading, y: Reading) => Math.abs(x.at - y.at) < HOUR;
  const pairs = [
    ...a.doubts.flatMap((d) => b.readings.filter((y) => near(d.reading, y)).map((y) => [d.reading, y] as const)),
    ...b.doubts.flatMap((d) => a.readings.filter((x) => near(x, d.reading)).map((x) => [x, d.reading] as const)),
  ];
  return pairs
    .filter(([x, y], i) => pairs.findIndex(([p, q]) => p === x && q === y) === i)
    .filter(([x, y]) => x.value !== y.value && fits(a, x, y.value) && fits(b, y, x.value));
}
