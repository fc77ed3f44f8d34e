'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import { sayPhrase } from '@/core/units';
import { useStationSystem } from '../editor/StationProvider';
import { Notice } from '../parts/Notice';
import { clock } from './clock';
import type { Rehearsed } from './useRehearsal';

/** How far the rehearsal is, or why there is none, or why it ended before its time. */
export function RunState({ rehearsed, onRun, onStop }: { rehearsed: Rehearsed; onRun(): void; onStop(): void }) {
  const system = useStationSystem();
  switch (rehearsed.state) {
    case 'idle':
      return null;
    case 'refused':
      return (
        <Notice severity="error">
          {rehearsed.problems.map((p) => (typeof p === 'string' ? p : sayPhrase(p, system))).join('; ')}
        </Notice>
      );
    case 'failed':
      return <Notice severity="error">The rehearsal broke off. Change something, or open the page again.</Notice>;
    case 'stopped':
      return (
        <Notice severity="info" action={<Button onClick={onRun}>run</Button>}>
          Stopped.
        </Notice>
      );
    case 'running':
      return (
        <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', px: 1.5, py: 1 }}>
          <LinearProgress
            variant="determinate"
            value={rehearsed.share * 100}
            aria-label="rehearsing"
            sx={{ flex: 1 }}
          />
          <Button onClick={onStop}>stop</Button>
        </Box>
      );
    case 'there':
      return (
        rehearsed.run.endedEarly && (
          <Notice severity="warning">
            It ended at {clock(rehearsed.run.duration)}: {sayPhrase(rehearsed.run.endedEarly, system)}.
          </Notice>
        )
      );
  }
}
