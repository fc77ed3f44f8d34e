import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Link from 'next/link';
import type { ReactNode } from 'react';
import { useEditor } from '../editor/StationProvider';

/** A page of the book that is read and printed, and leads back to it. */
export function Paper({ label, wide, children }: { label: string; wide: number; children: ReactNode }) {
  const id = useEditor((s) => s.id);
  return (
    <Box sx={{ height: '100%', overflow: 'auto', p: 2, '@media print': { overflow: 'visible', height: 'auto', p: 0 } }}>
      <Box className="no-print" sx={{ display: 'flex', gap: 2, alignItems: 'center', mb: 2 }}>
        <Button variant="contained" onClick={() => window.print()}>
          print it
        </Button>
        <Link href={`/stations/${id}/book`}>back to the book</Link>
      </Box>
      <Box component="article" aria-label={label} sx={{ maxWidth: wide }}>
        {children}
      </Box>
    </Box>
  );
}
