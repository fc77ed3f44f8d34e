'use client';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import dynamic from 'next/dynamic';
import Link from 'next/link';
import { useSearchParams } from 'next/navigation';
import { Suspense } from 'react';
import { Masthead } from '../frame/Masthead';
import { isExercise } from '../exercise/ExerciseView';
import { Opening } from '../parts/Opening';
import { usePrefs } from '../theme/Surface';
import type { LearnProps } from './learning';

const loading = () => <Opening />;
const Course = dynamic(() => import('./Course').then((m) => m.Course), { ssr: false, loading });
const ExerciseOf = dynamic(() => import('./ExerciseOf').then((m) => m.ExerciseOf), { ssr: false, loading });
const LessonView = dynamic(() => import('./LessonView').then((m) => m.LessonView), { ssr: false, loading });

function Learn(props: LearnProps) {
  const { units } = usePrefs();
  // The address says which lesson; the page is the same for all, so that it can be taken along.
  const asked = useSearchParams();
  const lesson = asked.get('lesson');
  const set = props.sets.find((s) => String(s.id) === asked.get('set'));
  const exercise = asked.get('exercise');
  const inside = lesson !== null || set !== undefined || exercise !== null;
  return (
    <Box sx={{ display: 'flex', flexDirection: 'column', height: { md: '100dvh' }, minHeight: '100dvh' }}>
      <Masthead
        system={units}
        crumbs={
          <Typography component="h1" variant="body1" noWrap>
            <Link href="/">Round</Link> ▸ {inside ? <Link href="/learn">Learn</Link> : 'Learn'}
          </Typography>
        }
      />
      <Box component="main" sx={{ flex: 1, minHeight: 0, overflow: 'auto' }}>
        {isExercise(exercise) ? (
          <ExerciseOf kind={exercise} file={asked.get('station') ?? ''} seed={Number(asked.get('number')) || 1} />
        ) : inside ? (
          <LessonView key={`${lesson ?? ''} ${set?.id ?? ''}`} lesson={lesson} set={set ?? null} />
        ) : (
          <Course {...props} />
        )}
      </Box>
    </Box>
  );
}

/** The course, and what is practised next; or one lesson of it. */
export const LearnView = (props: LearnProps) => (
  <Suspense fallback={<Opening />}>
    <Learn {...props} />
  </Suspense>
);
