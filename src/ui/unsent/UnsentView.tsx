'use client';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import dynamic from 'next/dynamic';
import Link from 'next/link';
import { useEffect, useState, useSyncExternalStore } from 'react';
import { NO_PAST } from '@/core/trace';
import type { Station } from '@/core/station';
import { StationProvider } from '../editor/StationProvider';
import { Masthead } from '../frame/Masthead';
import type { Act } from '../outbox/act';
import { numberHere } from '../outbox/moved';
import { useActs } from '../outbox/useActs';
import { Opening } from '../parts/Opening';
import { Segments } from '../parts/Segments';
import { UnsentContext } from './unsent';
import { UnsentSaving } from './UnsentSaving';

const loading = () => <Opening />;
const SurveyView = dynamic(() => import('../survey/SurveyView').then((m) => m.SurveyView), { ssr: false, loading });
const LevelsView = dynamic(() => import('../levels/LevelsView').then((m) => m.LevelsView), { ssr: false, loading });
const DrillView = dynamic(() => import('../drill/DrillView').then((m) => m.DrillView), { ssr: false, loading });
const TraceView = dynamic(() => import('../trace/TraceView').then((m) => m.TraceView), { ssr: false, loading });

type Page = 'survey' | 'levels' | 'trace' | 'drill';
const PAGES: readonly (readonly [Page, string])[] = [
  ['survey', 'Survey'],
  ['levels', 'Levels'],
  ['trace', 'Trace'],
  ['drill', 'Drill'],
];

interface Asked {
  readonly key: string | null;
  readonly view: Page;
}

/** What the address asks for: the page itself is the same for all, so that it can be taken along. */
function askedFor(search: string): Asked {
  const asked = new URLSearchParams(search);
  const view = PAGES.find(([p]) => p === asked.get('view'))?.[0] ?? 'survey';
  return { key: asked.get('act'), view };
}

const never = () => () => {};

/** The station of an act as it stands on this device, read once. */
function useStationHere(act: Act | undefined, acts: readonly Act[]): Station | 'unreadable' | null {
  const [made, setMade] = useState<Station | 'unreadable' | null>(null);
  const id = act?.id;
  useEffect(() => {
    let left = false;
    if (act)
      void import('./unsentAct').then(({ stationHere }) => left || setMade(stationHere(act, acts) ?? 'unreadable'));
    return () => void (left = true);
    // What is saved of it later is on the screen already.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [id]);
  return made;
}

/** One of its views, over what makes it and keeps it. */
function Here({ act, station, first }: { act: Act; station: Station; first: Page }) {
  const [page, setPage] = useState(first);
  const id = numberHere(act);
  const savedAt = new Date(act.at).toISOString();
  return (
    <StationProvider id={id} saved={{ revision: 1, savedAt, station }} rules={null}>
      <UnsentContext value={act.id}>
        <Box sx={{ display: 'flex', flexDirection: 'column', height: '100dvh' }}>
          <Masthead
            system={null}
            crumbs={
              <Typography component="h1" variant="body1" noWrap>
                <Link href="/">Round</Link> ▸ <b>{station.identity.name}</b>
              </Typography>
            }
          >
            <UnsentSaving act={act} view={page} />
          </Masthead>
          <Box
            sx={{ px: { xs: 2, md: 2.5 }, py: 1, display: 'flex', flexWrap: 'wrap', gap: 1.5, alignItems: 'center' }}
          >
            <Segments label="view" value={page} choices={PAGES} onPick={setPage} />
            <Typography variant="body2" component="p" sx={{ m: 0, flex: '1 1 320px' }}>
              Made without the server: it gets its place on the wall, and the other views, when it is sent. The firm’s
              own figures for rules and wires are not in it, unless its file had them.
            </Typography>
          </Box>
          <Box component="main" sx={{ flex: 1, minHeight: 0, overflow: { xs: 'auto', md: 'hidden' } }}>
            {page === 'survey' && <SurveyView />}
            {page === 'levels' && <LevelsView />}
            {page === 'drill' && <DrillView station={station} />}
            {page === 'trace' && <TraceView past={NO_PAST} station={station} revision={1} />}
          </Box>
        </Box>
      </UnsentContext>
    </StationProvider>
  );
}

/** A station that was made without signal, worked on until it is sent. */
export function UnsentView() {
  const { acts, read } = useActs();
  const search = useSyncExternalStore(
    never,
    () => location.search,
    () => null,
  );
  const asked = search === null ? null : askedFor(search);
  const act = acts.find((a) => a.kind === 'new-station' && a.id === asked?.key);
  const station = useStationHere(act, acts);
  if (asked && act && station !== null && station !== 'unreadable')
    return <Here act={act} station={station} first={asked.view} />;
  if (!asked || !read || (act && station === null)) return <Opening />;
  return (
    <Box component="main" sx={{ p: 2.5 }}>
      <Typography role="alert" variant="body1" component="p" sx={{ m: 0 }}>
        {act
          ? 'This station cannot be read by this version: it is kept as it is.'
          : 'There is no such station on this device.'}{' '}
        <Link href="/along">to what was written on this device</Link>
      </Typography>
    </Box>
  );
}
