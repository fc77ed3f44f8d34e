'use client';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { OwnerPage } from '@/core/papers';
import { Paper } from './Paper';

/** One page for the owner, to read and to print. */
export function OwnerView({ page }: { page: OwnerPage }) {
  return (
    <Paper label="for the owner" wide={640}>
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
    </Paper>
  );
}
