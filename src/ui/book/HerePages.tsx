'use client';
import Box from '@mui/material/Box';
import { useRouter } from 'next/navigation';
import { useEffect, useRef } from 'react';
import { useEditor } from '../editor/StationProvider';
import { HereOnly } from '../outbox/HereOnly';
import { useActs } from '../outbox/useActs';
import { clock } from '../parts/when';

/** What was written in this book and is on this device only; the book is asked again when it has been sent. */
export function HerePages() {
  const router = useRouter();
  const id = useEditor((s) => s.id);
  const { acts } = useActs();
  const here = acts.filter((a) => a.about === `book:${id}` && a.state === 'waiting');
  const before = useRef(0);
  useEffect(() => {
    if (here.length < before.current) router.refresh();
    before.current = here.length;
  }, [here.length, router]);
  if (here.length === 0) return null;
  return (
    <Box component="ul" aria-label="on this device only" sx={{ listStyle: 'none', m: 0, mb: 1, p: 0 }}>
      {here.map((a) => (
        <li key={a.id}>
          <HereOnly what={`${clock(new Date(a.at).toISOString())}, ${a.what}`} />
        </li>
      ))}
    </Box>
  );
}
