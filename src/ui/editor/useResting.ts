import { useEffect, useState } from 'react';
import type { Resting } from '@/core/dependence';
import type { Station } from '@/core/station';
import { surveyFigures, unconfirmed } from '@/core/surveyed';
import type { DependenceApi } from '@/workers/dependence';
import { useQuiet } from '../parts/useQuiet';
import { useWorker } from '../parts/useWorker';

const open = () => new Worker(new URL('../../workers/dependence.ts', import.meta.url), { type: 'module' });

/** Before it is known what hangs on them, and where it cannot be told. */
const counted = (station: Station): Resting => ({
  figures: surveyFigures(station).length,
  unconfirmed: unconfirmed(station).length,
  unknown: station.surveyed.rest === 'unknown',
  rules: [],
  first: [],
  notAsked: [],
});

/** The last answer: the next view asks the same of the same station. */
let last: { of: Station; resting: Resting } | null = null;

/**
 * What rests on figures that nobody typed or confirmed. `known`: it was worked out, off the page, once edits pause. @param station one that
 * holds together
 */
export function useResting(station: Station): { resting: Resting; known: boolean } {
  const calm = useQuiet(station, 400);
  const { go, end } = useWorker<DependenceApi>(open);
  const [found, setFound] = useState(last);
  const plain = unconfirmed(calm).length === 0;
  useEffect(() => {
    if (plain || last?.of === calm) return end();
    go({
      ask: (api) => api.dependence(calm),
      done: (resting) => setFound((last = { of: calm, resting })),
      failed: () => setFound((last = { of: calm, resting: counted(calm) })),
    });
  }, [calm, plain, go, end]);
  if (plain && calm === station) return { resting: counted(station), known: true };
  return found?.of === station ? { resting: found.resting, known: true } : { resting: counted(station), known: false };
}
