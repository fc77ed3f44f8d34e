const SHRINK = (Math.sqrt(5) - 1) / 2;

/**
 * Minimum of a function with one valley in [a, b], by golden-section search.
 *
 * Source: J. Kiefer, "Sequential minimax search for a maximum", Proc. AMS 4 (1953) 502–506.
 *
 * @param tolerance relative to b − a; the value at the minimum is flat, so 1e-5 gives it to about 1e-10
 */
export function goldenMinimum(
  f: (x: number) => number,
  a: number,
  b: number,
  tolerance = 1e-5,
): { x: number; value: number } {
  const stop = tolerance * (b - a);
  let x1 = b - SHRINK * (b - a);
  let x2 = a + SHRINK * (b - a);
  let f1 = f(x1);
  let f2 = f(x2);
  while (b - a > stop) {
    if (f1 <= f2) {
      b = x2;
      x2 = x1;
      f2 = f1;
      x1 = b - SHRINK * (b - a);
      f1 = f(x1);
    } else {
      a = x1;
      x1 = x2;
      f1 = f2;
      x2 = a + SHRINK * (b - a);
      f2 = f(x2);
    }
  }
  return f1 <= f2 ? { x: x1, value: f1 } : { x: x2, value: f2 };
}
