'use client';
import { wrap } from 'comlink';
import { useEffect, useState } from 'react';
import type { TraceApi } from '@/workers/trace';
import { onTheWay } from '../parts/onTheWay';
import type { Taken } from './taken';

/** How it stands with the suspects of a station that is along: asked, being asked, left until Trace is opened, or not known. */
export type Suspects =
  | { readonly kind: 'here' }
  | { readonly kind: 'asking'; readonly share: number }
  | { readonly kind: 'later' }
  | { readonly kind: 'unknown' };

/**
 * Asks the suspects of what is along what they would show, one station after the other, in a thread beside the page: at the pit nobody waits for
 * them, and a phone is slower than a desk.
 */
export function useSuspects(taken: Taken | null): ReadonlyMap<number, Suspects> {
  const [all, setAll] = useState<ReadonlyMap<number, Suspects>>(new Map());
  // What was taken anew may be another revision.
  const key = JSON.stringify((taken?.stations ?? []).map((s) => [s.id, s.at]));
  useEffect(() => {
    const ids = (JSON.parse(key) as [number, number][]).map(([id]) => id);
    if (ids.length === 0) return;
    const worker = new Worker(new URL('../../workers/trace.ts', import.meta.url), { type: 'module' });
    const api = wrap<TraceApi>(worker);
    let over = false;
    const say = (id: number, is: Suspects) => void (!over && setAll((before) => new Map(before).set(id, is)));
    const one = async (id: number) => {
      const here = await onTheWay(
        (share: number) => say(id, { kind: 'asking', share }),
        (told) => api.ahead(id, told),
      );
      say(id, { kind: here === null ? 'unknown' : here ? 'here' : 'later' });
    };
    void ids.reduce((before, id) => before.then(() => (over ? undefined : one(id))), Promise.resolve());
    return () => {
      over = true;
      worker.terminate();
    };
  }, [key]);
  return all;
}
