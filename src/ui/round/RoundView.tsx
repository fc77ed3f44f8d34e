'use client';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import Link from 'next/link';
import type { Gauge } from '@/core/papers';
import type { Problem } from '@/core/station';
import { Masthead, type StationName } from '../frame/Masthead';
import { Bell } from '../parts/Bell';
import { Shaft } from '../shaft/Shaft';
import { usePrefs } from '../theme/Surface';
import { NewStation } from './NewStation';
import { Notice } from '../parts/Notice';

export interface RoundStation extends StationName {
  /** Or why it could not be worked out. */
  readonly gauge: Gauge | { readonly failed: string };
}

/** A stored document that this version cannot read. */
export interface UnreadableStation {
  readonly id: number;
  readonly problems: readonly Problem[];
}

const WIDTH = 230;

/** What stands in the place of a gauge: the drawing with its bell and one line of why, or why there is none. */
function Face({ name, gauge }: Pick<RoundStation, 'name' | 'gauge'>) {
  const failed = 'failed' in gauge;
  return (
    <>
      {!failed && <Shaft scene={gauge.scene} title={`shaft of ${name}`} />}
      <Box sx={{ display: 'flex', gap: 0.75, alignItems: 'flex-start', mt: 1 }}>
        <Bell state={failed ? 'ringing' : gauge.state} />
        <Box sx={{ minWidth: 0 }}>
          <Typography variant="h3" component="h3">
            {name}
          </Typography>
          <Typography variant="label" component="p" sx={{ m: 0 }}>
            {failed
              ? `Its rules and its drawing could not be worked out (${gauge.failed}). Nothing of it is lost: open it, or export its file.`
              : gauge.why}
          </Typography>
        </Box>
      </Box>
    </>
  );
}

/** One station as a gauge on the wall. */
function GaugeView({ station: { id, name, gauge } }: { station: RoundStation }) {
  return (
    <Box
      component={Link}
      href={`/stations/${id}/levels`}
      sx={{
        width: { xs: 'calc(50% - 6px)', sm: 'failed' in gauge ? WIDTH : gauge.scene.layout.width + 20 },
        minWidth: 150,
        color: 'text.primary',
        textDecoration: 'none',
        display: 'block',
        p: 1,
        borderRadius: 1,
        '&:hover': { bgcolor: 'action.hover' },
      }}
    >
      <Face name={name} gauge={gauge} />
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
  const sites = [...new Set(stations.map((s) => s.site))];
  const { units } = usePrefs();
  return (
    <Box sx={{ display: 'flex', flexDirection: 'column', minHeight: '100dvh' }}>
      <Masthead
        stations={stations}
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
          <Notice key={id} severity="error" sx={{ width: '100%' }}>
            Station {id} cannot be read by this version (
            {problems
              .map((p) => `${p.path}: ${p.message}`)
              .slice(0, 3)
              .join('; ')}
            ). It is kept as it is: <a href={`/api/stations/${id}/file`}>export it as a file</a>.
          </Notice>
        ))}
        {stations.length === 0 && unreadable.length === 0 && (
          <Typography sx={{ maxWidth: 520, py: 4 }}>
            No station yet. Make one with <b>new station</b> and survey it, or import a file that someone gave you.
          </Typography>
        )}
        {sites.map((site) => (
          <Box component="section" key={site} aria-label={site}>
            <Typography variant="h2" sx={{ borderBottom: 1, borderColor: 'text.primary', pb: 0.5 }}>
              {site}
            </Typography>
            <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, pt: 0.5 }}>
              {stations
                .filter((s) => s.site === site)
                .map((s) => (
                  <GaugeView key={s.id} station={s} />
                ))}
            </Box>
          </Box>
        ))}
      </Box>
    </Box>
  );
}
