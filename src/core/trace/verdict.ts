import type { Board } from './belief';
import { groupsOf } from './groups';
import type { Suspect } from './suspect';

/** Suspects that no test tells apart, and how likely they are together. */
export interface Standing {
  readonly group: number;
  readonly probability: number;
  /** The likeliest first. */
  readonly suspects: readonly { readonly suspect: Suspect; readonly probability: number }[];
}

/** Groups of suspects, the likeliest first. */
export function standings(board: Board, p: readonly number[]): Standing[] {
  const groups = groupsOf(board);
  const lists = new Map<number, { suspect: Suspect; probability: number }[]>();
  board.suspects.forEach((suspect, i) => {
    const list = lists.get(groups[i]!) ?? [];
    list.push({ suspect, probability: p[i]! });
    lists.set(groups[i]!, list);
  });
  return [...lists]
    .map(([group, list]): Standing => ({
      group,
      probability: list.reduce((sum, s) => sum + s.probability, 0),
      suspects: list.sort((a, b) => b.probability - a.probability),
    }))
    .sort((a, b) => b.probability - a.probability);
}

/**
 * How likely the leading fault is there together with another: pairs that were asked and of which it is one. Mending it is right in each of them,
 * and what is tested after the mend is about the other.
 */
export function besideOf([first, ...others]: readonly Standing[]): number {
  if (!first || first.suspects[0]!.suspect.kind === 'pair') return 0;
  const own = new Set(first.suspects.flatMap(({ suspect }) => suspect.faults.map((f) => f.id)));
  return others
    .flatMap((o) => o.suspects)
    .filter(({ suspect }) => suspect.kind === 'pair' && suspect.faults.some((f) => own.has(f.id)))
    .reduce((sum, o) => sum + o.probability, 0);
}

/** How sure one is before something is turned back, and before a housing is opened or a part is bought. */
export const SURE = { hand: 0.95, part: 0.99 } as const;
/** What would stand beside the leading fault counts for it up to this share of it alone: past that a pair is what is looked for. */
const BESIDE = 0.3;

/** Whether it is sure enough that the leading fault is there, alone or beside another, for its mend. */
export function sure(ranked: readonly Standing[]): boolean {
  const [first] = ranked;
  if (!first) return false;
  const buys = first.suspects.some(
    ({ suspect, probability }) => probability > 0.01 && suspect.faults.some((f) => f.buys),
  );
  const named = first.suspects[0]!.suspect.kind !== 'other';
  const beside = besideOf(ranked);
  const there = first.probability + (beside <= BESIDE * first.probability ? beside : 0);
  return named && there >= (buys ? SURE.part : SURE.hand);
}
