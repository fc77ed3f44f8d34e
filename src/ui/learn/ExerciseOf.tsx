'use client';
import Typography from '@mui/material/Typography';
import Link from 'next/link';
import { demoStations } from '@/core/demo';
import { ExerciseView, type ExerciseKind } from '../exercise/ExerciseView';

/** An exercise at a station of the demo. */
export function ExerciseOf({ kind, file, seed }: { kind: ExerciseKind; file: string; seed: number }) {
  const all = demoStations();
  const place = all.findIndex((d) => d.file === `${file}.json`);
  if (place < 0)
    return (
      <Typography role="alert" variant="body1" component="p" sx={{ m: 2.5 }}>
        There is no such station here. <Link href="/learn">To the course</Link>
      </Typography>
    );
  return <ExerciseView station={all[place]!.station} of={place} {...{ kind, seed }} />;
}
