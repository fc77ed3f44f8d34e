import { boardOf, likelihoods, type Board, type Evidence } from './belief';
import { pairOf } from './suspects';
import { HEALTHY, OTHER, type Suspect } from './suspect';

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
    // Of a figure the best that any suspect makes of it; what was seen some suspect must show.
    const best = Math.max(...found, e.kind === 'symptom' && e.shown && e.sure === undefined ? SEEN : 0);
    return [found.map((l) => Math.min(1, l / best / EXPLAINS))];
  });
}

/** An earth that is lost shows nothing until something leaks, and then both show what neither shows alone: it is asked of the model. */
const earthLost = ({ faults }: Suspect): boolean => faults.some((f) => /-earth-(lost|core)$/.test(f.id));
const leaks = ({ faults }: Suspect): boolean =>
  faults.some((f) => /-(earth|leak|in-the-water|shorted)(-size-\d)?$/.test(f.id));

/** What somebody saw, and a suspect that shows it would all but surely have shown. */
const SEEN = 0.8;

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
  const pairs: { pair: ReturnType<typeof pairOf>; score: number; together: boolean }[] = [];
  for (const [i, a] of single.entries())
    for (const b of single.slice(i + 1)) {
      const together = (earthLost(a.s) && leaks(b.s)) || (earthLost(b.s) && leaks(a.s));
      if (a.s.family === b.s.family || (!together && a.s.faults[0]!.part === b.s.faults[0]!.part)) continue;
      const fits = together
        ? 1
        : a.own.reduce((product, l, k) => product * Math.max(l, b.own[k]!, Math.min(rest[k]!, 0.2)), 1);
      pairs.push({ pair: pairOf(a.s, b.s, total), score: a.s.weight * b.s.weight * fits, together });
    }
  pairs.sort((a, b) => b.score - a.score);
  const known = new Set(board.suspects.map((s) => s.id));
  // What may kill is asked whatever is likelier.
  const asked = [...pairs.filter((x) => x.together).slice(0, MOST / 3), ...pairs.filter((x) => !x.together)].slice(
    0,
    MOST,
  );
  const more = asked.flatMap(({ pair }) => (known.has(pair.id) ? [] : [pair]));
  return more.length === 0 ? board : boardOf(board.asking, [...board.suspects, ...more], told);
}
