'use client';
import { wrap, proxy, type Remote } from 'comlink';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { Card, Look, Mend, Past, Thought, Told } from '@/core/trace';
import type { Station } from '@/core/station';
import type { TraceApi } from '@/workers/trace';

/** How far the thinking has come. */
export type Stage =
  | { readonly kind: 'asking'; readonly share: number }
  | { readonly kind: 'cannot'; readonly reasons: readonly string[] }
  | { readonly kind: 'ready' };

const FELL = ['it fell over: open the page again; what was told is kept'];

/**
 * Fault finding of a station, in a thread of its own: every suspect is asked once, then each answer is thought over. What was thought of an older
 * telling is not heard.
 */
export function useTracing(station: Station, past: Past | null, told: Told | null) {
  const remote = useRef<Remote<TraceApi> | null>(null);
  const [stage, setStage] = useState<Stage>({ kind: 'asking', share: 0 });
  const [thought, setThought] = useState<{ of: Told; is: Thought } | null>(null);
  const [looks, setLooks] = useState<readonly Look[]>([]);
  useEffect(() => {
    if (!past) return;
    let [over, heard] = [false, false];
    const worker = new Worker(new URL('../../workers/trace.ts', import.meta.url), { type: 'module' });
    worker.onerror = () => void (!over && setStage({ kind: 'cannot', reasons: FELL }));
    const api = wrap<TraceApi>(worker);
    const hear = proxy((share: number) => void (!over && !heard && setStage({ kind: 'asking', share })));
    void api.looks(station).then(
      (all) => void (!over && setLooks(all)),
      () => {},
    );
    void api.begin(station, past, hear).then(
      (made) => {
        if (over) return;
        // What was said on the way may come after the answer.
        heard = true;
        remote.current = api;
        setStage(made.ok ? { kind: 'ready' } : { kind: 'cannot', reasons: made.reasons });
      },
      () => void (!over && setStage({ kind: 'cannot', reasons: FELL })),
    );
    return () => {
      over = true;
      remote.current = null;
      worker.terminate();
    };
  }, [station, past]);
  useEffect(() => {
    if (stage.kind !== 'ready' || !told) return;
    let over = false;
    void remote.current
      ?.think(
        told,
        proxy(() => {}),
      )
      .then(
        (is) => void (!over && is && setThought({ of: told, is })),
        () => void (!over && setStage({ kind: 'cannot', reasons: FELL })),
      );
    return () => void (over = true);
  }, [stage, told]);
  const card = useCallback(
    async (of: Told, id: string): Promise<Card | null> => (await remote.current?.card(of, id)) ?? null,
    [],
  );
  const mend = useCallback(async (id: string): Promise<Mend | null> => (await remote.current?.mend(id)) ?? null, []);
  return { stage, looks, thought: thought?.is ?? null, current: thought?.of === told, card, mend };
}
