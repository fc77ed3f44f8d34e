import { numberOf, type Act } from './act';

/** The acts of a run, by its number or by the id of the act that begins it: on either page, whatever it was known as when they were done. */
export function actsOfRun(acts: readonly Act[], run: number | string): readonly Act[] {
  const begins = acts
    .filter((a) => a.kind === 'run' && (a.id === run || numberOf(a) === run))
    .map((a) => `run:${a.id}`);
  const known = new Set([`run:${run}`, ...begins]);
  return acts.filter((a) => a.kind !== 'run' && a.about !== null && known.has(a.about));
}
