'use client';
import Box from '@mui/material/Box';
import InputAdornment from '@mui/material/InputAdornment';
import { useState } from 'react';
import { judgeFinding, type Expectation } from '@/core/proving';
import { parseQuantity, unitOf, type UnitSystem } from '@/core/units';
import { TextBox } from '../parts/TextBox';
import { Segments } from '../parts/Segments';
import { NumberPad } from './NumberPad';

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

/** What is said of a figure as it is typed: that it cannot be read, that it differs, or that it is far from anything expected. */
function saidOf(expectation: Expectation, text: string, system: UnitSystem): string | undefined {
  const { reading } = expectation;
  if (!reading || text.trim() === '') return undefined;
  const parsed = parseQuantity(reading.format, text, system);
  if (!parsed.ok) return parsed.reason;
  const expected = reading.expected?.value;
  if (expected !== undefined && expected > 0 && (parsed.value > 20 * expected || parsed.value < 0))
    return 'far from what is expected: is it that unit, and that point?';
  return judgeFinding(expectation, parsed.value) === 'differs' ? 'differs from what is expected' : undefined;
}

/** Where a finding is entered: a figure with its unit, or whether it was as it should be. Large enough for gloves. */
export function FoundField({ expectation, system, text, seen, onText, onSeen }: Props) {
  const { reading, label } = expectation;
  const [typing, setTyping] = useState(false);
  const [padded, setPadded] = useState(false);
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
  const unit = system === 'us' && reading.format === 'height' ? '' : unitOf(reading.format, system);
  return (
    <Box sx={{ display: 'flex', flexDirection: 'column', gap: 0.75 }}>
      <TextBox
        label={`found: ${label}`}
        value={text}
        onChange={(e) => onText(e.target.value)}
        onFocus={() => {
          setTyping(true);
          // Where our own keys are shown the phone’s keyboard stays away.
          setPadded(matchMedia('(pointer: coarse) and (max-width: 899px)').matches);
        }}
        onBlur={() => setTyping(false)}
        problem={saidOf(expectation, text, system)}
        inputMode={padded ? 'none' : system === 'metric' ? 'decimal' : 'text'}
        autoComplete="off"
        end={unit && <InputAdornment position="end">{unit}</InputAdornment>}
        inputSx={{ '& input': { fontSize: 18, padding: '9px 10px' } }}
      />
      {typing && <NumberPad label={label} value={text} system={system} onText={onText} />}
    </Box>
  );
}
