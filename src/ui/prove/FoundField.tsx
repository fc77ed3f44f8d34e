'use client';
import InputAdornment from '@mui/material/InputAdornment';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { judgeFinding, type Expectation } from '@/core/proving';
import { parseQuantity, unitOf, type UnitSystem } from '@/core/units';
import { TextBox } from '../parts/TextBox';

interface Props {
  expectation: Expectation;
  system: UnitSystem;
  text: string;
  seen: boolean | undefined;
  onText(text: string): void;
  onSeen(seen: boolean | undefined): void;
}

/** Where a finding is entered: a figure with its unit, or whether it was as it should be. Large enough for gloves. */
export function FoundField({ expectation, system, text, seen, onText, onSeen }: Props) {
  const { reading, label } = expectation;
  if (!reading) {
    return (
      <ToggleButtonGroup
        exclusive
        value={seen ?? null}
        aria-label={`found: ${label}`}
        onChange={(_, v: boolean | null) => onSeen(v ?? undefined)}
        sx={{ '& .MuiToggleButton-root': { flex: 1, minHeight: 44 } }}
      >
        <ToggleButton value={true}>as it should</ToggleButton>
        <ToggleButton value={false}>not so</ToggleButton>
      </ToggleButtonGroup>
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
