import { drillFile, readDrill, type Drill } from '@/core/drill';
import { drop, keep, kept, type Keeping } from '../parts/browserKeep';

/** @param at a station’s number, `lesson-…` or `set-…` */
export const keyOfDrill = (at: string): string => `pitbell.drill.${at}`;
const marked = (at: string): string => `${keyOfDrill(at)}.marked`;

/** A drill as it is kept; null where it is none that can be read. */
export function drillIn(text: string | null): Drill | null {
  if (text === null) return null;
  try {
    const read = readDrill(JSON.parse(text));
    return read.ok ? read.drill : null;
  } catch {
    return null;
  }
}

/** The drill that was begun in this browser, and what was done in it. */
export const keptDrill = (at: string): Drill | null => drillIn(kept(keyOfDrill(at)));

export const keepDrill = (at: string, drill: Drill): Keeping => keep(keyOfDrill(at), JSON.stringify(drillFile(drill)));

export function dropDrill(at: string): void {
  drop(keyOfDrill(at));
  drop(marked(at));
}

/** Whether what came of it is among the marks already. */
export const isMarked = (at: string): boolean => kept(marked(at)) !== null;
export const setMarked = (at: string): Keeping => keep(marked(at), 'yes');
