'use client';
import InputAdornment from '@mui/material/InputAdornment';
import { useState } from 'react';
import { fieldText, parseQuantity, quantity, unitOf, type Format, type UnitSystem } from '@/core/units';
import { useEntering } from './entering';
import { TextBox } from './TextBox';

interface Props {
  label: string;
  format: Format;
  system: UnitSystem;
  /** SI; null shows an empty field */
  value: number | null;
  /** Called with a value that could be read, when the field is left or Enter is pressed. */
  onCommit(value: number): void;
  /** Called when the field is left empty, where that means something. */
  onClear?(): void;
  /** Called when the value that stands there is typed again, or Enter is pressed on it. */
  onConfirm?(): void;
  /** Nobody has typed or confirmed it: its border is broken. */
  assumed?: boolean;
  /** What is wrong with the value, from outside. */
  problem?: string;
  hint?: string;
  name?: string;
  /** What stands in the field and is not its value yet, where somebody else keeps it; null: nothing. */
  typed?: string | null;
  onTyped?(text: string | null): void;
  onFocus?(): void;
}

/** Feet and inches, and spans, carry their units in the text. */
const suffix = (format: Format, system: UnitSystem) =>
  (system === 'us' && format === 'height') || format === 'span' ? '' : unitOf(format, system);

/**
 * A field for a quantity. What is typed stays as it is until it can be read; what cannot be read is said beneath and kept.
 */
export function QuantityInput({
  label,
  format,
  system,
  value,
  onCommit,
  onClear,
  onConfirm,
  assumed = false,
  problem,
  hint,
  name,
  typed: keptTyped,
  onTyped,
  onFocus,
}: Props) {
  const [own, setOwn] = useState<string | null>(null);
  const typed = keptTyped === undefined ? own : keptTyped;
  const setTyped = onTyped ?? setOwn;
  const shown = typed ?? (value === null ? '' : fieldText(quantity(format, value), system));
  const parsed = typed === null || typed.trim() === '' ? null : parseQuantity(format, typed, system);
  const unreadable = parsed && !parsed.ok ? parsed.reason : undefined;
  const commit = (entered?: boolean) => {
    if (typed === null) {
      if (entered && value !== null) onConfirm?.();
      return;
    }
    if (typed.trim() === '') {
      setTyped(null);
      if (value !== null) onClear?.();
      return;
    }
    if (!parsed?.ok) return;
    setTyped(null);
    if (typed !== (value === null ? '' : fieldText(quantity(format, value), system))) onCommit(parsed.value);
    else onConfirm?.();
  };
  useEntering(typed === null ? null : () => commit());
  const unit = suffix(format, system);
  const message = unreadable ?? problem;
  return (
    <TextBox
      label={label}
      name={name}
      value={shown}
      problem={message}
      help={hint}
      onChange={(e) => setTyped(e.target.value)}
      onBlur={() => commit()}
      onFocus={onFocus}
      onKeyDown={(e) => {
        if (e.key === 'Enter') commit(true);
        if (e.key === 'Escape') setTyped(null);
      }}
      inputMode={system === 'metric' && format !== 'span' ? 'decimal' : 'text'}
      autoComplete="off"
      end={unit && <InputAdornment position="end">{unit}</InputAdornment>}
      sx={(theme) => ({
        '& input': { fontFamily: theme.typography.reading.fontFamily },
        ...(assumed && { '& fieldset': { borderStyle: 'dashed' } }),
      })}
    />
  );
}
