'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMemo, useState } from 'react';
import { standingOf, withConfirmed } from '@/core/surveyed';
import { asLeft, type ProofEntry, type Step } from '@/core/proving';
import { quantity, say, type UnitSystem } from '@/core/units';
import { useEditor } from '../editor/StationProvider';
import { Notice } from '../parts/Notice';

const shown = (value: unknown, format: Parameters<typeof quantity>[0] | null, system: UnitSystem): string =>
  typeof value === 'number' && format !== null
    ? say(quantity(format, value), system)
    : typeof value === 'boolean'
      ? value
        ? 'yes'
        : 'no'
      : String(value);

/** What the run has left otherwise than the document says: shown as a difference, taken into the station in one touch, saved as ever. */
export function AsLeftBox({
  plan,
  entries,
  system,
}: {
  plan: readonly Step[];
  entries: readonly ProofEntry[];
  system: UnitSystem;
}) {
  const { station } = useEditor((s) => s.judged.context);
  const edit = useEditor((s) => s.edit);
  const [taken, setTaken] = useState(false);
  const left = useMemo(() => asLeft(station, plan, entries), [station, plan, entries]);
  const unconfirmed = left.confirms.filter((path) => standingOf(station, path) !== 'confirmed');
  if (left.changes.length === 0 && left.wires.length === 0 && unconfirmed.length === 0)
    return taken ? (
      <Notice severity="success">Taken into the station. Look at it, and save it as its next revision.</Notice>
    ) : null;
  return (
    <Box component="section" aria-label="as left" sx={{ borderTop: 1, borderColor: 'text.primary', pt: 1 }}>
      <Typography variant="h3">As left</Typography>
      {unconfirmed.length > 0 && (
        <Typography variant="body2" component="p" sx={{ m: 0 }}>
          {unconfirmed.length} figures that were assumed were measured and are as the document says.
        </Typography>
      )}
      <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
        {left.changes.map((c) => (
          <Typography component="li" variant="body2" key={c.path}>
            {c.label}: {shown(c.from, c.format, system)} → <b>{shown(c.to, c.format, system)}</b>
            {c.format === 'height' && ' floor up'}
          </Typography>
        ))}
        {left.wires.map((w) => (
          <Typography component="li" variant="body2" key={w}>
            landed: <b>{w}</b>
          </Typography>
        ))}
      </Box>
      {left.problems.length > 0 ? (
        <Notice severity="warning">
          It contradicts itself so: {left.problems.join('; ')}. Set it right in Survey.
        </Notice>
      ) : (
        <Button
          variant="outlined"
          sx={{ minHeight: 44, mt: 1 }}
          onClick={() => {
            edit(() => withConfirmed(left.station, (path) => left.confirms.includes(path)));
            setTaken(true);
          }}
        >
          take it into the station
        </Button>
      )}
    </Box>
  );
}
