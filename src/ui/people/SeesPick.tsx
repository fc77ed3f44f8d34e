'use client';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { Segments } from '../parts/Segments';
import { TickBox } from '../parts/TickBox';

/** A station by its name, where it is chosen among others. */
export interface StationNamed {
  readonly id: number;
  readonly name: string;
  readonly site: string;
}

interface Props {
  /** Whom it is about, for the names of its parts. */
  of: string;
  sees: readonly number[] | null;
  stations: readonly StationNamed[];
  onSees(sees: readonly number[] | null): void;
}

/** Which stations a reader sees: all of the firm, or some of his own. */
export function SeesPick({ of, sees, stations, onSees }: Props) {
  return (
    <Box role="group" aria-label={`what ${of} sees`} sx={{ my: 1 }}>
      <Segments
        label={`what ${of} sees`}
        value={sees === null ? 'all' : 'own'}
        choices={
          [
            ['all', 'sees all stations'],
            ['own', 'only stations of their own'],
          ] as const
        }
        onPick={(which) => onSees(which === 'all' ? null : (sees ?? []))}
      />
      {sees !== null && (
        <>
          <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fit, minmax(240px, 1fr))', mt: 0.5 }}>
            {stations.map((s) => (
              <TickBox
                key={s.id}
                label={`${s.site} ▸ ${s.name}`}
                checked={sees.includes(s.id)}
                onChange={(is) => onSees(is ? [...sees, s.id] : sees.filter((id) => id !== s.id))}
              />
            ))}
          </Box>
          {sees.length === 0 && <Typography variant="body2">Nothing is ticked: nothing is seen.</Typography>}
        </>
      )}
    </Box>
  );
}
