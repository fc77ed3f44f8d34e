'use client';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import { getAt, setAt } from '@/core/editing';
import { useEditor } from '../editor/StationProvider';

/** Yes or no. */
export function Tick({
  label,
  checked,
  onChange,
}: {
  label: string;
  checked: boolean;
  onChange(checked: boolean): void;
}) {
  return (
    <FormControlLabel
      control={<Checkbox size="small" checked={checked} onChange={(_, c) => onChange(c)} />}
      label={label}
      slotProps={{ typography: { variant: 'body2' } }}
    />
  );
}

/** A yes or no of the document, by its path. */
export function TickField({ path, label }: { path: string; label: string }) {
  const value = useEditor((s) => getAt(s.document, path)) === true;
  const edit = useEditor((s) => s.edit);
  return <Tick label={label} checked={value} onChange={(c) => edit((d) => setAt(d, path, c))} />;
}
