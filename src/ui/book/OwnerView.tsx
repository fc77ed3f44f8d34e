'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import Link from 'next/link';
import type { OwnerPage } from '@/core/papers';
import { useEditor } from '../editor/StationProvider';

/** One page for the owner, to read and to print. */
export function OwnerView({ page }: { page: OwnerPage }) {
  const id = useEditor((s) => s.id);
  return (
    <Box sx={{ height: '100%', overflow: 'auto', p: 2, '@media print': { overflow: 'visible', height: 'auto', p: 0 } }}>
      <Box className="no-print" sx={{ display: 'flex', gap: 2, alignItems: 'center', mb: 2 }}>
        <Button variant="contained" onClick={() => window.print()}>
          print it
        </Button>
        <Link href={`/stations/${id}/book`}>back to the book</Link>
      </Box>
      <Box component="article" aria-label="for the owner" sx={{ maxWidth: 640, fontSize: 16 }}>
        <Typography variant="h1" component="h2">
          {page.title}, {page.site}
        </Typography>
        {page.parts.map((p) => (
          <Box component="section" key={p.heading} sx={{ mt: 1.5 }}>
            <Typography variant="h2" component="h3">
              {p.heading}
            </Typography>
            {p.lines.map((l) => (
              <Typography key={l} variant="body1">
                {l}
              </Typography>
            ))}
          </Box>
        ))}
      </Box>
    </Box>
  );
}
