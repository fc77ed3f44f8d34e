'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import Link from 'next/link';
import { useMemo } from 'react';
import { COURSE, DRILL_LEVELS, drillOfLesson, type Drill, type Lesson } from '@/core/drill';
import { jobTitle } from '@/core/jobs';
import { BenchView } from '../drill/BenchView';
import { Beside } from '../drill/Beside';
import { useKeptDrill } from '../drill/useKeptDrill';
import { StationProvider } from '../editor/StationProvider';
import type { SetDrill } from './learning';

/** Stations of lessons are none of the server: their numbers are below all others. */
const NUMBER = -1_000_000;

function Page({ lesson, drill, begun }: { lesson: Lesson | undefined; drill: Drill; begun: boolean }) {
  const place = lesson ? COURSE.indexOf(lesson) : -1;
  const next = COURSE[place + 1];
  return (
    <Box sx={{ px: { xs: 2, md: 2.5 }, pt: 2, maxWidth: 760 }}>
      <Typography variant="h1" component="h2">
        {place >= 0 ? `${place + 1}. ` : ''}
        {drill.title}
      </Typography>
      <Typography variant="label" component="p" sx={{ m: 0 }}>
        {drill.station.identity.name} · {DRILL_LEVELS[drill.level].words}
        {lesson ? ` · for: ${lesson.jobs.map(jobTitle).join('; ')}` : ''}
      </Typography>
      {lesson && (
        <details key={String(begun)} open={!begun}>
          <Typography
            component="summary"
            variant="body1"
            sx={{ cursor: 'pointer', fontWeight: 650, minHeight: 44, pt: 1 }}
          >
            {lesson.aim}
          </Typography>
          {lesson.page.map((p) => (
            <Typography key={p} variant="body1" component="p" sx={{ m: 0, mb: 1 }}>
              {p}
            </Typography>
          ))}
        </details>
      )}
      {next && place >= 0 && (
        <Typography variant="body2" component="p" sx={{ m: 0 }}>
          After it: <Link href={`/learn?lesson=${next.id}`}>{next.title}</Link>
        </Typography>
      )}
    </Box>
  );
}

/** A drill beside the drawing of its station. */
function Bench({
  first,
  at,
  lesson,
  set,
}: {
  first: Drill;
  at: string;
  lesson: Lesson | undefined;
  set: number | null;
}) {
  const { drill, put, keeping, elsewhere } = useKeptDrill(at);
  const page = <Page lesson={lesson} drill={first} begun={drill !== null} />;
  if (!drill)
    return (
      <Beside label="lesson" drawn>
        {page}
        <Box sx={{ p: { xs: 2, md: 2.5 } }}>
          <Button variant="contained" onClick={() => put(first)} sx={{ minHeight: 44 }}>
            to the bench
          </Button>
        </Box>
      </Beside>
    );
  return (
    <BenchView
      {...{ drill, keeping, elsewhere, at, set }}
      label="lesson"
      head={page}
      drawn
      onActs={(acts) => put({ ...drill, acts })}
      onEnd={() => put(null)}
    />
  );
}

/** One lesson of the course, or a drill that was set. */
export function LessonView({ lesson, set }: { lesson: string | null; set: SetDrill | null }) {
  const first = useMemo(() => set?.drill ?? (lesson === null ? null : drillOfLesson(lesson, '')), [lesson, set]);
  const saved = useMemo(
    () => first && { revision: 1, savedAt: '1970-01-01T00:00:00.000Z', station: first.station },
    [first],
  );
  if (!first || !saved)
    return (
      <Box sx={{ p: 2.5 }}>
        <Typography role="alert" variant="body1" component="p" sx={{ m: 0 }}>
          There is no such lesson in this version. <Link href="/learn">To the course</Link>
        </Typography>
      </Box>
    );
  const place = COURSE.findIndex((l) => l.id === lesson);
  return (
    <StationProvider id={NUMBER - (set ? 1000 + set.id : place)} saved={saved} rules={null}>
      <Bench
        first={first}
        at={set ? `set-${set.id}` : `lesson-${lesson}`}
        lesson={COURSE[place]}
        set={set?.id ?? null}
      />
    </StationProvider>
  );
}
