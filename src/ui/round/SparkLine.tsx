import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useEffect, useRef, useState } from 'react';
import type { Spark } from '@/core/book';
import { shortDay } from '../parts/when';

export type Sparks = Readonly<Record<number, Spark | null>>;

/** The sparks of what hangs: each asked for once, after the gauges. */
export function useSparks(hung: readonly number[]): Sparks {
  const [sparks, setSparks] = useState<Sparks>({});
  const asked = useRef(new Set<number>());
  const wanted = hung.join(',');
  useEffect(() => {
    const missing = wanted.split(',').flatMap((id) => (id === '' || asked.current.has(Number(id)) ? [] : [Number(id)]));
    if (missing.length === 0) return;
    for (const id of missing) asked.current.add(id);
    void import('./askSparks')
      .then(({ askSparks }) => askSparks(missing))
      .then((told) => setSparks((before) => ({ ...before, ...told })));
  }, [wanted]);
  return sparks;
}

/** What was read longer ago says nothing of now, ms. */
const OLD = 30 * 86_400_000;
const WIDE = 72;
const HIGH = 16;

/** Starts a day over half a year, and how many now. */
export function SparkLine({ spark: { weeks, to } }: { spark: Spark }) {
  const known = weeks.flatMap((n, i) => (n === null ? [] : [{ n, x: (i / (weeks.length - 1)) * (WIDE - 2) + 1 }]));
  const top = Math.max(...known.map((k) => k.n), 1e-9);
  const d = known.map(
    (k, i) => `${i ? 'L' : 'M'}${k.x.toFixed(1)} ${(HIGH - 1 - (k.n / top) * (HIGH - 2)).toFixed(1)}`,
  );
  const last = known.at(-1)!.n;
  const [now] = useState(() => Date.now());
  const said = `${last < 9.95 ? last.toFixed(1) : Math.round(last)} starts a day`;
  const read = shortDay(new Date(to).toISOString());
  return (
    <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', color: 'text.primary' }}>
      <svg role="img" aria-label={`${said}, read until ${read}`} width={WIDE} height={HIGH}>
        <path d={d.join(' ')} fill="none" stroke="currentColor" strokeWidth={1.2} />
      </svg>
      <Typography variant="label" aria-hidden>
        {said}
        {now - to > OLD && `, until ${read}`}
      </Typography>
    </Box>
  );
}
