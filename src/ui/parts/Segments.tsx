'use client';
import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import type { SxProps, Theme } from '@mui/material/styles';

interface Props<V extends string | number | boolean> {
  /** What is chosen by it. */
  label: string;
  value: NoInfer<V> | null;
  choices: readonly (readonly [value: V, words: string])[];
  /** Told what was pressed; pressing what is chosen already says so again. */
  onPick(value: NoInfer<V>): void;
  sx?: SxProps<Theme>;
}

const SEGMENT = {
  px: 1.25,
  minHeight: { xs: 44, sm: 32 },
  fontSize: 13,
  fontWeight: 500,
  color: 'text.primary',
  border: 1,
  borderColor: 'divider',
  '& + &': { borderLeft: 0 },
  '&:first-of-type': { borderTopLeftRadius: 3, borderBottomLeftRadius: 3 },
  '&:last-of-type': { borderTopRightRadius: 3, borderBottomRightRadius: 3 },
  '&[aria-pressed="true"]': { color: 'primary.main', fontWeight: 650, bgcolor: 'action.selected' },
} as const;

/** Where they do not fit in one line: large enough for gloves, each with a border of its own. */
export const WRAPPED = {
  flexWrap: 'wrap',
  rowGap: '4px',
  '& button': { minHeight: 44, ml: '-1px' },
  '&& button + button': { border: 1, borderColor: 'divider' },
} as const;

/** One of a few, all of them in sight. */
export function Segments<V extends string | number | boolean>({ label, value, choices, onPick, sx }: Props<V>) {
  return (
    <Box role="group" aria-label={label} sx={{ display: 'flex', ...sx }}>
      {choices.map(([v, words]) => (
        <ButtonBase key={String(v)} aria-pressed={v === value} onClick={() => onPick(v)} sx={SEGMENT}>
          {words}
        </ButtonBase>
      ))}
    </Box>
  );
}
