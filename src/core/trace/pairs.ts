import { boardOf, likelihoods, type Board, type Evidence } from './belief';
import { pairOf } from './suspects';
import { HEALTHY, OTHER } from './suspect';

/** Of how likely the evidence could be at best, one suspect must leave so much, or pairs are admitted. */
export const EXPLAINED = 0.15;
/** An answer that a suspect makes so much of as likely as it could be is explained: figures lie about what they should be, and never on it. */
const EXPLAINS = 0.3;
/** Most pairs that are asked what they would show: the likeliest by what each of the two explains. */
const MOST = 24;

/** Evidence against each suspect: how likely it makes it, as a share of the best that any does. */
function shares(board: Board, evidence: readonly Evidence[]): number[][] {
  return evidence.flatMap((e) => {
    const found = likelihoods(board, e);
    if (!found) return [];
    const best = Math.max(...found);
    return [found.map((l) => Math.min(1, l / best / EXPLAINS))];
  });
}

/** Most pairs that a trace ever asks. */
const EVER = 60;

/** How much of the evidence the best suspect that has a name leaves explained: 1 all of it, as well as anything could. */
export function explained(board: Board, evidence: readonly Evidence[]): number {
  const all = shares(board, evidence);
  return Math.max(
    ...board.suspects.map((s, i) => (s.id === OTHER ? 0 : all.reduce((product, e) => product * e[i]!, 1))),
  );
}

/**
 * A board with pairs, where no suspect on it explains what is seen: two at once, of which each explains a part, and one had stayed hidden until
 * the other came. The likeliest are asked of the model like everybody else. The same board where a single fault does explain it.
 * (After the generation of candidates from conflicts: J. de Kleer and B. C. Williams, 1987)
 */
export function withPairs(board: Board, evidence: readonly Evidence[], told?: (share: number) => void): Board {
  if (evidence.length === 0 || explained(board, evidence) >= EXPLAINED) return board;
  if (board.suspects.filter((s) => s.kind === 'pair').length >= EVER) return board;
  const all = shares(board, evidence);
  const single = board.suspects.flatMap((s, i) =>
    s.kind === 'fault' || s.kind === 'landed' ? [{ s, own: all.map((e) => e[i]!) }] : [],
  );
  const total = board.suspects.reduce((sum, s) => sum + (s.kind === 'pair' ? 0 : s.weight), 0);
  const healthy = board.suspects.findIndex((s) => s.id === HEALTHY);
  const rest = all.map((e) => e[healthy]!);
  const pairs: { pair: ReturnType<typeof pairOf>; score: number }[] = [];
  for (const [i, a] of single.entries())
    for (const b of single.slice(i + 1)) {
      if (a.s.family === b.s.family || a.s.faults[0]!.part === b.s.faults[0]!.part) continue;
      const fits = a.own.reduce((product, l, k) => product * Math.max(l, b.own[k]!, Math.min(rest[k]!, 0.2)), 1);
      pairs.push({ pair: pairOf(a.s, b.s, total), score: a.s.weight * b.s.weight * fits });
    }
  pairs.sort((a, b) => b.score - a.score);
  const known = new Set(board.suspects.map((s) => s.id));
  const more = pairs.slice(0, MOST).flatMap(({ pair }) => (known.has(pair.id) ? [] : [pair]));
  return more.length === 0 ? board : boardOf(board.asking, [...board.suspects, ...more], told);
}
