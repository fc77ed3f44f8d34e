'use client';
import dynamic from 'next/dynamic';
import type { Station } from '@/core/station';
import { Opening } from '../parts/Opening';

const loading = () => <Opening />;
const WiringExercise = dynamic(() => import('./WiringExercise').then((m) => m.WiringExercise), { ssr: false, loading });
const LevelsExercise = dynamic(() => import('./LevelsExercise').then((m) => m.LevelsExercise), { ssr: false, loading });

/** Exercises beside the drills, by what they are called. */
export const EXERCISES = {
  empty: 'wire an empty strip',
  wrong: 'find what is landed wrong',
  levels: 'set the levels',
} as const;
export type ExerciseKind = keyof typeof EXERCISES;

export const isExercise = (text: string | null): text is ExerciseKind =>
  text !== null && Object.hasOwn(EXERCISES, text);

/** What is done in them is kept under numbers that no station has. @param of a number for the station */
const numberOf = (kind: ExerciseKind, of: number, seed: number): number =>
  -(10 ** 9 + (Object.keys(EXERCISES).indexOf(kind) + 3 * of) * 10 ** 5 + (seed % 10 ** 5));

/** One exercise at a station. */
export function ExerciseView(props: { station: Station; kind: ExerciseKind; seed: number; of: number }) {
  const { station, kind, seed, of } = props;
  const id = numberOf(kind, of, seed);
  return kind === 'levels' ? (
    <LevelsExercise key={id} {...{ station, seed, id }} />
  ) : (
    <WiringExercise key={id} {...{ station, kind, seed, id }} />
  );
}
