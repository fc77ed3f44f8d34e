import type { Phasor } from '.';

/*
 * A second opinion for the tests, made another way: reads the exported text, builds the modified nodal equations with a row for
 * every voltage source, and solves them dense with pivoting. Knows nothing of the circuit that the text came from.
 */

/** A row of the equations; its last place is what drives it. */
interface Row {
  readonly re: Float64Array;
  readonly im: Float64Array;
}

const square = ({ re, im }: Row, k: number): number => re[k]! * re[k]! + im[k]! * im[k]!;

/** Takes so much of one row from another, from a place on. */
function take(from: Row, row: Row, re: number, im: number, k: number): void {
  for (let j = k; j < row.re.length; j++) {
    from.re[j]! -= re * row.re[j]! - im * row.im[j]!;
    from.im[j]! -= re * row.im[j]! + im * row.re[j]!;
  }
}

/** p / q */
const over = (pRe: number, pIm: number, q: Row, k: number): Phasor => {
  const [re, im, d] = [q.re[k]!, q.im[k]!, square(q, k)];
  return { re: (pRe * re + pIm * im) / d, im: (pIm * re - pRe * im) / d };
};

function gauss(m: Row[]): Phasor[] {
  const n = m.length;
  for (let k = 0; k < n; k++) {
    let best = k;
    for (let i = k; i < n; i++) if (square(m[i]!, k) > square(m[best]!, k)) best = i;
    [m[k], m[best]] = [m[best]!, m[k]!];
    for (const row of m.slice(k + 1)) {
      // Most of a row is empty.
      if (square(row, k) === 0) continue;
      const f = over(row.re[k]!, row.im[k]!, m[k]!, k);
      take(row, m[k]!, f.re, f.im, k);
    }
  }
  const x: Phasor[] = Array.from({ length: n }, () => ({ re: 0, im: 0 }));
  for (let k = n - 1; k >= 0; k--) {
    const row = m[k]!;
    let [re, im] = [row.re[n]!, row.im[n]!];
    for (let j = k + 1; j < n; j++) {
      re -= row.re[j]! * x[j]!.re - row.im[j]! * x[j]!.im;
      im -= row.re[j]! * x[j]!.im + row.im[j]! * x[j]!.re;
    }
    x[k] = over(re, im, row, k);
  }
  return x;
}

/** What a source drives, as its card says. */
function driven([, dc, , size = '0', deg = '0']: readonly string[], alternating: boolean): Phasor {
  const angle = (Number(deg) * Math.PI) / 180;
  return alternating
    ? { re: Number(size) * Math.cos(angle), im: Number(size) * Math.sin(angle) }
    : { re: Number(dc), im: 0 };
}

/** Potentials by the names that the comments give to the nodes. */
export function solveSpice(text: string): Map<string, Phasor> {
  const lines = text.split('\n');
  const cards = lines.filter((l) => /^[RLCVEF]/.test(l)).map((l) => l.split(' '));
  const ac = /\.ac lin 1 (\S+)/.exec(text);
  const omega = ac ? 2 * Math.PI * Number(ac[1]) : 0;
  const index = new Map<string, number>();
  const at = (name: string): number => {
    if (name === '0') return -1;
    if (!index.has(name)) index.set(name, index.size);
    return index.get(name)!;
  };
  for (const [id, a, b, c, d] of cards) [a!, b!, ...(id!.startsWith('E') ? [c!, d!] : [])].forEach(at);
  const branches = cards.filter(([id]) => /^[VEL]/.test(id!));
  const row = (id: string) => index.size + branches.findIndex(([b]) => b === id);
  const n = index.size + branches.length;
  const m = Array.from({ length: n }, (): Row => ({ re: new Float64Array(n + 1), im: new Float64Array(n + 1) }));
  const add = (i: number, j: number, re: number, im = 0) => {
    if (i < 0 || j < 0) return;
    m[i]!.re[j]! += re;
    m[i]!.im[j]! += im;
  };
  for (const [id, p, q, ...rest] of cards) {
    const [a, b] = [at(p!), at(q!)];
    if (/^[RC]/.test(id!)) {
      const [re, im] = id!.startsWith('R') ? [1 / Number(rest[0]), 0] : [0, omega * Number(rest[0])];
      for (const [i, j, s] of [
        [a, a, 1],
        [b, b, 1],
        [a, b, -1],
        [b, a, -1],
      ] as const)
        add(i, j, s * re, s * im);
    } else if (id!.startsWith('F')) {
      const k = row(rest[0]!);
      add(a, k, Number(rest[1]));
      add(b, k, -Number(rest[1]));
    } else {
      const k = row(id!);
      add(a, k, 1);
      add(b, k, -1);
      add(k, a, 1);
      add(k, b, -1);
      if (id!.startsWith('L')) add(k, k, 0, -omega * Number(rest[0]));
      if (id!.startsWith('E')) {
        add(k, at(rest[0]!), -Number(rest[2]));
        add(k, at(rest[1]!), Number(rest[2]));
      }
      if (id!.startsWith('V')) {
        const drives = driven(rest, ac !== null);
        add(k, n, drives.re, drives.im);
      }
    }
  }
  const x = gauss(m);
  return new Map(
    lines.flatMap((l) => {
      const named = /^\* node (\d+): (.*)$/.exec(l);
      return named ? [[named[2]!, x[index.get(named[1]!)!]!] as const] : [];
    }),
  );
}
