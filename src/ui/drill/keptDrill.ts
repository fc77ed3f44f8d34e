import { readDrill, drillFile, type Drill } from '@/core/drill';
import { drop, keep, kept, type Keeping } from '../parts/browserKeep';

const key = (stationId: number): string => `pitbell.drill.${stationId}`;

/** The drill that was begun at a station in this browser, and what was done in it; null where there is none that can be read. */
export function keptDrill(stationId: number): Drill | null {
  const text = kept(key(stationId));
  if (text === null) return null;
  try {
    const read = readDrill(JSON.parse(text));
    return read.ok ? read.drill : null;
  } catch {
    return null;
  }
}

export const keepDrill = (stationId: number, drill: Drill): Keeping =>
  keep(key(stationId), JSON.stringify(drillFile(drill)));

export const dropDrill = (stationId: number): void => drop(key(stationId));
