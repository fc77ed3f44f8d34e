'use client';
import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import type { UnitSystem } from '@/core/units';

const KEY = {
  minHeight: 52,
  fontSize: 22,
  fontVariantNumeric: 'tabular-nums',
  border: 1,
  borderColor: 'divider',
  borderRadius: '3px',
  bgcolor: 'background.paper',
} as const;

/** Keys for a figure, large enough for gloves: digits, the point, and what feet and inches need. */
export function NumberPad({
  label,
  value,
  system,
  onText,
}: {
  label: string;
  value: string;
  system: UnitSystem;
  onText(text: string): void;
}) {
  const more = system === 'us' ? ["'", '"', '/', ' '] : [];
  const keys = ['7', '8', '9', '4', '5', '6', '1', '2', '3', '.', '0', '⌫', ...more];
  const press = (key: string) => onText(key === '⌫' ? value.slice(0, -1) : value + key);
  return (
    <Box
      role="group"
      aria-label={`keys for ${label}`}
      sx={{
        display: { xs: 'grid', md: 'none' },
        gridTemplateColumns: `repeat(${more.length > 0 ? 4 : 3}, 1fr)`,
        gap: 0.5,
      }}
    >
      {keys.map((key) => (
        // What has the typing keeps it: the keys are pressed beside it.
        <ButtonBase
          key={key}
          aria-label={key === '⌫' ? 'take the last sign away' : key === ' ' ? 'space' : key}
          onPointerDown={(e) => e.preventDefault()}
          onClick={() => press(key)}
          sx={KEY}
        >
          {key === ' ' ? '␣' : key}
        </ButtonBase>
      ))}
    </Box>
  );
}
