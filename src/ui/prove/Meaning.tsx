'use client';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useEffect, useState } from 'react';
import type { ProofEntry, Step } from '@/core/proving';
import type { Station } from '@/core/station';
import type { Meant } from '@/core/jobs';

/** What a failed step could mean, in a line: single faults of the catalogue that would make it so, asked one by one of the model. */
export function Meaning({
  station,
  job,
  step,
  entry,
}: {
  station: Station;
  job: string;
  step: Step;
  entry: ProofEntry;
}) {
  const [meant, setMeant] = useState<Meant | null>(null);
  useEffect(() => {
    let stopped = false;
    // It asks a hundred worlds: in a thread beside the page.
    void import('./askMeaning').then(({ askMeaning }) =>
      askMeaning(station, job, step, entry).then((m) => void (!stopped && setMeant(m))),
    );
    return () => void (stopped = true);
  }, [station, job, step, entry]);
  if (!meant) return <Typography variant="body2">What it could mean is being asked …</Typography>;
  return (
    <Box component="section" aria-label="what it could mean">
      <Typography variant="h3">What it could mean</Typography>
      <Typography variant="body2" component="p" sx={{ m: 0 }}>
        {meant.causes.length > 0
          ? `${meant.causes
              .slice(0, 6)
              .map((c) => c.label)
              .join('; ')}${meant.causes.length > 6 ? `; and ${meant.causes.length - 6} more` : ''}.`
          : 'None of the single faults asked would show this.'}{' '}
        Asked: each of {meant.asked} single faults alone, in the station as it is designed now. Not asked: two at once,
        and what no fault of the catalogue is.
      </Typography>
    </Box>
  );
}
