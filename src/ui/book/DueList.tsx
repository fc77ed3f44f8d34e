'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import Link from 'next/link';
import { useState } from 'react';
import { whenOf } from '@/core/book';
import { sayPhrase } from '@/core/units';
import { useStationSystem } from '../editor/StationProvider';
import { TextBox } from '../parts/TextBox';
import { dueIn } from '../parts/when';
import type { DueShown } from './shown';

/** When it is due, as a person says it. */
export function dueWords(due: DueShown, now: number): string {
  const at = whenOf(due);
  if (!Number.isFinite(at)) return 'when cannot be told yet';
  const told = dueIn(at, now);
  return due.later && at === due.later.until ? `put off, ${told}: ${due.later.why}` : told;
}

/** Putting off: until when, and why it can wait. */
function Later({ onLater }: { onLater(until: string, why: string): Promise<boolean> }) {
  const [asked, setAsked] = useState(false);
  const [until, setUntil] = useState('');
  const [why, setWhy] = useState('');
  if (!asked)
    return (
      <Button sx={{ minHeight: 44 }} onClick={() => setAsked(true)}>
        put it off
      </Button>
    );
  return (
    <Box
      component="form"
      onSubmit={(e) => {
        e.preventDefault();
        void onLater(until, why.trim()).then((ok) => ok && setAsked(false));
      }}
      sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', alignItems: 'flex-start', width: '100%', pt: 0.75 }}
    >
      <TextBox label="until" type="date" value={until} onChange={(e) => setUntil(e.target.value)} sx={{ width: 150 }} />
      <TextBox label="why it can wait" value={why} onChange={(e) => setWhy(e.target.value)} sx={{ width: 200 }} />
      <Button type="submit" disabled={until === '' || why.trim() === ''} sx={{ minHeight: 44 }}>
        put it off
      </Button>
    </Box>
  );
}

/** What is due here: when, why, and the job that does it. */
export function DueList({
  due,
  now,
  onLater,
}: {
  due: readonly DueShown[];
  now: number;
  onLater(id: string, until: string, why: string): Promise<boolean>;
}) {
  const system = useStationSystem();
  return (
    <Box component="section" aria-label="what is due" sx={{ mb: 1 }}>
      <Typography variant="h3" component="h2">
        What is due
      </Typography>
      <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0 }}>
        {due.slice(0, 6).map((d) => (
          <Box
            component="li"
            key={d.id}
            sx={{
              display: 'flex',
              gap: 1,
              alignItems: 'center',
              flexWrap: 'wrap',
              borderTop: 1,
              borderColor: 'divider',
            }}
          >
            <Typography variant="body2" sx={{ flex: '1 1 200px' }}>
              <b>{d.what}</b>, {dueWords(d, now)}: {sayPhrase(d.why, system)}.
            </Typography>
            <Link href={`/stations/${d.stationId}/prove?job=${d.job}`}>begin its job</Link>
            <Later onLater={(until, why) => onLater(d.id, until, why)} />
          </Box>
        ))}
      </Box>
    </Box>
  );
}
