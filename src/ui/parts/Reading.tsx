import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { format, type Quantity, type UnitSystem } from '@/core/units';

/** A figure with its unit, and the few words that say what it is. */
export function Reading({
  label,
  value,
  system,
  big = false,
  note,
}: {
  label: string;
  value: Quantity | null;
  system: UnitSystem;
  big?: boolean;
  note?: string;
}) {
  const { number, unit } = value ? format(value, system) : { number: '–', unit: '' };
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
}
