'use client';
import Autocomplete from '@mui/material/Autocomplete';
import TextField from '@mui/material/TextField';
import type { Fault } from '@/core/faults';

/** The choice of a fault: by its part, with every kind that this station can have. */
export function FaultField({
  faults,
  value,
  onChange,
  label,
}: {
  faults: readonly Fault[];
  value: Fault | null;
  onChange(fault: Fault | null): void;
  label: string;
}) {
  return (
    <Autocomplete
      options={faults}
      value={value}
      onChange={(_, f) => onChange(f)}
      groupBy={(f) => f.group}
      getOptionLabel={(f) => f.says}
      getOptionKey={(f) => f.id}
      isOptionEqualToValue={(a, b) => a.id === b.id}
      size="small"
      renderInput={(props) => <TextField {...props} label={label} />}
      sx={{ width: 270, '& .MuiInputBase-root.MuiInputBase-root': { py: 0, minHeight: 32 } }}
    />
  );
}
