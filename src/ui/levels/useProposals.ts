'use client';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { Proposal } from '@/core/proposals';
import type { Station } from '@/core/station';
import type { ProposalsApi } from '@/workers/proposals';
import { useWorker } from '../parts/useWorker';

export type Proposed =
  | { state: 'working' }
  | { state: 'stopped' }
  | { state: 'failed' }
  | { state: 'there'; of: Station; proposals: readonly Proposal[] };

const open = () => new Worker(new URL('../../workers/proposals.ts', import.meta.url), { type: 'module' });

/** Proposals for a station, worked out in a worker so that the page stays alive; can be stopped, and asked for again. */
export function useProposals(station: Station): { proposed: Proposed; ask(): void; stop(): void } {
  const [proposed, setProposed] = useState<Proposed>({ state: 'working' });
  const { go, end } = useWorker<ProposalsApi>(open);

  const ask = useCallback(() => {
    setProposed({ state: 'working' });
    go({
      ask: (api) => api.propose(station),
      done: (proposals) => setProposed({ state: 'there', of: station, proposals }),
      failed: () => setProposed({ state: 'failed' }),
    });
  }, [station, go]);

  // Asked once when the sheet is opened; after that by the person, for a proposal that moves while it is read is of no use.
  const first = useRef(ask);
  useEffect(() => first.current(), []);

  const stop = () => {
    end();
    setProposed({ state: 'stopped' });
  };
  return { proposed, ask, stop };
}
