import { useCallback, useEffect, useRef, useState } from 'react';
import type { Faces } from './face';

/** A refused or lost question is asked again after this long, ms. */
const AGAIN = 2000;

/** The gauges that hang now: those that came with the page, and the others asked for as they are hung. */
export function useGauges(hung: readonly number[], known: Faces): { faces: Faces; away: boolean } {
  const [faces, setFaces] = useState(known);
  const [away, setAway] = useState(false);
  const asking = useRef(false);
  const missing = hung.filter((id) => !faces[id]);
  const wanted = missing.join(',');
  const askFor = useCallback(async (ids: string) => {
    if (asking.current) return;
    asking.current = true;
    const { askFaces } = await import('./askFaces');
    const told = await askFaces(ids);
    asking.current = false;
    setAway(told === null);
    if (told) setFaces((before) => ({ ...before, ...told }));
  }, []);
  useEffect(() => {
    if (wanted === '') return;
    const once = setTimeout(() => void askFor(wanted));
    const again = setInterval(() => void askFor(wanted), AGAIN);
    return () => {
      clearTimeout(once);
      clearInterval(again);
    };
  }, [wanted, askFor]);
  return { faces, away };
}
