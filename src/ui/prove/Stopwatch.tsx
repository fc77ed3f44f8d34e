'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useEffect, useState } from 'react';

/** Seconds as a watch shows them. */
const shown = (s: number): string =>
  `${Math.floor(s / 60)}:${Math.floor(s % 60)
    .toString()
    .padStart(2, '0')}.${Math.floor((s % 1) * 10)}`;

/** A watch with start, mark and stop: what it shows when it is stopped goes to whoever asked for a time. */
export function Stopwatch({ onStop }: { onStop(seconds: number): void }) {
  const [from, setFrom] = useState<number | null>(null);
  const [now, setNow] = useState(0);
  const [marks, setMarks] = useState<readonly number[]>([]);
  useEffect(() => {
    if (from === null) return;
    const tick = setInterval(() => setNow((performance.now() - from) / 1000), 100);
    return () => clearInterval(tick);
  }, [from]);
  const running = from !== null;
  const stop = () => {
    if (from === null) return;
    const seconds = (performance.now() - from) / 1000;
    setNow(seconds);
    setFrom(null);
    onStop(seconds);
  };
  const start = () => {
    setMarks([]);
    setNow(0);
    setFrom(performance.now());
  };
  return (
    <Box
      role="group"
      aria-label="watch"
      sx={{ display: 'flex', gap: 1, alignItems: 'center', flexWrap: 'wrap', '& button': { minHeight: 48 } }}
    >
      <Typography
        component="output"
        variant="readingSmall"
        aria-label="time on the watch"
        sx={{ fontSize: 26, minWidth: 96 }}
      >
        {shown(now)}
      </Typography>
      <Button variant="outlined" onClick={running ? stop : start}>
        {running ? 'stop' : 'start'}
      </Button>
      <Button disabled={!running} onClick={() => setMarks([...marks, now])}>
        mark
      </Button>
      {marks.length > 0 && <Typography variant="body2">marks: {marks.map(shown).join(', ')}</Typography>}
    </Box>
  );
}
