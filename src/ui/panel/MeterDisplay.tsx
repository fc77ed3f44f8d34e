'use client';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useEffect, useMemo } from 'react';
import type { Reading } from '@/core/circuit';
import { readingWords } from '@/core/wiring';
import { meterReading, movedByMeter } from './metering';
import { usePanel } from './PanelProvider';

/** Whether what a reading means is told as a danger: refused, live behind what looks like nothing, or a load that would trip something. */
const warns = (reading: Reading): boolean =>
  !reading.ok ||
  (reading.unit === 'V' &&
    (reading.moves !== undefined || (reading.state !== 'steady' && Math.max(...reading.toEarth) > 0)));

/** What it shows, and what that means. */
export function MeterDisplay() {
  const live = usePanel((s) => s.live);
  const meter = usePanel((s) => s.meter);
  const setWould = usePanel((s) => s.setWould);
  const reading = useMemo(() => meterReading({ live, meter }), [live, meter]);
  useEffect(() => setWould(movedByMeter({ live, meter })), [live, meter, setWould]);
  const { shown, means } = reading
    ? readingWords(reading)
    : { shown: '– –', means: meter.mode === 'amps' ? 'put the clamp round a core' : 'touch two points' };
  return (
    <Box aria-live="polite" aria-label="reading" role="status" sx={{ minHeight: 58 }}>
      <Typography variant="reading" component="div" sx={{ fontSize: 26 }}>
        {shown}
      </Typography>
      <Typography variant="label" component="div" color={reading && warns(reading) ? 'error' : undefined}>
        {meter.hand && !reading
          ? `touch a wire or terminal with the ${meter.hand === 'a' ? 'red' : 'black'} probe`
          : means}
      </Typography>
    </Box>
  );
}
