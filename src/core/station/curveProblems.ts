import { phrase, quantity, type Phrase } from '../units';
import type { CurvePoint } from './schema';

/**
 * What keeps a list of points from being a pump curve: it must begin at shut-off (no flow), run in order of
 * rising flow, and fall in head at every point.
 */
export function curveProblems(points: readonly CurvePoint[]): { index: number; sentence: Phrase }[] {
  const problems: { index: number; sentence: Phrase }[] = [];
  const first = points[0];
  if (first && first.flow !== 0) {
    problems.push({
      index: 0,
      sentence: phrase`the curve begins at ${quantity('flow', first.flow)}: its first point must be shut-off, at no flow`,
    });
  }
  for (let i = 1; i < points.length; i++) {
    const a = points[i - 1]!;
    const b = points[i]!;
    if (b.flow <= a.flow) {
      problems.push({
        index: i,
        sentence: phrase`point ${String(i + 1)} has a flow of ${quantity('flow', b.flow)}, not more than the ${quantity('flow', a.flow)} of the point before: points run in order of rising flow`,
      });
    } else if (b.head >= a.head) {
      problems.push({
        index: i,
        sentence: phrase`the curve rises or crosses at point ${String(i + 1)}: ${quantity('head', b.head)} of head is not less than the ${quantity('head', a.head)} before it`,
      });
    }
  }
  return problems;
}
