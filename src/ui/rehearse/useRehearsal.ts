'use client';
import { proxy, wrap, type Remote } from 'comlink';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { Rehearsal, Scenario } from '@/core/rehearsal';
import type { Station } from '@/core/station';
import type { Phrase } from '@/core/units';
import type { RehearseApi } from '@/workers/rehearse';

export type Rehearsed =
  | { state: 'idle' }
  | { state: 'running'; share: number }
  | { state: 'stopped' }
  | { state: 'failed' }
  | { state: 'refused'; problems: readonly (Phrase | string)[] }
  | { state: 'there'; run: Rehearsal; of: Station; scenario: Scenario };

const open = () => new Worker(new URL('../../workers/rehearse.ts', import.meta.url), { type: 'module' });

/** A rehearsal in a worker: the page stays alive, hears how far it is, and can stop it. */
export function useRehearsal(): { rehearsed: Rehearsed; start(station: Station, scenario: Scenario): void; stop(): void } {
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
        if (worker.current !== mine) return;
        end();
        setRehearsed(next);
      };
      mine.onerror = () => answer({ state: 'failed' });
      const told = proxy((share: number) => {
        if (worker.current === mine) setRehearsed({ state: 'running', share });
      });
      void api.rehearse(station, scenario, told).then(
        (r) => answer(r.ok ? { state: 'there', run: r.run, of: station, scenario } : { state: 'refused', problems: r.problems }),
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
