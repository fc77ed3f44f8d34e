'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { drawdownFlow, type DrawdownRun } from '@/core/proving';
import { parseQuantity, quantity, say, unitOf, type UnitSystem } from '@/core/units';
import type { Station } from '@/core/station';
import { TextBox } from '../parts/TextBox';
import { Stopwatch } from './Stopwatch';

const FIELDS = [
  ['from', 'water at the start, rim down', 'height'],
  ['to', 'water at the stop, rim down', 'height'],
  ['seconds', 'time between', 'time'],
  ['rise', 'it rose again by', 'height'],
  ['riseSeconds', 'in', 'time'],
] as const;
type Field = (typeof FIELDS)[number][0];

/** From how far the water fell and rose again: what the pump moves, and how surely. Repeated runs are averaged. */
export function DrawdownBox({
  station,
  system,
  onFlow,
}: {
  station: Station;
  system: UnitSystem;
  onFlow(values: { drop: string; flow: string }): void;
}) {
  const [typed, setTyped] = useState<Partial<Record<Field, string>>>({});
  const [runs, setRuns] = useState<readonly DrawdownRun[]>([]);
  const read = (field: Field, format: 'height' | 'time') => {
    const parsed = parseQuantity(format, typed[field] ?? '', system);
    return parsed.ok ? parsed.value : null;
  };
  const values = FIELDS.map(([field, , format]) => read(field, format));
  const [from, to, seconds, rise, riseSeconds] = values;
  const given = (v: number | null | undefined): v is number => v !== null && v !== undefined;
  const one: DrawdownRun | null =
    given(from) && given(to) && given(seconds) && seconds > 0
      ? { from, to, seconds, rise: rise ?? 0, riseSeconds: riseSeconds ?? 0 }
      : null;
  const result = drawdownFlow(station, one ? [...runs, one] : runs);
  const tell = (f: Parameters<typeof quantity>[0], v: number) => say(quantity(f, v), system);
  return (
    <Box role="group" aria-label="drawdown" sx={{ display: 'flex', flexDirection: 'column', gap: 1 }}>
      <Stopwatch
        onStop={(seconds) => {
          // The fall first, then the rise.
          const field = (typed.seconds ?? '') === '' ? 'seconds' : 'riseSeconds';
          setTyped({ ...typed, [field]: tell('time', seconds) });
        }}
      />
      <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr 1fr', md: 'repeat(3, 1fr)' }, gap: 1 }}>
        {FIELDS.map(([field, label, format]) => (
          <TextBox
            key={field}
            label={label}
            value={typed[field] ?? ''}
            onChange={(e) => setTyped({ ...typed, [field]: e.target.value })}
            help={system === 'us' && format === 'height' ? 'feet and inches' : unitOf(format, system)}
            inputMode="decimal"
            autoComplete="off"
          />
        ))}
      </Box>
      {result.ok ? (
        <Typography variant="body1" component="p" aria-live="polite" sx={{ m: 0 }}>
          The pump moves <b>{tell('flow', result.flow)}</b>, within {tell('share', result.share)} (mostly{' '}
          {result.mostly});{' '}
          {result.inflow === null
            ? 'what came in meanwhile was not measured, and is not in it'
            : `inflow meanwhile ${tell('flow', result.inflow)}`}
          {result.runs > 1 ? `; ${result.runs} runs, apart by ${tell('share', result.apart)}` : ''}.
        </Typography>
      ) : (
        <Typography variant="body2">{result.reason}</Typography>
      )}
      <Box sx={{ display: 'flex', gap: 1, '& button': { minHeight: 44 } }}>
        <Button disabled={!one} onClick={() => (one && setRuns([...runs, one]), setTyped({}))}>
          another run
        </Button>
        <Button
          variant="outlined"
          disabled={!result.ok}
          onClick={() => result.ok && onFlow({ drop: tell('levelRate', result.rate), flow: tell('flow', result.flow) })}
        >
          take it
        </Button>
      </Box>
    </Box>
  );
}
