'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { memo, useRef } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { ON_DRAWING } from '../frame/hotkeys';
import { Pick } from '../parts/Pick';
import { TextBox } from '../parts/TextBox';
import { usePanel } from './PanelProvider';
import { METER_FUNCTIONS, WORDS } from './metering';
import { MeterDisplay } from './MeterDisplay';

/** One probe: where it is, typed or touched. */
const Probe = memo(function Probe({ which, options }: { which: 'a' | 'b'; options: string }) {
  const at = usePanel((s) => s.meter[which]);
  const inHand = usePanel((s) => s.meter.hand === which);
  const setMeter = usePanel((s) => s.setMeter);
  const name = which === 'a' ? 'red probe' : 'black probe';
  return (
    <Box sx={{ display: 'flex', gap: 0.5 }}>
      <TextBox
        label={name}
        name={name}
        value={at ?? ''}
        onChange={(e) => setMeter({ [which]: e.target.value === '' ? null : e.target.value })}
        autoComplete="off"
        inputProps={{ list: options, spellCheck: false }}
      />
      <Button
        variant={inHand ? 'contained' : 'outlined'}
        aria-label={`touch with the ${name}`}
        aria-pressed={inHand}
        onClick={() => setMeter({ hand: inHand ? null : which })}
        sx={{ minWidth: 0, px: 1 }}
      >
        touch
      </Button>
    </Box>
  );
});

/** The meter at hand: a function, two probes or a clamp, and what it shows. */
export const MeterBox = memo(function MeterBox() {
  const wired = usePanel((s) => s.live?.wired);
  const mode = usePanel((s) => s.meter.mode);
  const clamped = usePanel((s) => s.meter.clamped);
  const setMeter = usePanel((s) => s.setMeter);
  const box = useRef<HTMLDivElement>(null);
  useHotkeys(
    'm',
    () => {
      setMeter({ hand: 'a' });
      box.current?.querySelector<HTMLInputElement>('input[name="red probe"]')?.focus();
    },
    { ...ON_DRAWING, preventDefault: true },
  );
  if (!wired) return null;
  return (
    <Box
      ref={box}
      role="group"
      aria-label="meter"
      sx={{
        borderTop: 1,
        borderColor: 'divider',
        p: 1,
        display: 'grid',
        gridTemplateColumns: { xs: '1fr 1fr', md: '1fr' },
        gap: 1,
        alignItems: 'center',
      }}
    >
      <Pick
        label="meter"
        value={mode}
        choices={METER_FUNCTIONS.map((m) => [m, WORDS[m]] as const)}
        onPick={(m) => setMeter({ mode: m })}
      />
      {mode === 'amps' ? (
        <Pick
          label="clamp round"
          value={clamped ?? ''}
          empty={clamped ? undefined : '–'}
          choices={wired.panel.cores.map((c) => [c.id, c.id] as const)}
          onPick={(core) => setMeter({ clamped: core })}
        />
      ) : (
        <>
          <Probe which="a" options="meter-points" />
          <Probe which="b" options="meter-points" />
          <datalist id="meter-points">
            {['earth', ...wired.points.keys()].map((p) => (
              <option key={p} value={p} />
            ))}
          </datalist>
        </>
      )}
      <MeterDisplay />
    </Box>
  );
});
