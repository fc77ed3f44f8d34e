'use client';
import FormControl from '@mui/material/FormControl';
import FormHelperText from '@mui/material/FormHelperText';
import InputLabel from '@mui/material/InputLabel';
import OutlinedInput, { type OutlinedInputProps } from '@mui/material/OutlinedInput';
import type { SxProps, Theme } from '@mui/material/styles';
import { useId, type ReactNode } from 'react';

interface Props extends Omit<OutlinedInputProps, 'label' | 'notched' | 'size' | 'sx' | 'error'> {
  label: string;
  /** What is wrong, said beneath in place of the help. */
  problem?: string;
  help?: string;
  /** What stands at the end, as a unit. */
  end?: ReactNode;
  sx?: SxProps<Theme>;
  inputSx?: SxProps<Theme>;
}

/** A line (or some) to type in, with its name above and help or what is wrong beneath. */
export function TextBox({ label, problem, help, end, sx, inputSx, fullWidth = true, ...input }: Props) {
  const id = useId();
  const beneath = problem ?? help;
  return (
    <FormControl size="small" error={problem !== undefined} fullWidth={fullWidth} sx={sx}>
      <InputLabel htmlFor={id}>{label}</InputLabel>
      <OutlinedInput
        {...input}
        id={id}
        label={label}
        endAdornment={end}
        aria-describedby={beneath ? `${id}-help` : undefined}
        sx={inputSx}
      />
      {beneath && <FormHelperText id={`${id}-help`}>{beneath}</FormHelperText>}
    </FormControl>
  );
}
