'use client';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import Link from 'next/link';
import { useState } from 'react';
import { demoStations } from '@/core/demo';
import { EXERCISES, type ExerciseKind } from '../exercise/ExerciseView';
import { Pick } from '../parts/Pick';
import { TextBox } from '../parts/TextBox';

const STATIONS = demoStations().map(
  ({ file, station }) => [file.replace(/\.json$/, ''), station.identity.name] as const,
);

/** Exercises without a fault, at any station of the demo; at one’s own they are under its Drill. */
export function Exercises() {
  const [station, setStation] = useState<string>(STATIONS[0]![0]);
  const [number, setNumber] = useState('1');
  const seed = /^\d{1,9}$/.test(number.trim()) ? number.trim() : null;
  return (
    <Box component="section" aria-label="exercises" sx={{ display: 'flex', flexDirection: 'column', gap: 1.25 }}>
      <Typography variant="h2">Strip and levels</Typography>
      <Box sx={{ display: 'flex', gap: 1.5, flexWrap: 'wrap', alignItems: 'flex-start' }}>
        <Pick<string>
          label="station"
          value={station}
          choices={STATIONS}
          onPick={setStation}
          sx={{ flex: '1 1 200px' }}
        />
        <TextBox
          label="number"
          value={number}
          onChange={(e) => setNumber(e.target.value)}
          inputMode="numeric"
          problem={seed === null ? 'a whole number' : undefined}
          sx={{ width: 110 }}
        />
      </Box>
      {seed !== null && (
        <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0 }}>
          {(Object.keys(EXERCISES) as ExerciseKind[]).map((kind) => (
            <Box component="li" key={kind} sx={{ py: 0.75 }}>
              <Link href={`/learn?exercise=${kind}&station=${station}&number=${seed}`}>{EXERCISES[kind]}</Link>
            </Box>
          ))}
        </Box>
      )}
    </Box>
  );
}
