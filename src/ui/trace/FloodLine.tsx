import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { Thought } from '@/core/trace';

const shares = (works: number | null) =>
  works === null ? 'not asked of the model' : `${Math.round(works * 100)} % that a pump runs, over all suspects`;

/** How long there is, and how the water is brought down first. */
export function FloodLine({ flood }: { flood: NonNullable<Thought['flood']> }) {
  return (
    <Box component="section" aria-label="time to overflow" sx={{ px: { xs: 2, md: 2.5 }, pt: 2 }}>
      {flood.over.map(({ from, usual, peak }) => (
        <Typography key={from} variant="body1" component="p" sx={{ m: 0 }}>
          From {from} until it runs over, nothing pumping: <b>{usual}</b> at the ordinary inflow that was surveyed,{' '}
          {peak} at the peak.
        </Typography>
      ))}
      <Typography variant="body2" component="p" sx={{ m: 0 }}>
        Pump it down first: {flood.ways.map((w) => `${w.how} (${shares(w.works)})`).join('; ')}.
      </Typography>
    </Box>
  );
}
