/** What two meters counted in a time, and the water between the trips. */
export interface Counted {
  /** Volume between the stop and the start, m³; and how surely, one standard deviation. */
  readonly volume: number;
  readonly volumeBy: number;
  /** What runs back from the pipe at each stop, m³. */
  readonly drainback: number;
  /** s */
  readonly time: number;
  /** Of each pump. */
  readonly starts: readonly number[];
  /** Of each pump, s. */
  readonly run: readonly number[];
  /** The last digit of the hour meters, s. */
  readonly step: number;
}

/** A figure with one standard deviation. */
export interface Estimate {
  readonly value: number;
  readonly by: number;
}

export interface Flows {
  /** What comes in from outside; of a tank that is filled, what is drawn; the mean of the time, m³/s. */
  readonly inflow: Estimate;
  /** Of each pump; null of one that did not start. */
  readonly pumps: readonly (Estimate | null)[];
  /** Of each pump, s a start. */
  readonly run: readonly (Estimate | null)[];
}

/** Pumps that rest for less than this share of the time hardly rest. */
const LEAST_REST = 0.1;

/**
 * Inflow and pump flow together from hour meters and start counters, where one pump at a time fills or empties a known volume V:
 * the rests bring n·V of it, less what runs back (q·(T − Σh) = n·(V − d)), and a run of pump i takes V while q comes in (Qᵢ = nᵢ·V/hᵢ + q).
 * Both are balances of water over whole cycles; q is the mean of the time weighted by cycles where it is not steady.
 * Uncertainty after JCGM 100:2008 (GUM), 5.1.2: counts are exact but for the part of a cycle at each end (n ± 1/√6 in a difference of two),
 * hours are read to the last digit at both ends (step/√6), V to the repeatability of the trips.
 * Pumps that ran at the same time are counted twice in Σh: where what is left for rest is less than a tenth of the time that cannot be told from it.
 * @returns null where the pumps hardly rested or none started: then the two equations have no answer
 * @example
 * // 100 starts of 0.2 m³ in a day, 5 h run: 20 m³ came in 19 h of rest, and a run of 180 s takes 0.2 m³ and what comes meanwhile.
 * const f = flowsFrom({ volume: 0.2, volumeBy: 0, drainback: 0, time: 86400, starts: [100], run: [18000], step: 360 });
 * (f.inflow.value * 1e6).toFixed(0) // → '292'
 * (f.pumps[0].value * 1e6).toFixed(0) // → '1404'
 */
export function flowsFrom(of: Counted): Flows | null {
  const starts = of.starts.reduce((a, b) => a + b, 0);
  const ran = of.run.reduce((a, b) => a + b, 0);
  const rest = of.time - ran;
  if (starts === 0 || rest < LEAST_REST * of.time || of.volume <= of.drainback) return null;
  const inflow = (starts * (of.volume - of.drainback)) / rest;
  const part = 1 / Math.sqrt(6);
  const hours = of.step / Math.sqrt(6);
  const inflowBy =
    inflow *
    Math.hypot(part / starts, of.volumeBy / (of.volume - of.drainback), (hours * Math.sqrt(of.run.length)) / rest);
  const pumps = of.starts.map((n, i): Estimate | null => {
    const h = of.run[i]!;
    if (n === 0 || h <= 0) return null;
    const own = (n * of.volume) / h;
    const value = own + inflow;
    // The volume is the same one in both terms: its part is taken of their sum.
    const by = Math.hypot(
      own * Math.hypot(part / n, hours / h),
      inflow * (part / starts),
      (of.volumeBy / of.volume) * value,
    );
    return { value, by };
  });
  const run = of.starts.map((n, i): Estimate | null => {
    const h = of.run[i]!;
    return n === 0 ? null : { value: h / n, by: Math.hypot(hours / n, (h / n) * (part / n)) };
  });
  return { inflow: { value: inflow, by: inflowBy }, pumps, run };
}
