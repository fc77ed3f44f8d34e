'use client';
import InputAdornment from '@mui/material/InputAdornment';
import { judgeFinding, type Expectation } from '@/core/proving';
import { parseQuantity, unitOf, type UnitSystem } from '@/core/units';
import { TextBox } from '../parts/TextBox';
import { Segments } from '../parts/Segments';

interface Props {
  expectation: Expectation;
  system: UnitSystem;
  text: string;
  seen: boolean | undefined;
  onText(text: string): void;
  onSeen(seen: boolean | undefined): void;
}

const SEEN = [
  [true, 'as it should'],
  [false, 'not so'],
] as const;

/** Where a finding is entered: a figure with its unit, or whether it was as it should be. Large enough for gloves. */
export function FoundField({ expectation, system, text, seen, onText, onSeen }: Props) {
  const { reading, label } = expectation;
  if (!reading) {
    return (
      <Segments
        label={`found: ${label}`}
        value={seen ?? null}
        choices={SEEN}
        onPick={(v) => onSeen(v === seen ? undefined : v)}
        sx={{ '& button': { flex: 1, minHeight: 44 } }}
      />
    );
  }
  const parsed = text.trim() === '' ? null : parseQuantity(reading.format, text, system);
  const differs = parsed?.ok && judgeFinding(expectation, parsed.value) === 'differs';
  const unit = system === 'us' && reading.format === 'height' ? '' : unitOf(reading.format, system);
  return (
    <TextBox
      label={`found: ${label}`}
      value={text}
      onChange={(e) => onText(e.target.value)}
      problem={parsed?.ok === false ? parsed.reason : differs ? 'differs from what is expected' : undefined}
      inputMode={system === 'metric' ? 'decimal' : 'text'}
      autoComplete="off"
      end={unit && <InputAdornment position="end">{unit}</InputAdornment>}
      inputSx={{ '& input': { fontSize: 18, padding: '9px 10px' } }}
    />
  );
}
