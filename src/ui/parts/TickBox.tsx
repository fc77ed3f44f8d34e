'use client';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';

export interface TickProps {
  label: string;
  checked: boolean;
  onChange(checked: boolean): void;
}

/** Yes or no. */
export function TickBox({ label, checked, onChange }: TickProps) {
  return (
    <FormControlLabel
      control={<Checkbox size="small" checked={checked} onChange={(_, c) => onChange(c)} />}
      label={label}
      slotProps={{ typography: { variant: 'body2' } }}
    />
  );
}
