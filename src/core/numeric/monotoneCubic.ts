/** A curve through points that never overshoots them, defined only between its first and last x. */
export interface MonotoneCubic {
  readonly from: number;
  readonly to: number;
  /** Value at x in [from, to]. @throws RangeError outside: there is no extrapolation. */
  at(x: number): number;
}

function endSlope(h0: number, h1: number, d0: number, d1: number): number {
  const s = ((2 * h0 + h1) * d0 - h0 * d1) / (h0 + h1);
  if (s * d0 <= 0) return 0;
  return d0 * d1 < 0 && Math.abs(s) > 3 * Math.abs(d0) ? 3 * d0 : s;
}

/**
 * Shape-preserving piecewise cubic Hermite interpolation: monotone where the points are monotone,
 * passing through each of them, with a continuous slope.
 *
 * Source: F. N. Fritsch and J. Butland, "A method for constructing local monotone piecewise cubic
 * interpolants", SIAM J. Sci. Stat. Comput. 5 (1984) 300–304 (weighted harmonic mean of the slopes).
 *
 * @param xs strictly increasing, two or more
 * @param ys as many as xs
 */
export function monotoneCubic(xs: readonly number[], ys: readonly number[]): MonotoneCubic {
  const n = xs.length;
  if (n < 2 || ys.length !== n) throw new RangeError('two or more points are needed');
  const h: number[] = [];
  const d: number[] = [];
  for (let i = 0; i + 1 < n; i++) {
    h.push(xs[i + 1]! - xs[i]!);
    if (!(h[i]! > 0)) throw new RangeError('x must increase');
    d.push((ys[i + 1]! - ys[i]!) / h[i]!);
  }
  const slope: number[] = new Array<number>(n).fill(d[0]!);
  if (n > 2) {
    for (let i = 1; i + 1 < n; i++) {
      const before = d[i - 1]!;
      const after = d[i]!;
      if (before * after <= 0) {
        slope[i] = 0;
        continue;
      }
      const w1 = 2 * h[i]! + h[i - 1]!;
      const w2 = h[i]! + 2 * h[i - 1]!;
      slope[i] = (w1 + w2) / (w1 / before + w2 / after);
    }
    slope[0] = endSlope(h[0]!, h[1]!, d[0]!, d[1]!);
    slope[n - 1] = endSlope(h[n - 2]!, h[n - 3]!, d[n - 2]!, d[n - 3]!);
  }
  const from = xs[0]!;
  const to = xs[n - 1]!;
  return {
    from,
    to,
    at(x) {
      if (!(x >= from && x <= to)) throw new RangeError(`${x} is outside the curve (${from} to ${to})`);
      let lo = 0;
      let hi = n - 1;
      while (hi - lo > 1) {
        const mid = (lo + hi) >> 1;
        if (xs[mid]! <= x) lo = mid;
        else hi = mid;
      }
      const t = (x - xs[lo]!) / h[lo]!;
      const u = 1 - t;
      return (
        ys[lo]! * (1 + 2 * t) * u * u +
        h[lo]! * slope[lo]! * t * u * u +
        ys[hi]! * t * t * (3 - 2 * t) -
        h[lo]! * slope[hi]! * t * t * u
      );
    },
  };
}
