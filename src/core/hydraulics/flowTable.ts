/** Width of a cell of the table, m, and its nodes: over so little a flow is smooth enough for six digits and more (a printed curve bends at its points). */
const CELL = 0.25;
const NODES = 9;

/** Chebyshev points of the second kind on [−1, 1], and their barycentric weights. */
const POINTS = Array.from({ length: NODES }, (_, i) => Math.cos((Math.PI * i) / (NODES - 1)));
const WEIGHTS = POINTS.map((_, i) => (i % 2 === 0 ? 1 : -1) * (i === 0 || i === NODES - 1 ? 0.5 : 1));

/**
 * A costly smooth function of level, tabulated cell by cell as it is asked for and read between by barycentric interpolation at
 * Chebyshev points. A kink must lie on the edge of a cell: edges are counted from `kink`. Where any node of a cell has no value, the function
 * itself is asked.
 * Source: J.-P. Berrut and L. N. Trefethen, "Barycentric Lagrange interpolation", SIAM Review 46 (2004) 501–517, eq. 5.4.
 */
export function flowTable(exact: (level: number) => number | null, kink: number): (level: number) => number | null {
  const cells = new Map<number, readonly number[] | null>();
  const cell = (index: number): readonly number[] | null => {
    const known = cells.get(index);
    if (known !== undefined) return known;
    const middle = kink + (index + 0.5) * CELL;
    const values: number[] = [];
    for (const p of POINTS) {
      const value = exact(middle + (p * CELL) / 2);
      if (value === null) break;
      values.push(value);
    }
    const made = values.length === NODES ? values : null;
    cells.set(index, made);
    return made;
  };
  return (level) => {
    const place = (level - kink) / CELL;
    const index = Math.floor(place);
    const values = cell(index);
    if (!values) return exact(level);
    const x = 2 * (place - index) - 1;
    let above = 0;
    let below = 0;
    for (let i = 0; i < NODES; i++) {
      const d = x - POINTS[i]!;
      if (d === 0) return values[i]!;
      const w = WEIGHTS[i]! / d;
      above += w * values[i]!;
      below += w;
    }
    return above / below;
  };
}
