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

/** How sure one is before something is turned back, and before a housing is opened or a part is bought. */
export const SURE = { hand: 0.95, part: 0.99 } as const;

/** Whether the leading group is sure enough for its mend. */
export function sure([first]: readonly Standing[]): boolean {
  if (!first) return false;
  const buys = first.suspects.some(
    ({ suspect, probability }) => probability > 0.01 && suspect.faults.some((f) => f.buys),
  );
  const named = first.suspects[0]!.suspect.kind !== 'other';
  return named && first.probability >= (buys ? SURE.part : SURE.hand);
}
