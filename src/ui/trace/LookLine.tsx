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
  shown,
  onTell,
}: {
  says: string;
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
