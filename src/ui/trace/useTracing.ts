'use client';
import { wrap, proxy, type Remote } from 'comlink';
import { useCallback, useEffect, useState } from 'react';
import type { Card, Looks, Mend, Often, Past, Rows, Thought, Told } from '@/core/trace';
import type { Station } from '@/core/station';
import type { TraceApi } from '@/workers/trace';

/** How far the thinking has come. */
export type Stage =
  | { readonly kind: 'asking'; readonly share: number }
  | { readonly kind: 'cannot'; readonly reasons: readonly string[] }
  | { readonly kind: 'ready' };

/** Until the model has been asked. */
const NO_LOOKS: Looks = { settings: [], looks: [] };

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

/** So many parts for each thread: who is ready first takes the next. */
const PARTS = 8 * THREADS;

/** Parts that are still to be asked: the next, null where there is none; and one that is done. */
interface Queue {
  next(): number | null;
  done(): void;
}

async function ask({ next, done }: Queue, part: (n: number) => Promise<void>): Promise<void> {
  for (let n = next(); n !== null; n = next()) {
    await part(n);
    done();
  }
}

/** As many parts of the suspects as one thread comes to; where it falls over, the first thread asks in the end what is missing. */
async function partsBy({ worker, api }: Thread, station: Station, queue: Queue): Promise<Rows> {
  const rows: Rows[] = [];
  const fell = new Promise<void>((resolve) => {
    worker.onerror = () => resolve();
  });
  const asked = api.take(station).then(() => ask(queue, async (n) => void rows.push(await api.rows(n, PARTS))));
  await Promise.race([fell, asked.catch(() => {})]);
  return rows.flat();
}

/** A station whose suspects were asked what they would show: the thread that knows it, and rows that others have made. */
interface Asked {
  readonly api: Remote<TraceApi>;
  readonly rows: Rows;
}

/** Asks every suspect of a station once, by several threads at a time; none where this device has kept them, or the server has asked. */
function useAsked(id: number, station: Station, onStage: (stage: Stage) => void) {
  const [asked, setAsked] = useState<Asked | null>(null);
  const [looks, setLooks] = useState<Looks>(NO_LOOKS);
  useEffect(() => {
    let over = false;
    const first = started();
    const others: Thread[] = [];
    const fell = () => void (!over && onStage({ kind: 'cannot', reasons: FELL }));
    first.worker.onerror = fell;
    const kept = first.api.kept(id, station);
    void first.api.looks(station).then(
      (all) => void (!over && setLooks(all)),
      () => {},
    );
    const asking = async () => {
      const has = await kept;
      await first.api.take(station);
      if (has || over) return [];
      let [taken, done] = [0, 0];
      const queue: Queue = {
        next: () => (!over && taken < PARTS ? taken++ : null),
        done: () => void (!over && onStage({ kind: 'asking', share: ++done / PARTS })),
      };
      others.push(...Array.from({ length: THREADS - 1 }, started));
      const parts = others.map((o) => partsBy(o, station, queue));
      await ask(queue, (n) => first.api.share(n, PARTS));
      const rows = (await Promise.all(parts)).flat();
      for (const o of others) o.worker.terminate();
      return rows;
    };
    onStage({ kind: 'asking', share: 0 });
    asking().then((rows) => void (!over && setAsked({ api: first.api, rows })), fell);
    return () => {
      over = true;
      setAsked(null);
      for (const { worker } of [first, ...others]) worker.terminate();
    };
  }, [id, station, onStage]);
  return { asked, looks };
}

/**
 * Fault finding of a station, in threads of its own: every suspect is asked once, then each answer is thought over. What was thought of an older
 * telling, or by another past, is not heard; who was asked is not asked again when the past is another.
 */
export function useTracing(id: number, station: Station, past: Past | null, told: Told | null) {
  const [stage, setStage] = useState<Stage>({ kind: 'asking', share: 0 });
  const { asked, looks } = useAsked(id, station, setStage);
  const [begun, setBegun] = useState<{ api: Remote<TraceApi>; past: Past } | null>(null);
  const [thought, setThought] = useState<{ of: Told; by: Past; is: Thought } | null>(null);
  useEffect(() => {
    if (!asked || !past) return;
    let over = false;
    const nobody = proxy(() => {});
    asked.api.begin(past, asked.rows, nobody).then(
      (made) => {
        if (over) return;
        if (made.ok) setBegun({ api: asked.api, past });
        setStage(made.ok ? { kind: 'ready' } : { kind: 'cannot', reasons: made.reasons });
      },
      () => void (!over && setStage({ kind: 'cannot', reasons: FELL })),
    );
    return () => {
      over = true;
      setBegun(null);
    };
  }, [asked, past]);
  useEffect(() => {
    if (!begun || !told) return;
    let over = false;
    void begun.api
      .think(
        told,
        proxy(() => {}),
      )
      .then(
        (is) => void (!over && is && setThought({ of: told, by: begun.past, is })),
        () => void (!over && setStage({ kind: 'cannot', reasons: FELL })),
      );
    return () => void (over = true);
  }, [begun, told]);
  const card = useCallback(
    async (of: Told, id: string): Promise<Card | null> => (await begun?.api.card(of, id)) ?? null,
    [begun],
  );
  const mend = useCallback(async (id: string): Promise<Mend | null> => (await begun?.api.mend(id)) ?? null, [begun]);
  const often = useCallback(async (): Promise<readonly Often[]> => (await begun?.api.often()) ?? [], [begun]);
  const current = thought?.of === told && thought?.by === past;
  return { stage, looks, thought: thought?.is ?? null, current, card, mend, often };
}
