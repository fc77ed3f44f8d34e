'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import dynamic from 'next/dynamic';
import { useEffect, useState } from 'react';
import { WHOLE } from '@/core/proving';
import { isDirty, isHereOnly } from '../editor/editorStore';
import { newKey } from '../parts/browserKeep';
import { useEditor } from '../editor/StationProvider';
import { FileButton, JSON_FILE } from '../parts/FileButton';
import { TextBox } from '../parts/TextBox';
import { usePerson } from '../people/PersonProvider';
import { Works } from '../people/Works';
import { clock } from '../parts/when';
import { Notice } from '../parts/Notice';

const PlanOfTests = dynamic(() => import('./PlanOfTests').then((m) => m.PlanOfTests), { ssr: false });

/** What begins a run: there before signal is lost. */
const BEGINNING = () => [import('./sendRun'), import('./begun'), import('@/core/jobs')] as const;

export interface RunSummary {
  readonly id: number;
  readonly revision: number;
  readonly startedAt: string;
  readonly tester: string;
  readonly title: string;
  readonly sealed: boolean;
  readonly done: number;
  readonly failed: number;
  readonly steps: number;
  /** Why its plan cannot be read by this version; null when it can. */
  readonly unreadable: string | null;
}

function Runs({ runs, id }: { runs: readonly RunSummary[]; id: number }) {
  if (runs.length === 0) return <Typography variant="body2">No run yet of this station.</Typography>;
  return (
    <Box component="ul" aria-label="test runs" sx={{ m: 0, pl: 2.5 }}>
      {runs.map((r) => (
        <Typography component="li" variant="body2" key={r.id}>
          <Link href={`/stations/${id}/prove/${r.id}`}>
            {r.title}, {clock(r.startedAt)}, {r.tester}
          </Link>{' '}
          – revision {r.revision},{' '}
          {r.unreadable !== null
            ? `its plan cannot be read by this version (${r.unreadable}); what was entered is kept`
            : `${r.done} of ${r.steps} steps${r.failed > 0 ? `, ${r.failed} failed` : ''}${r.sealed ? ', sealed' : ''}`}
        </Typography>
      ))}
    </Box>
  );
}

export interface FromFileShown {
  readonly id: number;
  readonly receivedAt: string;
  readonly sealedAt: string;
  readonly sealedBy: string;
  readonly hash: string;
}

/** Sealed runs that came as files: their seals hold, or they would not be here. */
function FromFiles({ files, id }: { files: readonly FromFileShown[]; id: number }) {
  const router = useRouter();
  const [said, setSaid] = useState<string | null>(null);
  const take = async (file: File) => {
    const { sendRunFile } = await import('./sendRun');
    const sent = await sendRunFile(id, await file.text());
    setSaid(sent.ok ? null : `Not taken: ${sent.reason}`);
    if (sent.ok) router.refresh();
  };
  return (
    <Box>
      {files.map((f) => (
        <Typography key={f.id} variant="body2" component="p" sx={{ m: 0, overflowWrap: 'anywhere' }}>
          From a file, {clock(f.receivedAt)}: sealed {clock(f.sealedAt)} by {f.sealedBy}, its seal holds (
          {f.hash.slice(0, 12)} …)
        </Typography>
      ))}
      <FileButton
        size="small"
        words="take in a sealed run from a file"
        label="sealed run"
        accept={JSON_FILE}
        onFile={(file) => void take(file)}
      />
      {said && <Notice severity="error">{said}</Notice>}
    </Box>
  );
}

/** What can be done at this station: every kind of job that fits it, the others with why not; the card of the one that is chosen; its runs. */
export function ProveView({
  runs,
  fromFiles,
  asked,
}: {
  runs: readonly RunSummary[];
  fromFiles: readonly FromFileShown[];
  asked: string | null;
}) {
  const router = useRouter();
  const id = useEditor((s) => s.id);
  const here = useEditor(isHereOnly);
  const dirty = useEditor(isDirty) && !here;
  const station = useEditor((s) => s.document);
  const revision = useEditor((s) => s.saved.revision);
  const person = usePerson();
  const [said, setTester] = useState('');
  const tester = person?.name ?? said;
  const [job, setJob] = useState(asked ?? WHOLE);
  const [failed, setFailed] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  // A run that was begun and whose answer was lost is found again, not begun twice.
  const [key] = useState(newKey);
  useEffect(() => void Promise.all(BEGINNING()), []);
  const begin = async () => {
    setBusy(true);
    const act = `${key}-${job}`;
    const [{ startRun }, { cardKept }, { jobTitle }] = await Promise.all(BEGINNING());
    const card = cardKept(station, job);
    const of = here ? null : revision;
    const started = await startRun(id, { tester, job, revision: of, title: jobTitle(job), card }, act);
    setBusy(false);
    if (started.ok === 'kept') router.push(`/stations/${id}/prove/begun?run=${act}`);
    else if (started.ok) router.push(`/stations/${id}/prove/${started.id}`);
    else setFailed(started.reason);
  };
  return (
    <PlanOfTests job={job} onJob={setJob}>
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
        <Works else={<Typography variant="body2">You look here: an installer begins runs.</Typography>}>
          <Box
            component="form"
            onSubmit={(e) => (e.preventDefault(), void begin())}
            sx={{ display: 'flex', gap: 1.5, alignItems: 'flex-start', flexWrap: 'wrap' }}
          >
            <TextBox
              label="tested by"
              value={tester}
              readOnly={person !== null}
              onChange={(e) => setTester(e.target.value)}
              help="name or initials"
              sx={{ width: 170 }}
            />
            <Button type="submit" variant="contained" disabled={dirty || busy || tester.trim() === ''}>
              {here ? 'begin a run of what is saved here' : `begin a run of revision ${revision}`}
            </Button>
          </Box>
        </Works>
        <a href={`/api/stations/${id}/jobcard?job=${job}`}>this card on paper (PDF)</a>
        {dirty && <Notice severity="info">Save first: a test run is true of a saved revision.</Notice>}
        {failed && <Notice severity="error">Not begun: {failed}</Notice>}
        <Runs runs={runs} id={id} />
        <Works>
          <FromFiles files={fromFiles} id={id} />
        </Works>
      </Box>
    </PlanOfTests>
  );
}
