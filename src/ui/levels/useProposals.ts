'use client';
import { wrap, type Remote } from 'comlink';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { Proposal } from '@/core/proposals';
import type { Station } from '@/core/station';
import type { ProposalsApi } from '@/workers/proposals';

export type Proposed =
  | { state: 'working' }
  | { state: 'stopped' }
  | { state: 'failed' }
  | { state: 'there'; of: Station; proposals: readonly Proposal[] };

const open = () => new Worker(new URL('../../workers/proposals.ts', import.meta.url), { type: 'module' });

/** Proposals for a station, worked out in a worker so that the page stays alive; can be stopped, and asked for again. */
export function useProposals(station: Station): { proposed: Proposed; ask(): void; stop(): void } {
  const [proposed, setProposed] = useState<Proposed>({ state: 'working' });
  const worker = useRef<Worker | null>(null);

  const stop = useCallback(() => {
    worker.current?.terminate();
    worker.current = null;
  }, []);

  const ask = useCallback(() => {
    stop();
    const mine = open();
    worker.current = mine;
    setProposed({ state: 'working' });
    const api: Remote<ProposalsApi> = wrap(mine);
    const answer = (next: Proposed) => {
      if (worker.current !== mine) return;
      stop();
      setProposed(next);
    };
    mine.onerror = () => answer({ state: 'failed' });
    void api.propose(station).then(
      (proposals) => answer({ state: 'there', of: station, proposals }),
      () => answer({ state: 'failed' }),
    );
  }, [station, stop]);

  // Asked once when the sheet is opened; after that by the person, for a proposal that moves while it is read is of no use.
  const first = useRef(ask);
  useEffect(() => {
    first.current();
    return stop;
  }, [stop]);

  const giveUp = () => {
    stop();
    setProposed({ state: 'stopped' });
  };
  return { proposed, ask, stop: giveUp };
}
