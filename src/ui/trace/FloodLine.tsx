import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { Fragment } from 'react';
import type { Thought } from '@/core/trace';

const shares = (works: number | null) =>
  works === null ? 'not asked of the model' : `${Math.round(works * 100)} % that a pump runs, over all suspects`;

/** How long there is, and how the water is brought down first. */
export function FloodLine({ flood }: { flood: NonNullable<Thought['flood']> }) {
  return (
    <Box component="section" aria-label="time to overflow" sx={{ px: { xs: 2, md: 2.5 }, pt: 2 }}>
      <Typography variant="body1" component="p" sx={{ m: 0 }}>
        Until it runs over, nothing pumping, at the ordinary inflow that was surveyed (at the peak):{' '}
        {flood.over.map(({ from, usual, peak }, i) => (
          <Fragment key={from}>
            {i > 0 && '; '}from {from} <b>{usual}</b> ({peak})
          </Fragment>
        ))}
        .
      </Typography>
      <Typography variant="body2" component="p" sx={{ m: 0 }}>
        Pump it down first: {flood.ways.map((w) => `${w.how} (${shares(w.works)})`).join('; ')}.
      </Typography>
    </Box>
  );
}
