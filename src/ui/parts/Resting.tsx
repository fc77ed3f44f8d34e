'use client';
import Typography from '@mui/material/Typography';
import { restingSentence, type Resting } from '@/core/dependence';
import type { Station } from '@/core/station';
import { useResting } from '../editor/useResting';

/** One sentence: how many of the figures taken on site nobody typed or confirmed, and which to measure first. Nothing where all were. */
export function RestingWords({ resting, known }: { resting: Resting; known: boolean }) {
  if (resting.unconfirmed === 0) return null;
  return (
    <Typography variant="body2" role="note" aria-busy={!known}>
      {restingSentence(resting)}
      {!known && ' Which of them matter most is being worked out…'}
    </Typography>
  );
}

/** The same of a station, worked out off the page. @param station one that holds together */
export const RestsOn = ({ station }: { station: Station }) => <RestingWords {...useResting(station)} />;
