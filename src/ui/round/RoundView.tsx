'use client';
import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import Link from 'next/link';
import { useMemo } from 'react';
import { judge } from '@/core/levels';
import { shaftScene } from '@/core/papers';
import type { Problem, Station } from '@/core/station';
import { systemOf } from '@/core/units';
import { Masthead } from '../frame/Masthead';
import { Bell, type BellState } from '../parts/Bell';
import { Shaft } from '../shaft/Shaft';
import { usePrefs } from '../theme/Surface';
import { NewStation } from './NewStation';

export interface RoundStation {
  readonly id: number;
  readonly revision: number;
  readonly station: Station;
}

/** A stored document that this version cannot read. */
export interface UnreadableStation {
  readonly id: number;
  readonly problems: readonly Problem[];
}

const HEIGHT = 320;
const WIDTH = 210;

/** One station as a gauge on the wall: its shaft, its bell, one line of why. */
function Gauge({ entry }: { entry: RoundStation }) {
  const { station, id } = entry;
  const judgement = useMemo(() => judge(station), [station]);
  const system = usePrefs().units ?? systemOf(station.profile);
  const { context, rules } = judgement;
  const scene = useMemo(
    () =>
      shaftScene(context, {
        width: WIDTH,
        height: HEIGHT,
        detail: 'thumb',
        system,
        level: (context.stop + context.lead) / 2,
      }),
    [context, system],
  );
  const worst = rules[0]!;
  const bell: BellState =
    worst.state === 'broken' || worst.state === 'unknown' ? 'ringing' : worst.state === 'tight' ? 'due' : 'quiet';
  const why = bell === 'quiet' ? 'all rules hold' : `${worst.state === 'tight' ? 'tight' : 'broken'}: ${worst.title}`;
  return (
    <Box
      component={Link}
      href={`/stations/${id}/levels`}
      sx={{
        width: { xs: 'calc(50% - 6px)', sm: WIDTH + 20 },
        minWidth: 150,
        color: 'text.primary',
        textDecoration: 'none',
        display: 'block',
        p: 1,
        borderRadius: 1,
        '&:hover': { bgcolor: 'action.hover' },
      }}
    >
      <Shaft scene={scene} title={`shaft of ${station.identity.name}`} />
      <Box sx={{ display: 'flex', gap: 0.75, alignItems: 'flex-start', mt: 1 }}>
        <Bell state={bell} />
        <Box sx={{ minWidth: 0 }}>
          <Typography variant="h3" component="h3">
            {station.identity.name}
          </Typography>
          <Typography variant="label" component="p" sx={{ m: 0 }}>
            {why}
          </Typography>
        </Box>
      </Box>
    </Box>
  );
}

/** Home: the stations stand beside each other like gauges on a wall, site by site. */
export function RoundView({
  stations,
  unreadable,
}: {
  stations: readonly RoundStation[];
  unreadable: readonly UnreadableStation[];
}) {
  const sites = [...new Set(stations.map((s) => s.station.identity.site))];
  const names = stations.map((s) => ({ id: s.id, name: s.station.identity.name, site: s.station.identity.site }));
  const { units } = usePrefs();
  return (
    <Box sx={{ display: 'flex', flexDirection: 'column', minHeight: '100dvh' }}>
      <Masthead
        stations={names}
        system={units}
        crumbs={
          <Typography component="h1" variant="body1">
            Round
          </Typography>
        }
      >
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
        {unreadable.map(({ id, problems }) => (
          <Alert key={id} severity="error" sx={{ width: '100%' }}>
            Station {id} cannot be read by this version (
            {problems
              .map((p) => `${p.path}: ${p.message}`)
              .slice(0, 3)
              .join('; ')}
            ). It is kept as it is: <a href={`/api/stations/${id}/file`}>take it out as a file</a>.
          </Alert>
        ))}
        {stations.length === 0 && unreadable.length === 0 && (
          <Typography sx={{ maxWidth: 520, py: 4 }}>
            No station yet. Make one with <b>new station</b> and survey it, or bring one in from a file that someone
            gave you.
          </Typography>
        )}
        {sites.map((site) => (
          <Box component="section" key={site} aria-label={site}>
            <Typography variant="h2" sx={{ borderBottom: 1, borderColor: 'text.primary', pb: 0.5 }}>
              {site}
            </Typography>
            <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, pt: 0.5 }}>
              {stations
                .filter((s) => s.station.identity.site === site)
                .map((s) => (
                  <Gauge key={s.id} entry={s} />
                ))}
            </Box>
          </Box>
        ))}
      </Box>
    </Box>
  );
}
