'use client';
import InputAdornment from '@mui/material/InputAdornment';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { fieldText, parseQuantity, quantity, unitOf, type Format, type UnitSystem } from '@/core/units';

interface Props {
  label: string;
  kind: Format;
  system: UnitSystem;
  /** SI; null shows an empty field */
  value: number | null;
  /** Called with a value that could be read, when the field is left or Enter is pressed. */
  onCommit(value: number): void;
  /** What is wrong with the value, from outside. */
  problem?: string;
  hint?: string;
  name?: string;
  onFocus?(): void;
}

/** Feet and inches, and spans, carry their units in the text. */
const suffix = (kind: Format, system: UnitSystem) =>
  (system === 'us' && kind === 'height') || kind === 'span' ? '' : unitOf(kind, system);

/**
 * A field for a quantity. What is typed stays as it is until it can be read; what cannot be read is said beneath and kept.
 */
export function QuantityInput({ label, kind, system, value, onCommit, problem, hint, name, onFocus }: Props) {
  const [typed, setTyped] = useState<string | null>(null);
  const shown = typed ?? (value === null ? '' : fieldText(quantity(kind, value), system));
  const parsed = typed === null || typed.trim() === '' ? null : parseQuantity(kind, typed, system);
  const unreadable = parsed && !parsed.ok ? parsed.reason : undefined;
  const commit = () => {
    if (typed === null) return;
    if (typed.trim() === '') return setTyped(null);
    if (!parsed?.ok) return;
    setTyped(null);
    if (typed !== (value === null ? '' : fieldText(quantity(kind, value), system))) onCommit(parsed.value);
  };
  const message = unreadable ?? problem;
  return (
    <TextField
      label={label}
      value={shown}
      error={message !== undefined}
      helperText={message ?? hint}
      onChange={(e) => setTyped(e.target.value)}
      onBlur={commit}
      onFocus={onFocus}
      onKeyDown={(e) => {
        if (e.key === 'Enter') commit();
        if (e.key === 'Escape') setTyped(null);
      }}
      slotProps={{
        htmlInput: {
          name,
          inputMode: system === 'metric' && kind !== 'span' ? 'decimal' : 'text',
          autoComplete: 'off',
          spellCheck: false,
        },
        input: {
          endAdornment: suffix(kind, system) && <InputAdornment position="end">{suffix(kind, system)}</InputAdornment>,
        },
      }}
      sx={(theme) => ({ '& input': { fontFamily: theme.typography.reading.fontFamily } })}
      fullWidth
    />
  );
}
