import type { Dated } from './due';

const DAY = 86_400_000;
/** Parts that were fitted within this of one another are of one age. */
const TOGETHER = 120 * DAY;

/**
 * Fitted parts of one name that went in together, by their pages: they wear alike, and where one goes the other is looked at.
 * Names that differ by a number alone are one (`pump 1`, `pump 2`).
 * @param pages that stand
 */
export function ofOneAge(pages: readonly Dated[]): readonly (readonly Dated[])[] {
  const groups = new Map<string, Dated[]>();
  for (const p of pages) {
    if (p.page?.kind !== 'part' || p.page.state !== 'fitted') continue;
    const name = p.page.name.toLowerCase().replace(/\d+/g, '').replace(/\s+/g, ' ').trim();
    groups.set(name, [...(groups.get(name) ?? []), p]);
  }
  return [...groups.values()].flatMap((list) => {
    const sorted = [...list].sort((a, b) => a.at - b.at);
    const runs: Dated[][] = [];
    for (const p of sorted) {
      const run = runs.at(-1);
      if (run && p.at - run[0]!.at <= TOGETHER) run.push(p);
      else runs.push([p]);
    }
    return runs.filter((r) => r.length > 1);
  });
}
