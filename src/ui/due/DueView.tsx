'use client';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import Link from 'next/link';
import { useEffect, useState } from 'react';
import { quantity, say, sayPhrase } from '@/core/units';
import { dueWords } from '../book/DueList';
import type { DueShown } from '../book/shown';
import { Masthead } from '../frame/Masthead';
import dynamic from 'next/dynamic';
import { TickBox } from '../parts/TickBox';
import { usePrefs } from '../theme/Surface';

const FirmRules = dynamic(() => import('./FirmRules').then((m) => m.FirmRules), { ssr: false, loading: () => null });

/** What is to be brought along, asked for as stops are ticked. */
function useBring(chosen: readonly DueShown[]) {
  const of = chosen.map((d) => `${d.stationId}:${d.job}`).join(',');
  const [bring, setBring] = useState<{
    of: string;
    list: readonly { what: string; where: readonly string[] }[];
  } | null>(null);
  useEffect(() => {
    if (of === '') return;
    let left = false;
    void import('./askBring')
      .then(({ askBring }) => askBring(of))
      .then((list) => !left && list && setBring({ of, list }));
    return () => void (left = true);
  }, [of]);
  return of === '' ? [] : bring?.of === of ? bring.list : null;
}

const keyOf = (d: DueShown) => `${d.stationId} ${d.id}`;

/** One thing that is due somewhere, to be ticked for today. */
function OneDue({
  due: d,
  now,
  picked,
  onPick,
}: {
  due: DueShown;
  now: number;
  picked: boolean;
  onPick(on: boolean): void;
}) {
  return (
    <Box
      component="li"
      sx={{
        borderTop: 1,
        borderColor: 'divider',
        py: 0.75,
        display: 'flex',
        gap: 1.5,
        flexWrap: 'wrap',
        alignItems: 'center',
      }}
    >
      <TickBox label="" name={`on today’s route: ${d.name}, ${d.what}`} checked={picked} onChange={onPick} />
      <Typography variant="body2" sx={{ flex: '1 1 220px' }}>
        <Link href={`/stations/${d.stationId}/book`}>{d.name}</Link>, {d.site}: <b>{d.what}</b>:{' '}
        {sayPhrase(d.why, 'metric')}.
      </Typography>
      <Typography variant="readingSmall" sx={{ flex: '0 1 220px' }}>
        {dueWords(d, now)}
        {d.toHarm !== null && (
          <Typography component="span" variant="label" sx={{ display: 'block' }}>
            {say(quantity('duration', d.toHarm * 3600), 'metric')} from alarm to harm
          </Typography>
        )}
      </Typography>
    </Box>
  );
}

/** What is ticked for today, in order, and what to bring for all of it. */
function Route({ chosen }: { chosen: readonly DueShown[] }) {
  const bring = useBring(chosen);
  return (
    <Box component="section" aria-label="today’s route">
      <Typography variant="h2">Today’s route</Typography>
      {chosen.length === 0 && (
        <Typography variant="body2">Tick what is done today: what to bring for all of it stands here.</Typography>
      )}
      <Box component="ol" sx={{ pl: 2.5, m: 0 }}>
        {chosen.map((d) => (
          <Typography component="li" variant="body2" key={keyOf(d)}>
            {d.name}, {d.site}: {d.what} – <Link href={`/stations/${d.stationId}/prove?job=${d.job}`}>its job</Link>
          </Typography>
        ))}
      </Box>
      {chosen.length > 0 && (
        <>
          <Typography variant="h3" sx={{ mt: 1.5 }}>
            To bring
          </Typography>
          {bring === null && <Typography variant="body2">asking the job cards …</Typography>}
          <Box component="ul" aria-label="to bring" sx={{ pl: 2.5, m: 0 }}>
            {(bring ?? []).map((b) => (
              <Typography component="li" variant="body2" key={b.what}>
                {b.what}
                {chosen.length > 1 && (
                  <Typography component="span" variant="label">{` (${b.where.join(', ')})`}</Typography>
                )}
              </Typography>
            ))}
          </Box>
        </>
      )}
    </Box>
  );
}

/** What is due everywhere, the most pressing first: late, for each hour that a station gives; a day’s route is ticked, and says what to bring. */
export function DueView({ due, now }: { due: readonly DueShown[]; now: number }) {
  const { units } = usePrefs();
  const [picked, setPicked] = useState<ReadonlySet<string>>(new Set());
  const chosen = due.filter((d) => picked.has(keyOf(d)));
  const tick = (key: string, on: boolean) =>
    setPicked((was) => new Set(on ? [...was, key] : [...was].filter((k) => k !== key)));
  return (
    <Box sx={{ display: 'flex', flexDirection: 'column', minHeight: '100dvh' }}>
      <Masthead
        system={units}
        crumbs={
          <Typography component="h1" variant="body1">
            <Link href="/">Round</Link> ▸ what is due
          </Typography>
        }
      />
      <Box
        component="main"
        sx={{
          p: 2,
          display: 'grid',
          gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 1.7fr) minmax(0, 1fr)' },
          gap: 3,
        }}
      >
        <Box component="section" aria-label="what is due everywhere">
          <Typography variant="label" component="p" sx={{ m: 0, mb: 0.5 }}>
            Most pressing first: days late, for each hour from alarm to harm. As a file: <a href="/api/due">CSV</a> ·{' '}
            <a href="/api/due/calendar">calendar</a>, to be subscribed to at this address ·{' '}
            <a href="/api/due/reminder">letter</a> (e-mail)
          </Typography>
          <Box component="ol" sx={{ listStyle: 'none', m: 0, p: 0 }}>
            {due.map((d) => (
              <OneDue
                key={keyOf(d)}
                due={d}
                now={now}
                picked={picked.has(keyOf(d))}
                onPick={(on) => tick(keyOf(d), on)}
              />
            ))}
          </Box>
        </Box>
        <Box>
          <Route chosen={chosen} />
          <FirmRules />
        </Box>
      </Box>
    </Box>
  );
}
