'use client';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import Link from 'next/link';
import { useEffect, useRef, useState } from 'react';
import type { Spark } from '@/core/book';
import { Masthead } from '../frame/Masthead';
import type { StationName } from '../frame/askNames';
import { Bell } from '../parts/Bell';
import { Notice } from '../parts/Notice';
import { Shaft } from '../shaft/Shaft';
import { usePrefs } from '../theme/Surface';
import { UnsentList } from '../unsent/UnsentList';
import { NewStation } from './NewStation';
import { SparkLine, useSparks } from './SparkLine';
import { SCREENFUL } from './screenful';
import type { Face, Faces } from './face';
import { OtherPages } from './OtherPages';
import { useGauges } from './useGauges';

const WIDTH = 230;
const HEIGHT = 320;

/** What is said beneath a gauge. */
function lineOf(face: Face | undefined): string {
  if (!face) return 'is being worked out…';
  return 'failed' in face
    ? `Its rules and its drawing could not be worked out (${face.failed}). Nothing of it is lost: open it, or export its file.`
    : face.why;
}

/** What stands on the wall for a station: the drawing with its bell and one line of why, or why there is none. */
function Gauge({ name, face, spark }: { name: string; face: Face | undefined; spark: Spark | null }) {
  const drawn = face && 'scene' in face ? face : null;
  return (
    <>
      {drawn ? (
        <Shaft scene={drawn.scene} title={`shaft of ${name}`} />
      ) : (
        <Box sx={{ height: face ? 0 : HEIGHT, borderLeft: 1, borderRight: 1, borderColor: 'divider' }} />
      )}
      <Box sx={{ display: 'flex', gap: 0.75, alignItems: 'flex-start', mt: 1 }}>
        {face && <Bell state={drawn ? drawn.state : 'ringing'} />}
        <Box sx={{ minWidth: 0 }}>
          <Typography variant="h3" component="h3">
            {name}
          </Typography>
          <Typography variant="label" component="p" sx={{ m: 0 }}>
            {lineOf(face)}
          </Typography>
          {spark && <SparkLine spark={spark} />}
        </Box>
      </Box>
    </>
  );
}

/** One station as a gauge on the wall. */
function GaugeView({
  id,
  name,
  face,
  spark,
}: {
  id: number;
  name: string;
  face: Face | undefined;
  spark: Spark | null;
}) {
  return (
    <Box
      component={Link}
      href={`/stations/${id}/levels`}
      prefetch={false}
      sx={{
        width: { xs: 'calc(50% - 6px)', sm: face && 'scene' in face ? face.scene.layout.width + 20 : WIDTH },
        minWidth: 150,
        color: 'text.primary',
        textDecoration: 'none',
        display: 'block',
        p: 1,
        borderRadius: 1,
        '&:hover': { bgcolor: 'action.hover' },
      }}
    >
      <Gauge name={name} face={face} spark={spark} />
    </Box>
  );
}

/** The end of what hangs now: when it comes near, more is hung. */
function More({ left, onNear }: { left: number; onNear(): void }) {
  const end = useRef<HTMLParagraphElement>(null);
  useEffect(() => {
    const watch = new IntersectionObserver(([seen]) => seen?.isIntersecting && onNear(), { rootMargin: '600px' });
    watch.observe(end.current!);
    return () => watch.disconnect();
  }, [onNear, left]);
  return (
    <Typography ref={end} variant="label" component="p" sx={{ width: '100%' }}>
      {left} more
    </Typography>
  );
}

interface Props {
  stations: readonly StationName[];
  /** What came with the page. */
  known: Faces;
}

/** Home: the stations stand beside each other like gauges on a wall, site by site. */
export function RoundView({ stations, known }: Props) {
  const [many, setMany] = useState(SCREENFUL);
  const [more] = useState(() => () => setMany((n) => n + SCREENFUL));
  const hung = stations.slice(0, many);
  const { faces, away } = useGauges(
    hung.map((s) => s.id),
    known,
  );
  const sparks = useSparks(hung.map((s) => s.id));
  const sites = [...new Set(stations.map((s) => s.site))];
  const { units } = usePrefs();
  return (
    <Box sx={{ display: 'flex', flexDirection: 'column', minHeight: '100dvh' }}>
      <Masthead
        system={units}
        crumbs={
          <Typography component="h1" variant="body1">
            Round
          </Typography>
        }
      >
        <Link href="/due">what is due</Link>
        <Link href="/learn">learn</Link>
        <NewStation sites={sites} />
      </Masthead>
      <Box
        component="main"
        sx={{
          flex: 1,
          px: 2,
          py: 1.5,
          display: 'flex',
          flexWrap: 'wrap',
          columnGap: 4,
          rowGap: 2,
          alignContent: 'flex-start',
        }}
      >
        <OtherPages />
        <UnsentList />
        {away && (
          <Notice severity="warning" sx={{ width: '100%' }}>
            The server does not answer: gauges that are missing are asked for again every few seconds.
          </Notice>
        )}
        {stations.length === 0 && (
          <Typography sx={{ maxWidth: 520, py: 4 }}>
            No station yet. Make one with <b>new station</b> and survey it, or import a file that someone gave you.
          </Typography>
        )}
        {[...new Set(hung.map((s) => s.site))].map((site) => (
          <Box component="section" key={site} aria-label={site || 'no site'}>
            <Typography variant="h2" sx={{ borderBottom: 1, borderColor: 'text.primary', pb: 0.5 }}>
              {site || 'no site'}
            </Typography>
            <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, pt: 0.5 }}>
              {hung
                .filter((s) => s.site === site)
                .map((s) => (
                  <GaugeView
                    key={s.id}
                    id={s.id}
                    name={s.name || `station ${s.id}`}
                    face={faces[s.id]}
                    spark={sparks[s.id] ?? null}
                  />
                ))}
            </Box>
          </Box>
        ))}
        {hung.length < stations.length && <More left={stations.length - hung.length} onNear={more} />}
      </Box>
    </Box>
  );
}
