import type { Station } from '../station';
import { vesselOf } from '../vessel';

/** One drawdown: where the water stood from the rim down as the pump started and stopped, and how it rose again. m and s */
export interface DrawdownRun {
  readonly from: number;
  readonly to: number;
  readonly seconds: number;
  /** How far it rose by itself, the pump off, and in how long; 0: it was not measured. */
  readonly rise: number;
  readonly riseSeconds: number;
}

export type DrawdownFlow =
  | {
      readonly ok: true;
      /** Of the pump, m³/s, the mean of all runs; of what came in meanwhile, null where no run measured it; and how fast the water fell, m/s. */
      readonly flow: number;
      readonly inflow: number | null;
      readonly rate: number;
      /** How surely, as a share, and what most of it comes from. */
      readonly share: number;
      readonly mostly: string;
      readonly runs: number;
      /** How far runs lie apart, as a share of their mean. */
      readonly apart: number;
    }
  | { readonly ok: false; readonly reason: string };

/** A level read with a tape, m; a watch in the hand, s; the area as surveyed. */
const TAPE = 0.005;
const WATCH = 1;
const AREA = 0.05;

/**
 * Flow of a pump from how far it draws the water down: what left the vessel, and what came in meanwhile, which the rise after it tells:
 * Q = (V₁ − V₂)/t + q. Errors of tape, watch and area are taken as independent (JCGM 100:2008, 5.1.2).
 * @param runs at least one; their mean is told
 * @example
 * const box = newStation('Sump', 'Yard', 'metric-230');
 * drawdownFlow(box, [{ from: 0.5, to: 0.5, seconds: 60, rise: 0, riseSeconds: 0 }]).ok // → false
 */
export function drawdownFlow(station: Pick<Station, 'vessel'>, runs: readonly DrawdownRun[]): DrawdownFlow {
  if (runs.length === 0)
    return { ok: false, reason: 'Needs where the water stood at start and stop, and the time between.' };
  const vessel = vesselOf(station.vessel);
  const volume = (rimDown: number) => vessel.volume(Math.min(Math.max(vessel.depth - rimDown, 0), vessel.depth));
  const each = runs.map(({ from, to, seconds, rise, riseSeconds }) => {
    const left = volume(from) - volume(to);
    const inflow = riseSeconds > 0 ? (volume(to - rise) - volume(to)) / riseSeconds : 0;
    return { fell: to - from, left, inflow, flow: left / seconds + inflow, seconds };
  });
  const wrong = each.find((r) => r.fell <= 0);
  if (wrong)
    return { ok: false, reason: 'The water did not fall: from the rim down the second figure is the greater.' };
  const mean = (of: (r: (typeof each)[number]) => number) => each.reduce((s, r) => s + of(r), 0) / each.length;
  const flow = mean((r) => r.flow);
  // Errors of single runs fall with their number; that of the area does not.
  const many = Math.sqrt(each.length);
  const parts: Readonly<Record<string, number>> = {
    'the tape': (Math.SQRT2 * TAPE) / mean((r) => r.fell) / many,
    'the watch': WATCH / mean((r) => r.seconds) / many,
    'area as surveyed': AREA,
  };
  const mostly = Object.entries(parts).reduce((a, b) => (b[1] > a[1] ? b : a))[0];
  return {
    ok: true,
    flow,
    inflow: runs.some((r) => r.riseSeconds > 0) ? mean((r) => r.inflow) : null,
    rate: mean((r) => r.fell / r.seconds),
    share: Math.hypot(...Object.values(parts)),
    mostly,
    runs: each.length,
    apart: flow > 0 ? (Math.max(...each.map((r) => r.flow)) - Math.min(...each.map((r) => r.flow))) / flow : 0,
  };
}
