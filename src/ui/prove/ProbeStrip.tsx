'use client';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useMemo } from 'react';
import type { Expectation } from '@/core/proving';
import { panelOf } from '@/core/schemes';
import type { Station } from '@/core/station';

const MODES: Readonly<Record<string, string>> = {
  'ac-volts': 'volts, AC',
  'dc-volts': 'volts, DC',
  'low-z-volts': 'volts, low impedance',
  ohms: 'ohms',
  continuity: 'continuity',
  insulation: 'insulation',
};

const PROBE = { a: { colour: '#c62828', name: 'red' }, b: { colour: '#212121', name: 'black' } } as const;

/** The terminal strip with the probes where they go: red on the first point, black on the second. */
export function ProbeStrip({ station, probes }: { station: Station; probes: NonNullable<Expectation['probes']> }) {
  const strip = useMemo(() => {
    const made = panelOf(station);
    const [name] = [probes.a, probes.b].map((p) => p.split(':')[0]!);
    return made.ok ? made.panel.terminals.map((t) => t.id).filter((id) => id.split(':')[0] === name) : [];
  }, [station, probes]);
  const on = (id: string): keyof typeof PROBE | null => (id === probes.a ? 'a' : id === probes.b ? 'b' : null);
  const shown = strip.length > 0 ? strip : [probes.a, probes.b];
  const beside = [probes.a, probes.b].filter((p) => !shown.includes(p));
  return (
    <Box
      role="img"
      aria-label={`${MODES[probes.mode]}: red on ${probes.a}, black on ${probes.b}`}
      sx={{ display: 'flex', gap: '2px', flexWrap: 'wrap', alignItems: 'flex-end' }}
    >
      {[...shown, ...beside].map((id) => {
        const probe = on(id);
        return (
          <Box key={id} sx={{ textAlign: 'center' }}>
            <Box
              sx={{
                height: 14,
                width: 4,
                mx: 'auto',
                bgcolor: probe ? PROBE[probe].colour : 'transparent',
                outline: probe ? '1px solid' : 'none',
                outlineColor: 'divider',
              }}
            />
            <Typography
              component="span"
              variant="readingSmall"
              sx={{
                display: 'block',
                px: 0.5,
                minWidth: 30,
                border: 1,
                borderColor: probe ? 'text.primary' : 'divider',
                bgcolor: probe ? 'action.selected' : undefined,
                fontSize: 11,
                fontWeight: probe ? 700 : 400,
              }}
            >
              {id}
            </Typography>
          </Box>
        );
      })}
      <Typography component="span" variant="label" sx={{ ml: 0.75 }}>
        {MODES[probes.mode]}
      </Typography>
    </Box>
  );
}
