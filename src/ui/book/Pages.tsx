'use client';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { PageKept } from '@/core/book';
import type { UnitSystem } from '@/core/units';
import { OnePage } from './OnePage';
import type { OnWrite } from './shown';

/** Pages, newest first, ruled. */
export function Pages({
  stationId,
  pages,
  system,
  onWrite,
}: {
  stationId: number;
  pages: readonly PageKept[];
  system: UnitSystem;
  /** null: they are only read. */
  onWrite: OnWrite | null;
}) {
  if (pages.length === 0) return <Typography variant="body2">Nothing is written yet.</Typography>;
  return (
    <Box component="ol" aria-label="pages of the book" sx={{ listStyle: 'none', m: 0, p: 0 }}>
      {pages.map((p) => (
        <OnePage key={p.id} stationId={stationId} shown={p} system={system} onWrite={onWrite} />
      ))}
    </Box>
  );
}
