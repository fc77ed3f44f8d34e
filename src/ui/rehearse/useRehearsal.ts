'use client';
import { proxy, wrap, type Remote } from 'comlink';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { Closer, Moment, Rehearsal, Scenario } from '@/core/rehearsal';
import type { Station } from '@/core/station';
import type { Phrase } from '@/core/units';
import type { RehearseApi } from '@/workers/rehearse';

/** A rehearsal that has run, and can be asked about: any window of it, any moment. */
export interface Ran {
  readonly state: 'there';
  readonly run: Rehearsal;
  readonly of: Station;
  readonly scenario: Scenario;
  window(from: number, to: number): Promise<Closer | null>;
  moment(at: number): Promise<Moment | null>;
}

export type Rehearsed =
  | { state: 'idle' }
  | { state: 'running'; share: number }
  | { state: 'stopped' }
  | { state: 'failed' }
  | { state: 'refused'; problems: readonly (Phrase | string)[] }
  | Ran;

const open = () => new Worker(new URL('../../workers/rehearse.ts', import.meta.url), { type: 'module' });

/** A rehearsal in a worker: the page stays alive, hears how far it is, can stop it, and asks about it when it is there. */
export function useRehearsal(): {
  rehearsed: Rehearsed;
  start(station: Station, scenario: Scenario): void;
  stop(): void;
} {
  const [rehearsed, setRehearsed] = useState<Rehearsed>({ state: 'idle' });
  const worker = useRef<Worker | null>(null);
  const end = useCallback(() => {
    worker.current?.terminate();
    worker.current = null;
  }, []);
  useEffect(() => end, [end]);

  const start = useCallback(
    (station: Station, scenario: Scenario) => {
      end();
      const mine = open();
      worker.current = mine;
      setRehearsed({ state: 'running', share: 0 });
      const api: Remote<RehearseApi> = wrap(mine);
      const answer = (next: Rehearsed) => {
        if (worker.current === mine) setRehearsed(next);
      };
      mine.onerror = () => answer({ state: 'failed' });
      const told = proxy((share: number) => answer({ state: 'running', share }));
      void api.rehearse(station, scenario, told).then(
        (r) =>
          answer(
            r.ok
              ? {
                  state: 'there',
                  run: r.run,
                  of: station,
                  scenario,
                  window: (from, to) => api.window(from, to),
                  moment: (at) => api.moment(at),
                }
              : { state: 'refused', problems: r.problems },
          ),
        () => answer({ state: 'failed' }),
      );
    },
    [end],
  );
  const stop = useCallback(() => {
    end();
    setRehearsed({ state: 'stopped' });
  }, [end]);
  return { rehearsed, start, stop };
}

/** One long task in a worker of its own, with progress and stop. */
export function useTask<T>(): {
  share: number | null;
  found: T | null;
  failed: boolean;
  go(task: (api: Remote<RehearseApi>, told: (share: number) => void) => Promise<T>): void;
  stop(): void;
} {
  const [share, setShare] = useState<number | null>(null);
  const [found, setFound] = useState<T | null>(null);
  const [failed, setFailed] = useState(false);
  const worker = useRef<Worker | null>(null);
  const stop = useCallback(() => {
    worker.current?.terminate();
    worker.current = null;
    setShare(null);
  }, []);
  useEffect(() => () => worker.current?.terminate(), []);
  const go = useCallback(
    (task: (api: Remote<RehearseApi>, told: (share: number) => void) => Promise<T>) => {
      worker.current?.terminate();
      const mine = open();
      worker.current = mine;
      setFound(null);
      setFailed(false);
      setShare(0);
      const over = (done: () => void) => {
        if (worker.current !== mine) return;
        stop();
        done();
      };
      mine.onerror = () => over(() => setFailed(true));
      void task(
        wrap(mine),
        proxy((s: number) => void (worker.current === mine && setShare(s))),
      ).then(
        (t) => over(() => setFound(() => t)),
        () => over(() => setFailed(true)),
      );
    },
    [stop],
  );
  return { share, found, failed, go, stop };
}
