import type { Phasor } from '.';

/*
 * A second opinion for the tests, made another way: reads the exported text, builds the modified nodal equations with a row for
 * every voltage source, and solves them dense with pivoting. Knows nothing of the circuit that the text came from.
 */

type Row = Phasor[];
const mul = (p: Phasor, q: Phasor): Phasor => ({ re: p.re * q.re - p.im * q.im, im: p.re * q.im + p.im * q.re });
const sub = (p: Phasor, q: Phasor): Phasor => ({ re: p.re - q.re, im: p.im - q.im });
const div = (p: Phasor, q: Phasor): Phasor => {
  const d = q.re * q.re + q.im * q.im;
  return { re: (p.re * q.re + p.im * q.im) / d, im: (p.im * q.re - p.re * q.im) / d };
};

function gauss(m: Row[]): Phasor[] {
  const n = m.length;
  for (let k = 0; k < n; k++) {
    let best = k;
    for (let i = k; i < n; i++)
      if (Math.hypot(m[i]![k]!.re, m[i]![k]!.im) > Math.hypot(m[best]![k]!.re, m[best]![k]!.im)) best = i;
    [m[k], m[best]] = [m[best]!, m[k]!];
    for (let i = k + 1; i < n; i++) {
      const f = div(m[i]![k]!, m[k]![k]!);
      for (let j = k; j <= n; j++) m[i]![j] = sub(m[i]![j]!, mul(f, m[k]![j]!));
    }
  }
  const x: Phasor[] = [];
  for (let k = n - 1; k >= 0; k--) {
    let sum = m[k]![n]!;
    for (let j = k + 1; j < n; j++) sum = sub(sum, mul(m[k]![j]!, x[j]!));
    x[k] = div(sum, m[k]![k]!);
  }
  return x;
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
  const m: Row[] = Array.from({ length: n }, () => Array.from({ length: n + 1 }, () => ({ re: 0, im: 0 })));
  const add = (i: number, j: number, re: number, im = 0) => {
    if (i >= 0 && j >= 0) m[i]![j] = { re: m[i]![j]!.re + re, im: m[i]![j]!.im + im };
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
        const [, dc, , size = '0', deg = '0'] = rest;
        const angle = (Number(deg) * Math.PI) / 180;
        m[k]![n] = ac
          ? { re: Number(size) * Math.cos(angle), im: Number(size) * Math.sin(angle) }
          : { re: Number(dc), im: 0 };
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
