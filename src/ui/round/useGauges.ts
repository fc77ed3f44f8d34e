import { useCallback, useEffect, useRef, useState } from 'react';
import * as z from 'zod';
import type { Gauge } from '@/core/papers';

/** What a gauge shows: worked out, or why it could not be. */
export type Face = Gauge | { readonly failed: string };
export type Faces = Readonly<Record<number, Face>>;

const faceSchema = z.custom<Face>((v) => typeof v === 'object' && v !== null && ('scene' in v || 'failed' in v));
const answerSchema = z.object({ heads: z.array(z.object({ id: z.number(), figures: faceSchema.nullable() })) });

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
    const { ask } = await import('../parts/ask');
    const answer = await ask(`/api/figures?ids=${ids}`, answerSchema);
    asking.current = false;
    setAway(!answer.ok);
    if (answer.ok)
      setFaces((before) => ({
        ...before,
        ...Object.fromEntries(answer.value.heads.flatMap((h) => (h.figures ? [[h.id, h.figures]] : []))),
      }));
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
