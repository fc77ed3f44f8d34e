'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useRef, useState } from 'react';
import { DRILL_LEVELS, readDrill, type Drill, type LevelName } from '@/core/drill';
import type { Station } from '@/core/station';
import { Segments, WRAPPED } from '../parts/Segments';
import { TextBox } from '../parts/TextBox';

const LEVELS = (Object.keys(DRILL_LEVELS) as LevelName[]).map((l) => [l, l] as const);
const MOST = 2 ** 31;

/** A number that nobody has had yet. */
const anyNumber = (): number => crypto.getRandomValues(new Uint32Array(1))[0]! % 100_000;

/** Which drill: how hard, and by which number: the same number hides the same on any machine. */
export function BeginDrill({ station, onBegin }: { station: Station; onBegin(drill: Drill): void }) {
  const [level, setLevel] = useState<LevelName>('first week');
  const [number, setNumber] = useState('');
  const [refused, setRefused] = useState<string | null>(null);
  const file = useRef<HTMLInputElement>(null);
  const seed = number.trim() === '' ? anyNumber : () => Number(number);
  const wrong = number.trim() !== '' && !(/^\d+$/.test(number.trim()) && Number(number) < MOST);
  const take = async (chosen: File | undefined) => {
    if (!chosen) return;
    try {
      const read = readDrill(JSON.parse(await chosen.text()));
      if (read.ok) onBegin({ ...read.drill, acts: [] });
      else setRefused(read.problems.map((p) => `${p.path}: ${p.message}`).join('; '));
    } catch {
      setRefused(`${chosen.name} is not JSON`);
    }
  };
  return (
    <Box sx={{ p: { xs: 2, md: 2.5 }, maxWidth: 720, display: 'flex', flexDirection: 'column', gap: 2 }}>
      <Typography variant="h1" component="h2">
        Something is wrong at {station.identity.name}
      </Typography>
      <Typography variant="body1" component="p" sx={{ m: 0 }}>
        A fault is put into the model of this station, and nobody says which. Look, measure, isolate, wait: each costs
        minutes, and the water goes on. Then say what it is. Nothing here touches the station, its book or its survey.
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
          onClick={() => onBegin({ title: station.identity.name, by: '', level, seed: seed(), station, acts: [] })}
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
        <Button onClick={() => file.current?.click()} sx={{ minHeight: 44 }}>
          import a drill
        </Button>
        <input
          ref={file}
          type="file"
          accept=".json,application/json"
          hidden
          aria-label="drill file"
          onChange={(e) => {
            void take(e.target.files?.[0]);
            e.target.value = '';
          }}
        />
      </Box>
      {refused !== null && (
        <Typography role="alert" variant="body2" color="error">
          Not taken: {refused}
        </Typography>
      )}
    </Box>
  );
}
