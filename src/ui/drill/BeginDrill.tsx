'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import Link from 'next/link';
import { useState } from 'react';
import { DRILL_LEVELS, readDrill, type Drill, type LevelName } from '@/core/drill';
import type { Station } from '@/core/station';
import { EXERCISES, type ExerciseKind } from '../exercise/ExerciseView';
import { usePerson } from '../people/PersonProvider';
import { FileButton, JSON_FILE } from '../parts/FileButton';
import { Segments, WRAPPED } from '../parts/Segments';
import { TextBox } from '../parts/TextBox';
import { MakeDrill } from './MakeDrill';

const LEVELS = (Object.keys(DRILL_LEVELS) as LevelName[]).map((l) => [l, l] as const);
const MOST = 2 ** 31;

/** A number that nobody has had yet. */
const anyNumber = (): number => crypto.getRandomValues(new Uint32Array(1))[0]! % 100_000;

/** A drill that somebody handed on, from its file. */
function ImportDrill({ onBegin }: { onBegin(drill: Drill): void }) {
  const [refused, setRefused] = useState<string | null>(null);
  const take = async (chosen: File) => {
    try {
      const read = readDrill(JSON.parse(await chosen.text()));
      if (read.ok) onBegin({ ...read.drill, acts: [] });
      else setRefused(read.problems.map((p) => `${p.path}: ${p.message}`).join('; '));
    } catch {
      setRefused(`${chosen.name} is not JSON`);
    }
  };
  return (
    <>
      <FileButton
        words="import a drill"
        label="drill file"
        accept={JSON_FILE}
        sx={{ minHeight: 44 }}
        onFile={(f) => void take(f)}
      />
      {refused !== null && (
        <Typography role="alert" variant="body2" color="error" sx={{ flexBasis: '100%' }}>
          Not taken: {refused}
        </Typography>
      )}
    </>
  );
}

interface Props {
  station: Station;
  onBegin(drill: Drill): void;
  onExercise(kind: ExerciseKind, seed: number): void;
}

/** Which drill: how hard, and by which number: the same number hides the same on any machine. */
export function BeginDrill({ station, onBegin, onExercise }: Props) {
  const [level, setLevel] = useState<LevelName>('first week');
  const [number, setNumber] = useState('');
  const [making, setMaking] = useState(false);
  const reads = usePerson()?.role === 'reader';
  const wrong = number.trim() !== '' && !(/^\d+$/.test(number.trim()) && Number(number) < MOST);
  const seed = () => (number.trim() === '' ? anyNumber() : Number(number));
  const drill = { title: station.identity.name, by: '', level, faults: null, lesson: null, station, acts: [] };
  return (
    <Box sx={{ p: { xs: 2, md: 2.5 }, maxWidth: 720, display: 'flex', flexDirection: 'column', gap: 2 }}>
      <Typography variant="h1" component="h2">
        Something is wrong at {station.identity.name}
      </Typography>
      <Typography variant="body1" component="p" sx={{ m: 0 }}>
        A fault is put into the model of this station, and nobody says which. Look, measure, isolate, wait: each costs
        minutes, and the water goes on. Then say what it is. Nothing here touches the station, its book or its survey.
        To begin from the first float, <Link href="/learn">take the course</Link>.
      </Typography>
      <Box>
        <Segments label="level" value={level} choices={LEVELS} onPick={setLevel} sx={WRAPPED} />
        <Typography variant="body2" component="p" sx={{ m: 0, mt: 0.75 }}>
          {DRILL_LEVELS[level].words}.
        </Typography>
      </Box>
      <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'flex-start', flexWrap: 'wrap' }}>
        <Button
          variant="contained"
          disabled={wrong}
          onClick={() => onBegin({ ...drill, seed: seed() })}
          sx={{ minHeight: 44 }}
        >
          begin
        </Button>
        <TextBox
          label="number of the drill"
          value={number}
          onChange={(e) => setNumber(e.target.value)}
          inputMode="numeric"
          problem={wrong ? 'a whole number' : undefined}
          help="empty: any; the same number hides the same"
          sx={{ width: 260 }}
        />
        <ImportDrill onBegin={onBegin} />
        {!reads && (
          <Button aria-expanded={making} onClick={() => setMaking(!making)} sx={{ minHeight: 44 }}>
            for others
          </Button>
        )}
      </Box>
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', alignItems: 'center' }}>
        <Typography variant="body1">Or, without a fault:</Typography>
        {(Object.keys(EXERCISES) as ExerciseKind[]).map((kind) => (
          <Button key={kind} disabled={wrong} onClick={() => onExercise(kind, seed())} sx={{ minHeight: 44 }}>
            {EXERCISES[kind]}
          </Button>
        ))}
      </Box>
      {making && !wrong && <MakeDrill drill={{ ...drill, seed: number.trim() === '' ? 1 : Number(number) }} />}
    </Box>
  );
}
