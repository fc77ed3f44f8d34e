import { median } from './trend';

/** What a stretch costs: the sum of the distances of its figures from their median. */
function costs(values: readonly number[]): (from: number, to: number) => number {
  const known = new Map<number, number>();
  return (from, to) => {
    const key = from * (values.length + 1) + to;
    const before = known.get(key);
    if (before !== undefined) return before;
    const stretch = values.slice(from, to);
    const middle = median(stretch);
    const cost = stretch.reduce((sum, x) => sum + Math.abs(x - middle), 0);
    known.set(key, cost);
    return cost;
  };
}

/**
 * Where the level of a row of figures changes: the cut into stretches of least cost, each change paid for. Exact, by PELT (R. Killick,
 * P. Fearnhead, I. A. Eckley, J. Am. Stat. Assoc. 107 (2012), p. 1590), with the absolute cost, which one wrong figure hardly moves.
 * @param penalty what a change must save, in units of the figures
 * @param least figures in a stretch
 * @returns the places at which a new stretch begins, in order
 */
export function changesIn(values: readonly number[], penalty: number, least = 3): number[] {
  const cost = costs(values);
  const n = values.length;
  const best: number[] = [-penalty];
  const last: number[] = [0];
  let open = [0];
  for (let t = 1; t <= n; t++) {
    const offers = open.filter((s) => t - s >= least);
    const priced = offers.map((s) => best[s]! + cost(s, t) + penalty);
    const k = priced.indexOf(Math.min(...priced));
    // Too few for a stretch: no cut can end here.
    best[t] = k < 0 ? Infinity : priced[k]!;
    last[t] = k < 0 ? 0 : offers[k]!;
    // What cannot win against a cut that is open by now never will.
    const rival = t - least;
    open = [
      ...open.filter((s) => s >= rival || rival <= 0 || best[s]! + cost(s, rival) <= best[rival]!),
      ...(k < 0 ? [] : [t]),
    ];
  }
  const cuts: number[] = [];
  for (let t = n; t > 0 && last[t]! > 0; t = last[t]!) cuts.unshift(last[t]!);
  return cuts;
}
