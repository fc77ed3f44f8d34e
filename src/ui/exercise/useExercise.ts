'use client';
import type { Remote } from 'comlink';
import { useEffect, useState } from 'react';
import type { ExerciseApi } from '@/workers/exercise';
import { useWorker } from '../parts/useWorker';

export type Asked<T> =
  { readonly kind: 'asking' } | { readonly kind: 'there'; readonly is: T } | { readonly kind: 'none' };

const open = () => new Worker(new URL('../../workers/exercise.ts', import.meta.url), { type: 'module' });

/** Something of an exercise, worked out off the page. @param ask the same as long as the same is asked */
export function useExercise<T>(ask: (api: Remote<ExerciseApi>) => Promise<T | null>): Asked<T> {
  const { go } = useWorker<ExerciseApi>(open);
  const [asked, setAsked] = useState<{ of: typeof ask; is: Asked<T> } | null>(null);
  useEffect(() => {
    const tell = (is: Asked<T>) => setAsked({ of: ask, is });
    go({
      ask,
      done: (is) => tell(is === null ? { kind: 'none' } : { kind: 'there', is }),
      failed: () => tell({ kind: 'none' }),
    });
  }, [ask, go]);
  return asked?.of === ask ? asked.is : { kind: 'asking' };
}
