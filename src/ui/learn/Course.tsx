'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import Link from 'next/link';
import { useMemo, useState, type ReactNode } from 'react';
import { COURSE, passed, practiceOf, type Practice, type Result } from '@/core/drill';
import { sendTakeBack } from '../drill/sendResult';
import { Pick } from '../parts/Pick';
import { dueIn, shortDay } from '../parts/when';
import { usePerson } from '../people/PersonProvider';
import { useWho } from '../people/useWho';
import { Exercises } from './Exercises';
import type { LearnProps, SetDrill } from './learning';

const LATER = 86_400_000;

const Line = ({ children }: { children: ReactNode }) => (
  <Box component="li" sx={{ py: 0.75, borderTop: 1, borderColor: 'divider' }}>
    {children}
  </Box>
);

const list = { listStyle: 'none', m: 0, p: 0 } as const;

/** What is due, and the next lesson that was never done. */
function Next({ practice, now }: { practice: readonly Practice[]; now: number }) {
  const due = practice.filter((p) => p.due !== null && p.due <= now + LATER);
  const fresh = practice.find((p) => p.due === null);
  const all = [...due, ...(fresh ? [fresh] : [])].slice(0, 5);
  return (
    <Box component="section" aria-label="what to practise next">
      <Typography variant="h2">To practise next</Typography>
      <Box component="ol" sx={list}>
        {all.map((p) => (
          <Line key={`${p.kind} ${p.id}`}>
            {p.lesson ? <Link href={`/learn?lesson=${p.lesson}`}>{p.title}</Link> : p.title}
            <Typography component="span" variant="label">
              {' '}
              {p.due === null ? 'new' : dueIn(p.due, now)}
              {p.kind === 'fault' ? ' · missed in a drill' : ''}
            </Typography>
          </Line>
        ))}
        {all.length === 0 && <Line>Nothing is due.</Line>}
      </Box>
    </Box>
  );
}

/** Drills that a teacher set, by class. */
function Sets({ sets }: { sets: readonly SetDrill[] }) {
  const [said, setSaid] = useState<string | null>(null);
  const reads = usePerson()?.role === 'reader';
  if (sets.length === 0) return null;
  return (
    <Box component="section" aria-label="set to classes">
      <Typography variant="h2">Set to classes</Typography>
      <Box component="ul" sx={list}>
        {sets.map((s) => (
          <Line key={s.id}>
            <Link href={`/learn?set=${s.id}`}>{s.drill.title}</Link>
            <Typography component="span" variant="label">
              {' '}
              {s.class} · by {s.by}, {shortDay(s.at)}{' '}
            </Typography>
            {!reads && (
              <Button size="small" onClick={() => void sendTakeBack(s.id).then((t) => setSaid(t.says))}>
                take back
              </Button>
            )}
          </Line>
        ))}
      </Box>
      {said !== null && (
        <Typography role="status" variant="body2">
          {said}
        </Typography>
      )}
    </Box>
  );
}

/** How often a lesson was done, and how it stood the last time. */
function standing(results: readonly Result[], lesson: string): string {
  const own = results.filter((r) => r.lesson === lesson);
  const last = own.at(-1);
  if (!last) return '';
  return `${passed(last) ? 'met' : 'not met'}${own.length > 1 ? `, ${own.length} times` : ''}`;
}

/** The course in its order, and what is practised next. */
export function Course({ sets, results, now }: LearnProps) {
  const who = useWho();
  const [chosen, setChosen] = useState('');
  const name = chosen || who.name.trim();
  const own = useMemo(() => results.filter((r) => r.by === name), [results, name]);
  const practice = useMemo(() => practiceOf(own), [own]);
  const people = [...new Set([...results.map((r) => r.by), ...(who.name.trim() ? [who.name.trim()] : [])])].sort();
  return (
    <Box
      sx={{
        p: { xs: 2, md: 2.5 },
        display: 'grid',
        gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 1.4fr) minmax(0, 1fr)' },
        gap: 3,
        maxWidth: 1180,
      }}
    >
      <Box component="section" aria-label="the course">
        <Typography variant="h1" component="h2">
          From one float to a duplex
        </Typography>
        <Typography variant="body1" component="p" sx={{ m: 0, mb: 1 }}>
          Each lesson is a page and a bench: a station of the demo with something hidden in its model. What it shows is
          asked of that model. Learn here what may be tried; at a real pit local codes and licensed practice hold.
        </Typography>
        <Box component="ol" aria-label="lessons" sx={list}>
          {COURSE.map((l, i) => (
            <Line key={l.id}>
              <Typography component="span" variant="readingSmall">
                {i + 1}
              </Typography>{' '}
              <Link href={`/learn?lesson=${l.id}`}>{l.title}</Link>{' '}
              <Typography component="span" variant="label">
                {l.level} {standing(own, l.id) && `· ${standing(own, l.id)}`}
              </Typography>
              <Typography variant="body2" component="p" sx={{ m: 0 }}>
                {l.aim}
              </Typography>
            </Line>
          ))}
        </Box>
      </Box>
      <Box sx={{ display: 'flex', flexDirection: 'column', gap: 2.5 }}>
        {people.length > 0 && (
          <Pick<string>
            label="marks of"
            value={name}
            empty="nobody yet"
            choices={people.map((p) => [p, p] as const)}
            onPick={setChosen}
          />
        )}
        <Next practice={practice} now={now} />
        <Exercises />
        <Sets sets={sets} />
        <Typography variant="body2" component="p" sx={{ m: 0 }}>
          What came of all drills: <a href="/api/drills/file">CSV</a>. When a lesson is due again follows from how it
          went each time: what was missed or dangerous comes back the next day, what went well after longer and longer.
        </Typography>
      </Box>
    </Box>
  );
}
