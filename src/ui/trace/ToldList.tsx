'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { readTold, type Thought, type Told } from '@/core/trace';
import { downloadJson, fileNameOf } from '../parts/download';
import { FileButton, JSON_FILE } from '../parts/FileButton';

interface Props {
  told: Told;
  tell(next: Told): void;
  thought: Thought | null;
  /** What was thought is of what is told now. */
  current: boolean;
  begin(): void;
}

type Kept = Told['evidence'][number];
const doubted = (e: Kept): boolean => e.kind !== 'symptom' && e.doubted === true;

/** Doubted, or believed again. */
function turned(e: Kept): Kept {
  if (e.kind === 'symptom') return e;
  const { doubted: was, ...rest } = e;
  return was ? rest : { ...rest, doubted: true };
}

/** Which answers stand against the others, and which are of another station. */
function Against({ thought }: { thought: Thought }) {
  return (
    <>
      {thought.doubts.map((d) => (
        <Typography
          key={d.key}
          role="note"
          variant="body1"
          component="p"
          sx={{ m: 0, borderLeft: 3, borderColor: 'warning.main', pl: 1 }}
        >
          <b>{d.says}</b> stands against the rest. Without it the rest is explained{' '}
          {d.times > 1000 ? 'more than a thousand' : Math.round(d.times)} times better: {d.then},{' '}
          {Math.round(d.probability * 100)} %. Read it again, or doubt it.
        </Typography>
      ))}
      {thought.strangers.length > 0 && (
        <Typography role="note" variant="body1" component="p" sx={{ m: 0 }}>
          Not of this station as it is now, and counted for nothing: {thought.strangers.join('; ')}.
        </Typography>
      )}
    </>
  );
}

/** One answer, which can be doubted or taken back. */
function Line({ words, of, onDoubt, onBack }: { words: string; of: Kept; onDoubt(): void; onBack(): void }) {
  const out = doubted(of);
  return (
    <Box
      component="li"
      sx={{
        display: 'flex',
        gap: 1,
        alignItems: 'center',
        justifyContent: 'space-between',
        py: 0.5,
        borderBottom: 1,
        borderColor: 'divider',
      }}
    >
      <Typography
        component="span"
        variant="body1"
        sx={out ? { textDecoration: 'line-through', color: 'text.secondary' } : undefined}
      >
        {words}
      </Typography>
      <Box sx={{ flex: 'none' }}>
        {of.kind !== 'symptom' && (
          <Button size="small" onClick={onDoubt}>
            {out ? 'believe it' : 'doubt it'}
          </Button>
        )}
        <Button size="small" onClick={onBack}>
          take back
        </Button>
      </Box>
    </Box>
  );
}

/** Handed to a colleague as a file, and taken from one. */
function AsFile({ told, tell, begin }: Pick<Props, 'told' | 'tell' | 'begin'>) {
  const [said, setSaid] = useState<string | null>(null);
  const take = async (file: File) => {
    let input: unknown = null;
    try {
      input = JSON.parse(await file.text());
    } catch {
      return setSaid('Not taken: it is not JSON.');
    }
    const read = readTold(input);
    if (!read.ok) return setSaid(`Not taken: ${read.problems.slice(0, 3).join('; ')}`);
    if (read.told.station.name !== told.station.name)
      return setSaid(`Not taken: it was told of “${read.told.station.name}”.`);
    setSaid(null);
    tell(read.told);
  };
  return (
    <>
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
        <Button variant="outlined" onClick={() => downloadJson(fileNameOf(told.station.name, 'trace'), told)}>
          hand it on as a file
        </Button>
        <FileButton
          size="small"
          words="take one from a file"
          label="what was told elsewhere"
          accept={JSON_FILE}
          onFile={(file) => void take(file)}
        />
        <Button onClick={begin} disabled={told.evidence.length === 0}>
          begin anew
        </Button>
      </Box>
      {said && (
        <Typography role="alert" variant="body2" color="error">
          {said}
        </Typography>
      )}
    </>
  );
}

/** Everything that was told, in its order: each can be doubted or taken back; which contradict is said. */
export function ToldList({ told, tell, thought, current, begin }: Props) {
  const put = (evidence: Told['evidence']) => tell({ ...told, evidence });
  const left = told.skipped.length + told.impossible.length;
  return (
    <Box sx={{ px: { xs: 2, md: 2.5 }, pt: 2, display: 'flex', flexDirection: 'column', gap: 2, maxWidth: 720 }}>
      {thought && <Against thought={thought} />}
      <Box component="ol" aria-label="what was told" sx={{ m: 0, p: 0, listStyle: 'none' }}>
        {told.evidence.map((e, i) => (
          <Line
            key={i}
            of={e}
            words={current ? (thought?.told[i] ?? '') : '…'}
            onDoubt={() => put(told.evidence.map((x, k) => (k === i ? turned(x) : x)))}
            onBack={() => put(told.evidence.filter((_, k) => k !== i))}
          />
        ))}
      </Box>
      {told.evidence.length === 0 && <Typography variant="body2">Nothing yet.</Typography>}
      {left > 0 && (
        <Typography variant="body2" component="p" sx={{ m: 0 }}>
          {told.skipped.length} passed over, {told.impossible.length} not possible here.{' '}
          <Button size="small" onClick={() => tell({ ...told, skipped: [], impossible: [] })}>
            offer them again
          </Button>
        </Typography>
      )}
      <AsFile told={told} tell={tell} begin={begin} />
    </Box>
  );
}
