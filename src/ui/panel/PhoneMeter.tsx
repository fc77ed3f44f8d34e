'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { memo, useState } from 'react';
import { Pick } from '../parts/Pick';
import { Segments, WRAPPED } from '../parts/Segments';
import { METER_FUNCTIONS, stripOf, WORDS } from './metering';
import { MeterDisplay } from './MeterDisplay';
import { usePanel } from './PanelProvider';

const FUNCTIONS = METER_FUNCTIONS.map((m) => [m, WORDS[m]] as const);
const TALL = { minHeight: 48 } as const;

/** One probe: picked from a list, or touched on the drawing, for which the meter makes room. */
function Probe({ which, onTouch }: { which: 'a' | 'b'; onTouch(): void }) {
  const at = usePanel((s) => s.meter[which]);
  const points = usePanel((s) => s.live?.wired.points);
  const setMeter = usePanel((s) => s.setMeter);
  const name = which === 'a' ? 'red probe' : 'black probe';
  return (
    <Box sx={{ display: 'flex', gap: 1 }}>
      <Pick
        label={name}
        value={at ?? ''}
        empty="on nothing"
        choices={['earth', ...(points?.keys() ?? [])].map((p) => [p, p] as const)}
        groupOf={stripOf}
        onPick={(point) => setMeter({ [which]: point })}
      />
      <Button
        variant="outlined"
        aria-label={`touch with the ${name}`}
        onClick={() => (setMeter({ hand: which }), onTouch())}
        sx={{ ...TALL, minWidth: 88 }}
      >
        touch
      </Button>
    </Box>
  );
}

/** The meter on a phone: what it shows at the foot of the drawing; its functions and probes, made for gloves, are pulled up over it. */
export const PhoneMeter = memo(function PhoneMeter() {
  const cores = usePanel((s) => s.live?.wired.panel.cores);
  const mode = usePanel((s) => s.meter.mode);
  const clamped = usePanel((s) => s.meter.clamped);
  const inHand = usePanel((s) => s.meter.hand);
  const setMeter = usePanel((s) => s.setMeter);
  const [open, setOpen] = useState(false);
  if (!cores) return null;
  return (
    <Box role="group" aria-label="meter" sx={{ p: 1, display: 'flex', flexDirection: 'column', gap: 1 }}>
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'center' }}>
        <Box sx={{ flex: 1, minWidth: 0 }}>
          <MeterDisplay />
        </Box>
        {inHand === null ? (
          <Button
            variant={open ? 'outlined' : 'contained'}
            aria-expanded={open}
            onClick={() => setOpen(!open)}
            sx={{ ...TALL, minWidth: 96 }}
          >
            {open ? 'away ▾' : 'meter ▴'}
          </Button>
        ) : (
          <Button variant="outlined" onClick={() => setMeter({ hand: null })} sx={{ ...TALL, minWidth: 96 }}>
            hands off
          </Button>
        )}
      </Box>
      {open && inHand === null && (
        <>
          <Segments
            label="function of the meter"
            value={mode}
            choices={FUNCTIONS}
            onPick={(m) => setMeter({ mode: m })}
            sx={WRAPPED}
          />
          {mode === 'amps' ? (
            <Pick
              label="clamp round"
              value={clamped ?? ''}
              empty="nothing"
              choices={cores.map((c) => [c.id, c.id] as const)}
              groupOf={stripOf}
              onPick={(core) => setMeter({ clamped: core })}
            />
          ) : (
            <>
              <Probe which="a" onTouch={() => setOpen(false)} />
              <Probe which="b" onTouch={() => setOpen(false)} />
            </>
          )}
        </>
      )}
    </Box>
  );
});
