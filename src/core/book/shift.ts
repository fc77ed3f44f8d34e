import { changesIn, median, spreadOf, trendOf } from '../numeric';

/** Two stretches of a row of figures: the first as it was, the last as it is now. */
export interface Shift {
  /** The place at which what was before ends. */
  readonly at: number;
  readonly before: number;
  readonly after: number;
  /** after − before, and its standard deviation. */
  readonly by: number;
  readonly deviation: number;
  /** Chance that it comes by chance. */
  readonly chance: number;
}

/** Figures on each side of a change; fewer say nothing of it. */
export const EACH_SIDE = 3;

/** How far neighbouring figures lie apart by chance, as a standard deviation: neither a trend nor a step counts in it. */
export function noiseOf(values: readonly number[]): number {
  const steps = values.slice(1).map((v, i) => v - values[i]!);
  return spreadOf([...steps, ...steps.map((s) => -s)]) / Math.SQRT2;
}

/** Standard deviation of the median of n normal figures of deviation s, for n not very small. */
const ofMedian = (s: number, n: number): number => (1.2533 * s) / Math.sqrt(n);

/** What two stretches come to, cut at a place. */
export function shiftAt(values: readonly number[], at: number, end = values.length): Shift {
  const [a, b] = [values.slice(0, at), values.slice(end === values.length ? at : end)];
  const [before, after] = [median(a), median(b)];
  const noise = noiseOf(values);
  const deviation = Math.hypot(
    ofMedian(Math.max(noise, spreadOf(a)), a.length),
    ofMedian(Math.max(noise, spreadOf(b)), b.length),
  );
  const z = Math.abs(after - before) / Math.max(deviation, 1e-9);
  return { at, before, after, by: after - before, deviation, chance: Math.exp((-z * z) / 2) };
}

/** How much of the noise a change must save for each doubling of the row. */
const PRICE = 2.5;

/**
 * Whether a row of figures ends otherwise than it began: the first and the last stretch of its cheapest cut; a slow drift comes out as steps.
 * @param least the noise is taken to be no less than this: figures have no more digits
 * @returns null where it is all one stretch, or there are too few
 */
export function shiftIn(values: readonly number[], least: number): Shift | null {
  if (values.length < 2 * EACH_SIDE) return null;
  const noise = Math.max(noiseOf(values), least);
  const cuts = changesIn(values, PRICE * noise * Math.log2(values.length), EACH_SIDE);
  if (cuts.length === 0) return null;
  const shift = shiftAt(values, cuts[0]!, cuts.at(-1)!);
  const trend = trendOf(values.map((v, i) => [i, v] as const));
  return { ...shift, chance: Math.min(shift.chance, trend?.chance ?? 1) };
}
