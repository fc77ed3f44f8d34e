'use client';
import Box from '@mui/material/Box';
import type { ChangeEvent } from 'react';

const LABEL = {
  display: 'flex',
  alignItems: 'center',
  gap: 1,
  minHeight: { xs: 44, sm: 34 },
  fontSize: 14,
  cursor: 'pointer',
} as const;
const BOX = { width: 18, height: 18, m: 0, flex: 'none' } as const;

/** Yes or no. */
export function TickBox(props: {
  label: string;
  /** What it is called where nothing is written beside it. */
  name?: string;
  checked: boolean;
  onChange(checked: boolean): void;
}) {
  return (
    <Box component="label" sx={LABEL}>
      <Box
        component="input"
        type="checkbox"
        aria-label={props.name}
        checked={props.checked}
        onChange={(e: ChangeEvent<HTMLInputElement>) => props.onChange(e.target.checked)}
        sx={(theme) => ({ ...BOX, accentColor: theme.palette.primary.main })}
      />
      {props.label}
    </Box>
  );
}
