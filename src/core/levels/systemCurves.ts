import { brentRoot } from '../numeric';
import type { LevelContext } from './context';
import type { MarkName } from '../sensors';

interface Point {
  readonly flow: number;
  readonly head: number;
}

/** Pumps and pipe in one picture, where the risers join; m³/s and m. */
export interface SystemCurves {
  /** What so many pumps give together, each less the loss of its own riser. */
  readonly pumps: readonly { readonly running: number; readonly points: readonly Point[] }[];
  /** What the shared line asks for with the water at a level. */
  readonly systems: readonly { readonly at: MarkName; readonly level: number; readonly points: readonly Point[] }[];
  /** Where they agree: as many pumps as are called at that level. */
  readonly duties: readonly (Point & { readonly at: MarkName; readonly running: number })[];
  /** Head of the first pump at no flow, and the last point of its curve: shut-off and run-out. */
  readonly shutOff: Point;
  readonly runOut: Point;
}

const POINTS = 33;

/** Flow of one pump at a head where the risers join, m³/s: nothing above its shut-off, its last point below that. */
function flowAtJoint(
  curve: { readonly to: number; at(q: number): number },
  riser: (q: number) => number,
  head: number,
): number {
  const surplus = (q: number) => curve.at(q) - riser(q) - head;
  if (surplus(0) <= 0) return 0;
  return surplus(curve.to) >= 0 ? curve.to : brentRoot(surplus, 0, curve.to, 1e-9);
}

/** Curve and system at the stop, the start and each further call, with one, two, three pumps: what a chart of them shows. */
export function systemCurves({ hydraulics, calls, stop }: LevelContext): SystemCurves {
  const { curves, risers } = hydraulics;
  const most = Math.max(...curves.map((c) => c.at(0)));
  const heads = Array.from({ length: POINTS }, (_, i) => (most * (POINTS - 1 - i)) / (POINTS - 1));
  const flows = curves.map((c, i) => heads.map((h) => flowAtJoint(c, (q) => risers[i]!.friction(q), h)));
  const pumps = Array.from({ length: hydraulics.count }, (_, k) => ({
    running: k + 1,
    // Below its run-out a curve is not known: the line ends there.
    points: heads
      .map((head, j) => ({ head, flow: flows.slice(0, k + 1).reduce((sum, f) => sum + f[j]!, 0) }))
      .filter((_, j) => j === 0 || flows.slice(0, k + 1).some((f) => f[j]! > f[j - 1]!)),
  }));
  const end = Math.max(...pumps.flatMap((p) => p.points.map((x) => x.flow))) * 1.02;
  const names = (['lead', 'lag', 'lag2'] as const).slice(0, calls.length);
  const levels: { at: MarkName; level: number }[] = [
    { at: 'stop', level: stop },
    ...names.map((at, i) => ({ at, level: calls[i]! })),
  ];
  const systems = levels.map(({ at, level }) => ({
    at,
    level,
    points: Array.from({ length: POINTS }, (_, i) => ({
      flow: (end * i) / (POINTS - 1),
      head: hydraulics.jointHead((end * i) / (POINTS - 1), level),
    })).filter((p) => p.head <= most * 1.1),
  }));
  const duties = levels.flatMap(({ at, level }, i) => {
    const running = Math.max(i, 1);
    const point = hydraulics.at(level, running);
    return point.ok && point.pumps.length > 0
      ? [{ at, running, flow: point.flow, head: hydraulics.jointHead(point.flow, level) }]
      : [];
  });
  const first = curves[0]!;
  return {
    pumps,
    systems,
    duties,
    shutOff: { flow: 0, head: first.at(0) },
    runOut: { flow: first.to, head: first.at(first.to) },
  };
}
