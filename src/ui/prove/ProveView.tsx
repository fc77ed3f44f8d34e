'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import { isDirty } from '../editor/editorStore';
import { newKey } from '../parts/browserKeep';
import { useEditor } from '../editor/StationProvider';
import { TextBox } from '../parts/TextBox';
import { clock } from '../parts/when';
import { Notice } from '../parts/Notice';

const PlanOfTests = dynamic(() => import('./PlanOfTests').then((m) => m.PlanOfTests), { ssr: false });

export interface RunSummary {
  readonly id: number;
  readonly revision: number;
  readonly startedAt: string;
  readonly tester: string;
  readonly done: number;
  readonly failed: number;
  readonly steps: number;
  /** Why its plan cannot be read by this version; null when it can. */
  readonly unreadable: string | null;
}

function Runs({ runs, id }: { runs: readonly RunSummary[]; id: number }) {
  if (runs.length === 0) return <Typography variant="body2">No test run yet of this station.</Typography>;
  return (
    <Box component="ul" aria-label="test runs" sx={{ m: 0, pl: 2.5 }}>
      {runs.map((r) => (
        <Typography component="li" variant="body2" key={r.id}>
          <Link href={`/stations/${id}/prove/${r.id}`}>
            {clock(r.startedAt)}, {r.tester}
          </Link>{' '}
          – revision {r.revision},{' '}
          {r.unreadable !== null
            ? `its plan cannot be read by this version (${r.unreadable}); what was entered is kept`
            : `${r.done} of ${r.steps} steps${r.failed > 0 ? `, ${r.failed} failed` : ''}`}
        </Typography>
      ))}
    </Box>
  );
}

/** The test plan as it stands now, and the runs that were made of it; where a run begins. */
export function ProveView({ runs }: { runs: readonly RunSummary[] }) {
  const router = useRouter();
  const id = useEditor((s) => s.id);
  const dirty = useEditor(isDirty);
  const revision = useEditor((s) => s.saved.revision);
  const [tester, setTester] = useState('');
  const [failed, setFailed] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  // A run that was begun and whose answer was lost is found again, not begun twice.
  const [key] = useState(newKey);
  const begin = async () => {
    setBusy(true);
    const started = await (await import('./sendRun')).startRun(id, tester, key);
    setBusy(false);
    if (started.ok) router.push(`/stations/${id}/prove/${started.id}`);
    else setFailed(started.reason);
  };
  return (
    <PlanOfTests>
      <Box
        sx={{
          px: { xs: 2, md: 2.5 },
          pt: 2,
          pb: 1.5,
          borderBottom: 1,
          borderColor: 'divider',
          display: 'flex',
          flexDirection: 'column',
          gap: 1.5,
        }}
      >
        <Box
          component="form"
          onSubmit={(e) => (e.preventDefault(), void begin())}
          sx={{ display: 'flex', gap: 1.5, alignItems: 'flex-start', flexWrap: 'wrap' }}
        >
          <TextBox
            label="tested by"
            value={tester}
            onChange={(e) => setTester(e.target.value)}
            help="name or initials"
            sx={{ width: 170 }}
          />
          <Button type="submit" variant="contained" disabled={dirty || busy || tester.trim() === ''}>
            begin a test run of revision {revision}
          </Button>
        </Box>
        {dirty && <Notice severity="info">Save first: a test run is true of a saved revision.</Notice>}
        {failed && <Notice severity="error">Not begun: {failed}</Notice>}
        <Runs runs={runs} id={id} />
      </Box>
    </PlanOfTests>
  );
}
