/**
 * Root of a continuous function in a bracket by Brent's method: bisection, secant and
 * inverse quadratic interpolation, so that it always converges when f(a) and f(b) differ in sign.
 *
 * Source: R. P. Brent, "Algorithms for Minimization without Derivatives", Prentice-Hall 1973, ch. 4.
 *
 * @param f function, finite on [a, b]
 * @param tolerance absolute, on x
 * @throws RangeError when [a, b] does not bracket a root (a programming error: test the ends first)
 */
export function brentRoot(f: (x: number) => number, a: number, b: number, tolerance = 1e-12): number {
  let fa = f(a);
  let fb = f(b);
  if (fa === 0) return a;
  if (fb === 0) return b;
  if (fa > 0 === fb > 0) throw new RangeError(`no root bracketed in [${a}, ${b}]: f = ${fa}, ${fb}`);
  let c = a;
  let fc = fa;
  let d = b - a;
  let e = d;
  for (let i = 0; i < 200; i++) {
    if (fb > 0 === fc > 0) {
      c = a;
      fc = fa;
      d = b - a;
      e = d;
    }
    if (Math.abs(fc) < Math.abs(fb)) {
      [a, b, c] = [b, c, b];
      [fa, fb, fc] = [fb, fc, fb];
    }
    const tol = 2 * Number.EPSILON * Math.abs(b) + tolerance / 2;
    const m = (c - b) / 2;
    if (Math.abs(m) <= tol || fb === 0) return b;
    if (Math.abs(e) < tol || Math.abs(fa) <= Math.abs(fb)) {
      d = m;
      e = m;
    } else {
      let p: number;
      let q: number;
      const s = fb / fa;
      if (a === c) {
        p = 2 * m * s;
        q = 1 - s;
      } else {
        const r = fb / fc;
        q = fa / fc;
        p = s * (2 * m * q * (q - r) - (b - a) * (r - 1));
        q = (q - 1) * (r - 1) * (s - 1);
      }
      if (p > 0) q = -q;
      else p = -p;
      if (2 * p < Math.min(3 * m * q - Math.abs(tol * q), Math.abs(e * q))) {
        e = d;
        d = p / q;
      } else {
        d = m;
        e = m;
      }
    }
    a = b;
    fa = fb;
    b += Math.abs(d) > tol ? d : m > 0 ? tol : -tol;
    fb = f(b);
  }
  return b;
}
