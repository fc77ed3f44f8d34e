'use client';
import Typography from '@mui/material/Typography';
import dynamic from 'next/dynamic';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { useEditor } from '../editor/StationProvider';
import type { Act } from '../outbox/act';
import { useActs } from '../outbox/useActs';
import type { BegunRun } from './begun';
import { moveDrafts } from './runDraft';

const RunView = dynamic(() => import('./RunView').then((m) => m.RunView), { ssr: false, loading: () => null });

/** The act that this page is of, by its address: the page itself is the same for all, so that it can be taken along. */
const askedFor = (): string | null => new URLSearchParams(location.search).get('run');

/** The run that an act begins; null while it is not read, or why it cannot be shown. */
function useBegun(act: Act | undefined, acts: readonly Act[]): BegunRun | string | null {
  const [made, setMade] = useState<BegunRun | string | null>(null);
  const id = act?.id;
  useEffect(() => {
    let left = false;
    if (act) void import('./begun').then(({ begunRun }) => left || setMade(begunRun(act, acts)));
    return () => void (left = true);
    // The act is the same as long as its id is; how it stands with it makes no other card.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [id]);
  return made;
}

/** A run that was begun without signal: worked through on this device, and sent with its findings when there is a way. */
export function BegunView() {
  const router = useRouter();
  const stationId = useEditor((s) => s.id);
  const { acts, read } = useActs();
  const [asked, setAsked] = useState<string | null>(null);
  // The address is known only in the browser.
  // eslint-disable-next-line react-hooks/set-state-in-effect
  useEffect(() => setAsked(askedFor()), []);
  const act = acts.find((a) => a.kind === 'run' && a.id === asked && a.stationId === stationId);
  const begun = useBegun(act, acts);
  useEffect(() => {
    if (act?.state !== 'sent') return;
    void import('../outbox/act').then(({ numberOf }) => {
      const number = numberOf(act);
      if (number === null) return;
      moveDrafts(act.id, number);
      router.replace(`/stations/${stationId}/prove/${number}`);
    });
  }, [act, router, stationId]);
  if (begun !== null && typeof begun !== 'string')
    return <RunView run={begun.run} title={begun.title} changed={[]} photos={[]} seal={null} words={[]} />;
  if (!read || asked === null || (act && begun === null)) return null;
  return (
    <Typography role="alert" variant="body1" component="p" sx={{ p: 2.5, m: 0 }}>
      {act ? `This run cannot be shown here: ${String(begun)}.` : 'There is no such run on this device.'}{' '}
      <Link href={`/stations/${stationId}/prove`}>to what can be done at this station</Link>
    </Typography>
  );
}
