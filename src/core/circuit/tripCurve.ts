import type { TripCurve } from './netlist';

/**
 * How long a current flows before a device opens, s; 0: at once; Infinity: it never does. A body that loses heat as it warms, cold at the
 * start: t = τ · ln(I² / (I² − I₀²)), with I₀ the current that just opens it in the end (IEC 60255-149, thermal characteristic).
 * @param current A @param opens I₀, A
 */
export function tripTime(current: number, opens: number, { constant, instant }: TripCurve): number {
  if (current >= instant) return 0;
  if (current <= opens) return Infinity;
  const square = current * current;
  return constant * Math.log(square / (square - opens * opens));
}

/** Classes of overload relays that there are: at 7.2 times its setting one opens in no more than so many seconds (IEC 60947-4-1, table 2). */
export const OVERLOAD_CLASSES = [5, 10, 20, 30] as const;
export type OverloadClass = (typeof OVERLOAD_CLASSES)[number];

/** Where between its limits of 1.05 and 1.2 times its setting an overload relay opens in the end. */
const OVERLOAD_OPENS = 1.15;
/** It opens in this share of the time that its class allows. */
const OF_CLASS = 0.8;

/** Of an overload relay set to so many amperes: the current that opens it in the end, A, and its curve. It never opens at once. */
export function overloadCurve(setting: number, of: OverloadClass): { above: number; curve: TripCurve } {
  const [square, opens] = [7.2 ** 2, OVERLOAD_OPENS ** 2];
  return {
    above: OVERLOAD_OPENS * setting,
    curve: { constant: (OF_CLASS * of) / Math.log(square / (square - opens)), instant: Infinity },
  };
}

/** The time constant of the bimetal of a miniature breaker, s: at 2.55 times its rating it opens in some 35 s, which must lie between 1 and 60 (IEC 60898-1, table 7). */
const BIMETAL = 120;
/** What opens a breaker, and a fuse, in the end, in times their rating: between 1.13 and 1.45 (IEC 60898-1); between 1.25 and 1.6 (IEC 60269-1, gG). */
const OPENS = { breaker: 1.3, fuse: 1.45 } as const;

/** Of a breaker or fuse: the current that opens it in the end, A, and its curve; at once at so many times its rating. */
export function breakerCurve(
  rating: number,
  atOnce: number,
  kind: keyof typeof OPENS = 'breaker',
): { above: number; curve: TripCurve } {
  return { above: OPENS[kind] * rating, curve: { constant: BIMETAL, instant: atOnce * rating } };
}
