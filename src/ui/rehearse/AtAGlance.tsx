'use client';
import Box from '@mui/material/Box';
import { useMemo } from 'react';
import { figures, type Rehearsal } from '@/core/rehearsal';
import type { Station } from '@/core/station';
import { useStationSystem } from '../editor/StationProvider';
import { Reading } from '../parts/Reading';

/** The few figures that one looks at first. */
export function AtAGlance({ station, run }: { station: Station; run: Rehearsal }) {
  const system = useStationSystem();
  const all = useMemo(() => new Map(figures(station, run).map((f) => [f.id, f])), [station, run]);
  const wanted = [
    ...run.pumps.flatMap((_, i) => [`starts-${i + 1}`, `ran-${i + 1}`]),
    'alarms',
    'alarm-time',
    'warning',
    'overflow',
  ];
  return (
    <Box
      role="group"
      aria-label="what it comes to"
      sx={{
        display: 'flex',
        flexWrap: 'wrap',
        columnGap: 3,
        rowGap: 0.5,
        px: 1.5,
        py: 0.5,
        borderTop: 1,
        borderColor: 'divider',
      }}
    >
      {wanted.map((id) => {
        const f = all.get(id)!;
        return <Reading key={id} label={f.what} value={f.value} system={system} />;
      })}
    </Box>
  );
}
