'use client';
import type { Remote } from 'comlink';
import { useCallback, useState } from 'react';
import type { Closer, Moment, Rehearsal, Scenario } from '@/core/rehearsal';
import type { Station } from '@/core/station';
import type { Phrase } from '@/core/units';
import type { RehearseApi } from '@/workers/rehearse';
import { useWorker } from '../parts/useWorker';

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
  const { go, end } = useWorker<RehearseApi>(open);

  const start = useCallback(
    (station: Station, scenario: Scenario) => {
      setRehearsed({ state: 'running', share: 0 });
      go({
        stays: true,
        async ask(api, hear): Promise<Rehearsed> {
          const told = hear((share: number) => setRehearsed({ state: 'running', share }));
          const answer = await api.rehearse(station, scenario, told);
          return answer.ok
            ? {
                state: 'there',
                run: answer.run,
                of: station,
                scenario,
                window: (from, to) => api.window(from, to),
                moment: (at) => api.moment(at),
              }
            : { state: 'refused', problems: answer.problems };
        },
        done: setRehearsed,
        failed: () => setRehearsed({ state: 'failed' }),
      });
    },
    [go],
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
  const { go: begin, end } = useWorker<RehearseApi>(open);
  const stop = useCallback(() => {
    end();
    setShare(null);
  }, [end]);
  const go = useCallback(
    (task: (api: Remote<RehearseApi>, told: (share: number) => void) => Promise<T>) => {
      setFound(null);
      setFailed(false);
      setShare(0);
      begin({
        ask: (api, hear) => task(api, hear(setShare)),
        done(t: T) {
          setShare(null);
          setFound(() => t);
        },
        failed() {
          setShare(null);
          setFailed(true);
        },
      });
    },
    [begin],
  );
  return { share, found, failed, go, stop };
}
