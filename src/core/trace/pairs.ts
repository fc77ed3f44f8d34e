import { boardOf, likelihoodOf, likelihoods, type Board, type Evidence } from './belief';
import type { Row } from './dictionary';
import { alike } from './groups';
import { pairOf } from './suspects';
import { HEALTHY, OTHER, type Suspect } from './suspect';

/** Of how likely the evidence could be at best, one suspect must leave so much, or pairs are admitted. */
export const EXPLAINED = 0.15;
/** An answer that a suspect makes so much of as likely as it could be is explained: figures lie about what they should be, and never on it. */
const EXPLAINS = 0.3;
/** Most pairs that stand on a board, the likeliest; and beside them those that may kill. */
const MOST = 24;
const LETHAL = 8;
/** Most pairs that are asked what they would show, after one answer; and how likely one must be by what is guessed, as a share of them all. */
const ASKED = 32;
const WORTHY = 0.004;
/** What two would show is guessed from what each shows; so much of the best is left to what shows only when both are there. */
const TOGETHER = 0.02;

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

/** How much of the evidence the best suspect that has a name leaves explained: 1 all of it, as well as anything could. */
export function explained(board: Board, evidence: readonly Evidence[]): number {
  const all = shares(board, evidence);
  return Math.max(
    ...board.suspects.map((s, i) => (s.id === OTHER ? 0 : all.reduce((product, e) => product * e[i]!, 1))),
  );
}

/** One piece of evidence: how likely each suspect makes it, and which of them answer as a sound station would. */
interface Piece {
  readonly likely: readonly number[];
  readonly sound: readonly boolean[];
  readonly least: number;
}

function piecesOf(board: Board, evidence: readonly Evidence[]): Piece[] {
  const healthy = board.rows[board.suspects.findIndex((s) => s.id === HEALTHY)]!;
  return evidence.flatMap((e): Piece[] => {
    const likely = likelihoods(board, e);
    if (!likely) return [];
    const at = board.place.get(e.kind === 'symptom' ? `symptom/${e.symptom}` : `${e.test}/${e.observation}`)!;
    const sound = (row: Row | null): boolean =>
      row !== null &&
      (e.kind === 'symptom'
        ? row.symptoms[at] === healthy.symptoms[at]
        : alike(row.expects[at]!, healthy.expects[at]!));
    return [{ likely, sound: board.rows.map(sound), least: TOGETHER * Math.max(...likely) }];
  });
}

/** How likely two make a piece of evidence, by what each makes of it: where one answers as a sound station would, as the other does. */
const guessed = ({ likely, sound, least }: Piece, a: number, b: number): number =>
  Math.max(sound[a] ? likely[b]! : sound[b] ? likely[a]! : Math.max(likely[a]!, likely[b]!), least);

/** Two of the board that could be there at once, by their places, and how likely both are by what each shows alone. */
interface Two {
  readonly a: number;
  readonly b: number;
  readonly score: number;
}

/** So many of the likeliest are looked at more closely. */
const LOOKED_AT = 160;

const likeliestFirst = (all: Two[], most: number): Two[] => all.sort((x, y) => y.score - x.score).slice(0, most);

/** The likeliest two by two; and beside them those that may kill, whatever is likelier. */
function candidatesOf(board: Board, evidence: readonly Evidence[]): { plain: Two[]; lethal: Two[] } {
  const pieces = piecesOf(board, evidence);
  const { suspects } = board;
  const single = suspects.flatMap((s, i) => (s.kind === 'fault' || s.kind === 'landed' ? [i] : []));
  const [lost, leaking] = [suspects.map(earthLost), suspects.map(leaks)];
  const [plain, lethal]: [Two[], Two[]] = [[], []];
  for (const [k, a] of single.entries())
    for (const b of single.slice(k + 1)) {
      const [one, other] = [suspects[a]!, suspects[b]!];
      if (one.family === other.family) continue;
      const weight = one.weight * other.weight;
      // Together they show what neither shows: what one of them says of it says nothing.
      if ((lost[a] && leaking[b]) || (lost[b] && leaking[a])) lethal.push({ a, b, score: weight });
      else if (one.faults[0]!.part !== other.faults[0]!.part) {
        let score = weight;
        for (const p of pieces) score *= guessed(p, a, b);
        plain.push({ a, b, score });
      }
    }
  return { plain: likeliestFirst(plain, LOOKED_AT), lethal: likeliestFirst(lethal, LOOKED_AT) };
}

/** The likeliest of some pairs: guessed at first, and asked, the best first, until the likeliest are all known. */
function likeliest(board: Board, evidence: readonly Evidence[], all: readonly Two[], most: number): Suspect[] {
  const { asking, suspects } = board;
  const total = suspects.reduce((sum, s) => sum + s.weight, 0);
  const of = evidence.flatMap((e) => likelihoodOf(board, e) ?? []);
  const asked = (pair: Suspect): number => {
    const row = asking.row(pair);
    return of.reduce((product, l) => product * l(row), pair.weight);
  };
  const ranked = all
    .map(({ a, b, score }) => {
      const pair = pairOf(suspects[a]!, suspects[b]!, total);
      const known = asking.knows(pair.id);
      return { pair, known, score: known ? asked(pair) : score / total };
    })
    .sort((x, y) => y.score - x.score);
  const worth = WORTHY * ranked.reduce((sum, r) => sum + r.score, 0);
  for (let n = 0; n < ASKED; n++) {
    const next = ranked.slice(0, most).find((r) => !r.known && r.score >= worth);
    if (!next) break;
    next.known = true;
    next.score = asked(next.pair);
    ranked.sort((x, y) => y.score - x.score);
  }
  return ranked.flatMap((r) => (r.known ? [r.pair] : [])).slice(0, most);
}

/**
 * A board with pairs, where no single suspect on it explains what is seen: two at once, of which each explains a part, and one had stayed hidden
 * until the other came. The likeliest are asked of the model like everybody else, and others after each answer, so that none is named for want
 * of those beside it. The same board where a single fault does explain it.
 * (After the generation of candidates from conflicts: J. de Kleer and B. C. Williams, 1987)
 * @param singles a board without pairs
 * @param before the board that was made of it last: it stays where the same pairs are the likeliest
 */
export function withPairs(
  singles: Board,
  evidence: readonly Evidence[],
  before: Board = singles,
  told?: (share: number) => void,
): Board {
  if (evidence.length === 0 || explained(singles, evidence) >= EXPLAINED) return singles;
  const { plain, lethal } = candidatesOf(singles, evidence);
  const pairs = [
    ...likeliest(singles, evidence, plain, MOST),
    // What may kill is asked whatever is likelier.
    ...likeliest(singles, evidence, lethal, LETHAL),
  ];
  if (pairs.length === 0) return singles;
  const now = new Set(before.suspects.flatMap((s) => (s.kind === 'pair' ? [s.id] : [])));
  if (before.asking === singles.asking && now.size === pairs.length && pairs.every((p) => now.has(p.id))) return before;
  return boardOf(singles.asking, [...singles.suspects, ...pairs], told);
}
