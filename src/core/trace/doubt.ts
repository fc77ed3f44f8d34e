import { beliefs, evidenceKey, likelihoods, type Board, type Evidence } from './belief';
import { explained } from './pairs';
import { standings } from './verdict';

/** An answer that stands against the others: what would be believed without it. */
export interface Doubt {
  readonly key: string;
  readonly evidence: Evidence;
  /** How much better the rest is explained without it. */
  readonly times: number;
  /** What it would then be, and how surely. */
  readonly then: string;
  readonly probability: number;
}

/** Without it the rest must be explained so many times better. */
const MUCH = 8;

/** Which answers contradict the others, the one that stands most alone first; none where all agree. */
export function doubts(board: Board, evidence: readonly Evidence[]): Doubt[] {
  const all = explained(board, evidence);
  if (evidence.length < 2 || all > 0.3) return [];
  return evidence
    .flatMap((e): Doubt[] => {
      if (!likelihoods(board, e)) return [];
      const rest = evidence.filter((x) => x !== e);
      const times = explained(board, rest) / Math.max(all, 1e-12);
      if (times < MUCH) return [];
      const [first] = standings(board, beliefs(board, rest));
      return [
        {
          key: evidenceKey(e),
          evidence: e,
          times,
          then: first!.suspects[0]!.suspect.label,
          probability: first!.probability,
        },
      ];
    })
    .sort((a, b) => b.times - a.times)
    .slice(0, 3);
}

/** How much each answer spoke for a suspect against all others together: bits, above nothing for, below against. */
export function weights(
  board: Board,
  evidence: readonly Evidence[],
  suspect: number,
): { evidence: Evidence; bits: number }[] {
  const prior = board.suspects.map((s) => s.weight);
  return evidence.flatMap((e) => {
    const found = likelihoods(board, e);
    if (!found) return [];
    let [sum, all] = [0, 0];
    found.forEach((l, i) => {
      if (i === suspect) return;
      sum += l * prior[i]!;
      all += prior[i]!;
    });
    return [{ evidence: e, bits: Math.log2(found[suspect]! / Math.max(sum / all, 1e-300)) }];
  });
}
