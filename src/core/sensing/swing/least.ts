/**
 * Least value of a smooth function over a box of one to three dimensions: a grid finds the valley, a compass search goes
 * down it, halving its step to a ten-millionth of the box.
 * Source: T. G. Kolda, R. M. Lewis and V. Torczon, "Optimization by direct search", SIAM Review 45 (2003) 385–482 (compass search).
 *
 * @param counts grid points along each dimension, one or more
 */
export function leastOver(f: (x: readonly number[]) => number, from: readonly number[], to: readonly number[], counts: readonly number[]): { x: number[]; value: number } {
  const n = from.length;
  const width = from.map((a, i) => to[i]! - a);
  let best = Infinity;
  let at = [...from];
  const x = [...from];
  const visit = (d: number) => {
    if (d === n) {
      const value = f(x);
      if (value < best) [best, at] = [value, [...x]];
      return;
    }
    const count = width[d] === 0 ? 1 : counts[d]!;
    for (let i = 0; i < count; i++) {
      x[d] = count === 1 ? from[d]! + width[d]! / 2 : from[d]! + (width[d]! * i) / (count - 1);
      visit(d + 1);
    }
  };
  visit(0);
  const probe = [...at];
  for (let step = 1 / Math.max(...counts); step > 1e-7; ) {
    let better = false;
    for (let d = 0; d < n; d++) {
      for (const sign of [1, -1]) {
        const moved = Math.min(Math.max(at[d]! + sign * step * width[d]!, from[d]!), to[d]!);
        if (moved === at[d]) continue;
        probe[d] = moved;
        const value = f(probe);
        if (value < best) {
          best = value;
          at[d] = moved;
          better = true;
        } else probe[d] = at[d]!;
      }
    }
    if (!better) step /= 2;
  }
  return { x: at, value: best };
}
