'use client';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { Segments } from '../parts/Segments';

const YES_NO = [
  [true, 'yes'],
  [false, 'no'],
] as const;

/** Something that may be seen: yes, no, or, pressed again, nobody knows. */
export function LookLine({
  says,
  ofTheTrade = false,
  shown,
  onTell,
}: {
  says: string;
  /** No model says what shows it: it counts by the experience of the trade. */
  ofTheTrade?: boolean;
  shown: boolean | null;
  onTell(shown: boolean | null): void;
}) {
  return (
    <Box
      component="li"
      sx={{
        display: 'flex',
        justifyContent: 'space-between',
        alignItems: 'center',
        gap: 1.5,
        py: 0.5,
        borderBottom: 1,
        borderColor: 'divider',
      }}
    >
      <Typography component="span" variant="body1">
        {says}
        {ofTheTrade && (
          <Typography component="span" variant="label">
            {' '}
            by experience, not by the model
          </Typography>
        )}
      </Typography>
      <Segments
        label={says}
        value={shown}
        choices={YES_NO}
        onPick={(v) => onTell(v === shown ? null : v)}
        sx={{ flex: 'none', '& button': { minHeight: 44, minWidth: 48 } }}
      />
    </Box>
  );
}
