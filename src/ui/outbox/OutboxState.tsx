'use client';
import Typography from '@mui/material/Typography';
import Link from 'next/link';
import { useEffect, useRef, useSyncExternalStore } from 'react';
import { useActs } from './useActs';

/** How often it is tried again while something waits, ms. */
const AGAIN = 15_000;

/** So long nothing more is sent before what is along is fetched anew, ms. */
const SETTLED = 20_000;

const send = () => void import('./through').then((t) => t.sendWaiting());

/** Sends what waits: when the page comes, when signal comes, when somebody looks, and now and then. */
function useSender(waiting: number): void {
  const some = useRef(waiting);
  useEffect(() => void (some.current = waiting), [waiting]);
  useEffect(() => {
    const go = () => some.current > 0 && document.visibilityState === 'visible' && send();
    window.addEventListener('online', go);
    document.addEventListener('visibilitychange', go);
    const timer = setInterval(go, AGAIN);
    return () => {
      window.removeEventListener('online', go);
      document.removeEventListener('visibilitychange', go);
      clearInterval(timer);
    };
  }, []);
  const begun = waiting > 0;
  useEffect(() => {
    // What is along follows what was sent, when sending has been over for a while: so it opens as it is now.
    const [sent, timer] = [new Set<number>(), { id: 0 }];
    const hearing = import('./through').then(({ onTaken }) =>
      onTaken((stations) => {
        for (const s of stations) sent.add(s);
        clearTimeout(timer.id);
        timer.id = window.setTimeout(() => {
          const again = new Set(sent);
          sent.clear();
          void import('../along/take').then((t) => t.takeAgain(again));
        }, SETTLED);
      }),
    );
    return () => {
      clearTimeout(timer.id);
      void hearing.then((end) => end());
    };
  }, []);
  useEffect(() => {
    if (begun) send();
  }, [begun]);
}

function onSignal(hear: () => void): () => void {
  window.addEventListener('online', hear);
  window.addEventListener('offline', hear);
  return () => {
    window.removeEventListener('online', hear);
    window.removeEventListener('offline', hear);
  };
}

/** Whether the device says that it has a network at all. */
export const useSignal = (): boolean =>
  useSyncExternalStore(
    onSignal,
    () => navigator.onLine,
    () => true,
  );

/** How it stands with what was written here: on this device only, or sent; and what needs a person. */
export function OutboxState() {
  const { acts, unread, read, tight } = useActs();
  const signal = useSignal();
  const waiting = acts.filter((a) => a.state === 'waiting').length;
  const asking = acts.filter((a) => a.state === 'refused' || a.state === 'differs').length + unread;
  useSender(waiting);
  const sent = acts.length > 0 && waiting === 0 && asking === 0;
  const words = [
    ...(signal ? [] : ['no signal']),
    ...(waiting > 0 ? [`${waiting} on this device only`] : []),
    ...(asking > 0 ? [`${asking} to look at`] : []),
    // Said before it is full, while it can still be sent.
    ...(tight ? ['little room left'] : []),
    ...(read && signal && sent ? ['sent'] : []),
  ];
  if (words.length === 0) return null;
  return (
    <Typography
      component={Link}
      href="/along"
      prefetch={false}
      variant="body2"
      aria-label={`outbox: ${words.join(', ')}`}
      sx={{
        whiteSpace: 'nowrap',
        minHeight: { xs: 44, sm: 0 },
        display: 'inline-flex',
        alignItems: 'center',
        color: asking > 0 || tight ? 'error.main' : 'text.primary',
        fontWeight: waiting + asking > 0 ? 700 : 400,
      }}
    >
      {words.join(' · ')}
    </Typography>
  );
}
