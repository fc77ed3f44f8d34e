import type { Pipe } from './pipeline';

/** A line cut in two at a distance. */
export interface Cut {
  readonly before: readonly Pipe[];
  readonly after: readonly Pipe[];
  /** The length that the cut goes through, whose fittings are shared out by length; null where it falls between two. */
  readonly through: Pipe | null;
}

/**
 * Cuts a line `along` m from its beginning. Fittings stay on the side that their length is on; of a length that is cut through nobody said
 * where its fittings sit, and they are shared out by length.
 */
export function cutAt(segments: readonly Pipe[], along: number): Cut {
  const before: Pipe[] = [];
  const after: Pipe[] = [];
  let through: Pipe | null = null;
  let from = 0;
  for (const s of segments) {
    const share = Math.min(Math.max((along - from) / s.length, 0), 1);
    const part = (of: number): Pipe => ({
      ...s,
      length: s.length * of,
      fittings: s.fittings.map((f) => ({ ...f, k: f.k * of })),
    });
    if (share === 1) before.push(s);
    else if (share === 0) after.push(s);
    else {
      before.push(part(share));
      after.push(part(1 - share));
      if (s.fittings.some((f) => f.k * f.count > 0)) through = s;
    }
    from += s.length;
  }
  return { before, after, through };
}
