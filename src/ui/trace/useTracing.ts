'use client';
import { wrap, proxy, type Remote } from 'comlink';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { Card, Look, Mend, Past, Rows, Thought, Told } from '@/core/trace';
import type { Station } from '@/core/station';
import type { TraceApi } from '@/workers/trace';

/** How far the thinking has come. */
export type Stage =
  | { readonly kind: 'asking'; readonly share: number }
  | { readonly kind: 'cannot'; readonly reasons: readonly string[] }
  | { readonly kind: 'ready' };

const FELL = ['it fell over: open the page again; what was told is kept'];

/** Threads in which suspects are asked; where the machine does not say how many it has, two. */
const MOST_THREADS = 4;
const THREADS = Math.max(
  1,
  Math.min((typeof navigator === 'undefined' ? 0 : navigator.hardwareConcurrency) || 2, MOST_THREADS),
);

interface Thread {
  readonly worker: Worker;
  readonly api: Remote<TraceApi>;
}

function started(): Thread {
  const worker = new Worker(new URL('../../workers/trace.ts', import.meta.url), { type: 'module' });
  return { worker, api: wrap<TraceApi>(worker) };
}

/** One thread’s part of the suspects; nothing where it fell over: the first thread asks those itself. */
function partOf({ worker, api }: Thread, station: Station, past: Past, part: number): Promise<Rows> {
  return new Promise((resolve) => {
    worker.onerror = () => resolve([]);
    api.rows(station, past, part, THREADS).then(resolve, () => resolve([]));
  });
}

/**
 * Fault finding of a station, in threads of its own: every suspect is asked once, by several at a time, then each answer is thought over. What
 * was thought of an older telling is not heard.
 */
export function useTracing(station: Station, past: Past | null, told: Told | null) {
  const remote = useRef<Remote<TraceApi> | null>(null);
  const [stage, setStage] = useState<Stage>({ kind: 'asking', share: 0 });
  const [thought, setThought] = useState<{ of: Told; is: Thought } | null>(null);
  const [looks, setLooks] = useState<readonly Look[]>([]);
  useEffect(() => {
    if (!past) return;
    let [over, heard] = [false, false];
    const first = started();
    const others = Array.from({ length: THREADS - 1 }, started);
    first.worker.onerror = () => void (!over && setStage({ kind: 'cannot', reasons: FELL }));
    void first.api.looks(station).then(
      (all) => void (!over && setLooks(all)),
      () => {},
    );
    const asking = async () => {
      // What is said on the way may come after the answer: a bar never goes back.
      let most = 0;
      const hear = proxy((share: number) => {
        if (over || heard || share <= most) return;
        most = share;
        setStage({ kind: 'asking', share });
      });
      const parts = others.map((o, i) => partOf(o, station, past, i + 1));
      await first.api.share(station, past, THREADS, hear);
      const rows = (await Promise.all(parts)).flat();
      for (const o of others) o.worker.terminate();
      const made = await first.api.begin(station, past, rows, hear);
      if (over) return;
      heard = true;
      remote.current = first.api;
      setStage(made.ok ? { kind: 'ready' } : { kind: 'cannot', reasons: made.reasons });
    };
    asking().catch(() => void (!over && setStage({ kind: 'cannot', reasons: FELL })));
    return () => {
      over = true;
      remote.current = null;
      for (const { worker } of [first, ...others]) worker.terminate();
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
