'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { memo, useEffect, useMemo, useRef } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import type { Reading } from '@/core/circuit';
import { readingWords } from '@/core/wiring';
import { ON_DRAWING } from '../frame/hotkeys';
import { Pick } from '../parts/Pick';
import { TextBox } from '../parts/TextBox';
import { usePanel } from './PanelProvider';
import { METER_FUNCTIONS, meterReading, movedByMeter } from './metering';
import type { Meter } from './panelStore';

const WORDS: Readonly<Record<Meter['mode'], string>> = {
  'ac-volts': 'V alternating',
  'dc-volts': 'V direct',
  'low-z-volts': 'V, low impedance',
  ohms: 'Ω resistance',
  continuity: 'continuity',
  insulation: 'insulation',
  amps: 'A clamp',
};

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

/** Whether what a reading means is told as a danger: refused, live behind what looks like nothing, or a load that would trip something. */
const warns = (reading: Reading): boolean =>
  !reading.ok ||
  (reading.unit === 'V' &&
    (reading.moves !== undefined || (reading.state !== 'steady' && Math.max(...reading.toEarth) > 0)));

/** What it shows, and what that means. */
function Display() {
  const live = usePanel((s) => s.live);
  const meter = usePanel((s) => s.meter);
  const setWould = usePanel((s) => s.setWould);
  const reading = useMemo(() => meterReading({ live, meter }), [live, meter]);
  useEffect(() => setWould(movedByMeter({ live, meter })), [live, meter, setWould]);
  const { shown, means } = reading
    ? readingWords(reading)
    : { shown: '– –', means: meter.mode === 'amps' ? 'put the clamp round a core' : 'touch two points' };
  return (
    <Box aria-live="polite" aria-label="reading" role="status" sx={{ minHeight: 58 }}>
      <Typography variant="reading" component="div" sx={{ fontSize: 26 }}>
        {shown}
      </Typography>
      <Typography variant="label" component="div" color={reading && warns(reading) ? 'error' : undefined}>
        {meter.hand && !reading
          ? `touch a wire or terminal with the ${meter.hand === 'a' ? 'red' : 'black'} probe`
          : means}
      </Typography>
    </Box>
  );
}

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
      <Display />
    </Box>
  );
});
