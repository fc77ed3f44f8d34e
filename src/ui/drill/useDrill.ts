'use client';
import { wrap, type Remote } from 'comlink';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { Bench, Drill, DrillAct, Offers, Review } from '@/core/drill';
import type { DrillApi } from '@/workers/drill';
import { onTheWay } from '../parts/onTheWay';

export type DrillStage =
  | { readonly kind: 'making' }
  | { readonly kind: 'cannot'; readonly reasons: readonly string[] }
  | { readonly kind: 'ready'; readonly offers: Offers };

const MAKING = { kind: 'making' } as const;
const FELL = { kind: 'cannot', reasons: ['it fell over: open the page again; what was done is kept'] } as const;

/** A drill in a thread of its own, which alone knows what is hidden; its bench follows the acts. */
export function useDrill(drill: Drill, acts: readonly DrillAct[]) {
  const [made, setMade] = useState<{ of: Drill; stage: DrillStage } | null>(null);
  // What was made of another drill says nothing of this one.
  const stage: DrillStage = made?.of === drill ? made.stage : MAKING;
  const [bench, setBench] = useState<{ of: readonly DrillAct[]; is: Bench } | null>(null);
  const [asking, setAsking] = useState<number | null>(null);
  const api = useRef<Remote<DrillApi> | null>(null);
  useEffect(() => {
    let over = false;
    const worker = new Worker(new URL('../../workers/drill.ts', import.meta.url), { type: 'module' });
    const tell = (of: DrillStage) => void (!over && setMade({ of: drill, stage: of }));
    const fell = () => tell(FELL);
    worker.onerror = fell;
    const remote = wrap<DrillApi>(worker);
    void remote.begin(drill).then((begun) => {
      if (over) return;
      api.current = remote;
      tell(begun.ok ? { kind: 'ready', offers: begun.offers } : { kind: 'cannot', reasons: begun.reasons });
    }, fell);
    return () => {
      over = true;
      api.current = null;
      worker.terminate();
    };
  }, [drill]);
  const ready = stage.kind === 'ready';
  useEffect(() => {
    if (!ready) return;
    let over = false;
    api.current?.bench(acts).then(
      (is) => void (!over && is && setBench({ of: acts, is })),
      () => void (!over && setMade({ of: drill, stage: FELL })),
    );
    return () => void (over = true);
  }, [drill, ready, acts]);
  const asked = useCallback(
    async <T>(ask: (api: Remote<DrillApi>, told: (share: number) => void) => Promise<T>): Promise<T | null> => {
      const { current: remote } = api;
      if (!remote) return null;
      setAsking(0);
      try {
        return await onTheWay(setAsking, (told: (share: number) => void) => ask(remote, told));
      } finally {
        setAsking(null);
      }
    },
    [],
  );
  const hint = useCallback(
    (of: readonly DrillAct[]): Promise<string | null> => asked((a, told) => a.hint(of, told)),
    [asked],
  );
  const review = useCallback(
    (of: readonly DrillAct[]): Promise<Review | null> => asked((a, told) => a.review(of, told)),
    [asked],
  );
  return { stage, bench: bench?.is ?? null, current: bench?.of === acts, asking, hint, review };
}
