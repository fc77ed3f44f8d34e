import { useEffect, useMemo, useState } from 'react';
import type { Resting } from '@/core/dependence';
import type { Station } from '@/core/station';
import { surveyFigures, unconfirmed } from '@/core/surveyed';
import type { DependenceApi } from '@/workers/dependence';
import { useQuiet } from '../parts/useQuiet';

/** Before it is known what hangs on them, and where it cannot be told. */
const counted = (station: Station): Resting => ({
  figures: surveyFigures(station).length,
  unconfirmed: unconfirmed(station).length,
  unknown: station.surveyed.rest === 'unknown',
  rules: [],
  first: [],
  notAsked: [],
});

/** What was asked last: whoever asks the same of the same station, in this view or the next, is told by the same worker. */
let asked: { of: Station; answer: Promise<Resting>; end(): void } | null = null;

async function ask(worker: Worker, station: Station): Promise<Resting> {
  const { wrap } = await import('comlink');
  const fallen = new Promise<Resting>((tell) => (worker.onerror = () => tell(counted(station))));
  const told = wrap<DependenceApi>(worker)
    .dependence(station)
    .catch(() => counted(station));
  const resting = await Promise.race([told, fallen]);
  worker.terminate();
  return resting;
}

function restingOf(station: Station): Promise<Resting> {
  if (asked?.of === station) return asked.answer;
  asked?.end();
  const worker = new Worker(new URL('../../workers/dependence.ts', import.meta.url), { type: 'module' });
  asked = { of: station, answer: ask(worker, station), end: () => worker.terminate() };
  return asked.answer;
}

/**
 * What rests on figures that nobody typed or confirmed. `known`: it was worked out, off the page, once edits pause. @param station one that
 * holds together
 */
export function useResting(station: Station): { resting: Resting; known: boolean } {
  const calm = useQuiet(station, 400);
  const open = useMemo(() => counted(calm), [calm]);
  const [found, setFound] = useState<{ of: Station; resting: Resting } | null>(null);
  const plain = open.unconfirmed === 0;
  useEffect(() => {
    if (plain) return;
    let heard = true;
    void restingOf(calm).then((resting) => heard && setFound({ of: calm, resting }));
    return () => void (heard = false);
  }, [calm, plain]);
  if (found?.of === station) return { resting: found.resting, known: true };
  return { resting: open, known: plain && calm === station };
}
