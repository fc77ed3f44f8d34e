import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { memo } from 'react';
import { format, type Quantity, type UnitSystem } from '@/core/units';

interface Words {
  label: string;
  big?: boolean;
  note?: string;
}

/** A figure with its unit, and the few words that say what it is. */
export function Reading({ value, system, ...words }: Words & { value: Quantity | null; system: UnitSystem }) {
  const { number, unit } = value ? format(value, system) : { number: '–', unit: '' };
  return <Said number={number} unit={unit} {...words} />;
}

/** Drawn again when what it says changes. */
const Said = memo(function Said({ number, unit, label, big = false, note }: Words & { number: string; unit: string }) {
  return (
    <Box sx={{ display: 'flex', flexDirection: 'column', minWidth: 0 }}>
      <Typography variant="label" noWrap>
        {label}
      </Typography>
      <Typography variant={big ? 'reading' : 'readingSmall'} component="span" noWrap>
        {number}
        {unit && (
          <Typography component="span" variant="label" sx={{ ml: 0.5 }}>
            {unit}
          </Typography>
        )}
      </Typography>
      {note && <Typography variant="label">{note}</Typography>}
    </Box>
  );
});
