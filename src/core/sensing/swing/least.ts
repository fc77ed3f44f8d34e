/** A clearance as a function over a box of what the water may do: one to three dimensions. */
export interface Sweep {
  readonly from: readonly number[];
  readonly to: readonly number[];
  value(x: readonly number[]): number;
  /** The most that the value can differ from that at `mid` when dimension d alone is moved by `half[d]` to either side, for each d. */
  spread(mid: readonly number[], half: readonly number[]): readonly number[];
}

/** What a box may still hide below the value found, m: half a millimetre is nothing to a float on a cord. */
const HIDDEN = 5e-4;
const GRID = [13, 3, 3] as const;

interface Box {
  readonly mid: readonly number[];
  readonly half: readonly number[];
}

/** Halves a box across the dimension that matters most to the value. */
function halves({ mid, half }: Box, spread: readonly number[]): [Box, Box] {
  const d = spread.indexOf(Math.max(...spread));
  const h = half[d]! / 2;
  const at = (sign: number): Box => ({
    mid: mid.map((m, i) => (i === d ? m + sign * h : m)),
    half: half.map((w, i) => (i === d ? h : w)),
  });
  return [at(-1), at(1)];
}

const whole = ({ from, to }: Sweep): Box => ({
  mid: from.map((a, i) => (a + to[i]!) / 2),
  half: from.map((a, i) => (to[i]! - a) / 2),
});

/** Too small to halve: what is left of a box about a step in the walls. */
const tiny = ({ half }: Box) => half.every((h) => h < 1e-6);

const total = (spread: readonly number[]) => spread.reduce((sum, s) => sum + s, 0);

/**
 * Whether the value is below `room` anywhere in the box. Boxes that cannot hold such a point, by how far the value can move within them,
 * are put aside; the others are halved, down to a tenth of a millimetre. It never says so of a sweep that keeps the room.
 * Source: S. A. Piyavskii, "An algorithm for finding the absolute extremum of a function", USSR Comp. Math. Math. Phys. 12 (1972) 57–67
 * (covering by Lipschitz bounds).
 */
export function dipsBelow(sweep: Sweep, room: number): boolean {
  const open: Box[] = [whole(sweep)];
  for (let box = open.pop(); box; box = open.pop()) {
    const value = sweep.value(box.mid);
    if (value < room) return true;
    const spread = sweep.spread(box.mid, box.half);
    const reach = total(spread);
    if (value - reach >= room || reach < 1e-4 || tiny(box)) continue;
    open.push(...halves(box, spread));
  }
  return false;
}

/** Most values that one way down asks for: along a narrow bent valley the steps would grow ever smaller. What is left is found by the covering. */
const DOWN = 1500;

/** From a point down the valley it lies in: a compass search, halving its step to a ten-millionth of the box. */
function descend({ from, to, value }: Sweep, start: readonly number[], best: number): { x: number[]; value: number } {
  const at = [...start];
  const probe = [...start];
  let asked = 0;
  for (let step = 1 / GRID[0]; step > 1e-7 && asked < DOWN;) {
    let better = false;
    for (let d = 0; d < at.length; d++) {
      for (const sign of [1, -1]) {
        const moved = Math.min(Math.max(at[d]! + sign * step * (to[d]! - from[d]!), from[d]!), to[d]!);
        if (moved === at[d]) continue;
        probe[d] = moved;
        asked++;
        const here = value(probe);
        if (here < best) {
          best = here;
          at[d] = moved;
          better = true;
        } else probe[d] = at[d]!;
      }
    }
    if (!better) step /= 2;
  }
  return { x: at, value: best };
}

/** The least of a coarse grid. */
function coarse({ from, to, value }: Sweep): { x: number[]; value: number } {
  let best = { x: [...from], value: Infinity };
  const x = [...from];
  const visit = (d: number) => {
    if (d === from.length) {
      const here = value(x);
      if (here < best.value) best = { x: [...x], value: here };
      return;
    }
    const width = to[d]! - from[d]!;
    const count = width === 0 ? 1 : GRID[d]!;
    for (let i = 0; i < count; i++) {
      x[d] = count === 1 ? from[d]! : from[d]! + (width * i) / (count - 1);
      visit(d + 1);
    }
  };
  visit(0);
  return best;
}

/** The least value that was found, where, and what it cannot be below: less than it where the search was cut short. */
export interface Least {
  readonly x: readonly number[];
  readonly value: number;
  readonly atLeast: number;
}

/** Most boxes that one search halves: about a fifth of a second. */
const BOXES = 120_000;

/**
 * The least value over the box, and where. A coarse grid finds a valley, a compass search goes down it (T. G. Kolda, R. M. Lewis and V. Torczon,
 * SIAM Review 45 (2003) 385–482), and a covering by bounds sees that no other part of the box hides a value lower by more than half
 * a millimetre; one that does is gone down in its turn. Above `care`, where nobody minds, nothing is looked for; below none things touch, and how
 * deep they would have to pass through each other is nobody's question. A search that takes too long is cut short, and tells what is certain.
 * @param most boxes that are halved before that
 */
export function leastOver(sweep: Sweep, care: number, most = BOXES): Least {
  const start = coarse(sweep);
  let best = descend(sweep, start.x, start.value);
  const open: { box: Box; below: number }[] = [{ box: whole(sweep), below: -Infinity }];
  let halved = 0;
  for (let next = open.pop(); next && best.value >= 0; next = open.pop()) {
    if (halved++ >= most) {
      const left = Math.min(next.below, ...open.map((o) => o.below));
      return { ...best, atLeast: Math.min(left, best.value) };
    }
    const { box } = next;
    const value = sweep.value(box.mid);
    if (value < best.value) best = descend(sweep, box.mid, value);
    const spread = sweep.spread(box.mid, box.half);
    const below = value - total(spread);
    if (below >= Math.min(best.value - HIDDEN, care) || tiny(box)) continue;
    for (const half of halves(box, spread)) open.push({ box: half, below: Math.max(below, next.below) });
  }
  return { ...best, atLeast: best.value };
}
