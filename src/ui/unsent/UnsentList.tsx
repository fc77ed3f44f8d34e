'use client';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import Link from 'next/link';
import { isHere } from '../outbox/act';
import { useActs } from '../outbox/useActs';

/** Stations that were made on this device and are not sent yet. */
export function UnsentList() {
  const { acts } = useActs();
  const made = acts.filter((a) => a.kind === 'new-station' && isHere(a));
  if (made.length === 0) return null;
  return (
    <Box component="section" aria-label="on this device only" sx={{ width: '100%' }}>
      <Typography variant="h2" sx={{ borderBottom: 1, borderColor: 'text.primary', pb: 0.5 }}>
        On this device only
      </Typography>
      {made.map((a) => (
        <Typography
          key={a.id}
          component={Link}
          href={`/unsent?act=${a.id}`}
          prefetch={false}
          variant="body1"
          sx={{ display: 'flex', alignItems: 'center', minHeight: 44 }}
        >
          {a.what}
          {a.why !== null && `: ${a.why}`}
        </Typography>
      ))}
    </Box>
  );
}
