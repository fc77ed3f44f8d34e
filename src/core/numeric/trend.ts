/** Middle of a list; of an even one the mean of the two middle ones. NaN of none. */
export function median(list: readonly number[]): number {
  if (list.length === 0) return NaN;
  const sorted = [...list].sort((a, b) => a - b);
  const half = sorted.length >> 1;
  return sorted.length % 2 === 1 ? sorted[half]! : (sorted[half - 1]! + sorted[half]!) / 2;
}

/** Median distance from the median, as a standard deviation would be of normal figures (× 1.4826; Hampel, J. Am. Stat. Assoc. 69 (1974), p. 383). */
export function spreadOf(list: readonly number[]): number {
  const middle = median(list);
  return 1.4826 * median(list.map((x) => Math.abs(x - middle)));
}

export interface Trend {
  /** Change of y for one of x. */
  readonly slope: number;
  /** Chance that so much of a trend comes by chance, both ways. */
  readonly chance: number;
}

/** Chance that a normal figure is further from 0 than z, either way: Abramowitz and Stegun (1964), 7.1.26, to 1.5e-7. */
export function beyond(z: number): number {
  const x = Math.abs(z) / Math.SQRT2;
  const t = 1 / (1 + 0.3275911 * x);
  const poly = ((((1.061405429 * t - 1.453152027) * t + 1.421413741) * t - 0.284496736) * t + 0.254829592) * t;
  return poly * Math.exp(-x * x);
}

/**
 * The trend of figures that holds though up to 29 % of them are wrong: slope by Theil and Sen (P. K. Sen, J. Am. Stat. Assoc. 63 (1968),
 * p. 1379), the median of the slopes of all pairs; chance by Mann and Kendall (M. G. Kendall, "Rank Correlation Methods", 1975), with ties.
 * @param points by x; fewer than four say nothing
 */
export function trendOf(points: readonly (readonly [x: number, y: number])[]): Trend | null {
  if (points.length < 4) return null;
  const slopes: number[] = [];
  let s = 0;
  for (const [i, a] of points.entries())
    for (const b of points.slice(i + 1)) {
      if (b[0] !== a[0]) slopes.push((b[1] - a[1]) / (b[0] - a[0]));
      s += Math.sign(b[0] - a[0]) * Math.sign(b[1] - a[1]);
    }
  const n = points.length;
  const ties = new Map<number, number>();
  for (const [, y] of points) ties.set(y, (ties.get(y) ?? 0) + 1);
  const tied = [...ties.values()].reduce((sum, t) => sum + t * (t - 1) * (2 * t + 5), 0);
  const variance = (n * (n - 1) * (2 * n + 5) - tied) / 18;
  const z = variance === 0 || s === 0 ? 0 : (s - Math.sign(s)) / Math.sqrt(variance);
  return { slope: median(slopes), chance: beyond(z) };
}
