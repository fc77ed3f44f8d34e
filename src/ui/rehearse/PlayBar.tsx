'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { quantity, say } from '@/core/units';
import { useStationSystem } from '../editor/StationProvider';
import { Pick } from '../parts/Pick';
import { clock } from './clock';
import { cursorAt, useCursorAt, useCursorMoment, type CursorStore } from './cursor';
import type { View } from './axis';

const SPEEDS: readonly (readonly [times: number, label: string])[] = [
  [1, 'as it is'],
  [10, '10 s a second'],
  [60, '1 min a second'],
  [600, '10 min a second'],
  [3600, '1 h a second'],
  [6 * 3600, '6 h a second'],
];

interface Props {
  cursor: CursorStore;
  length: number;
  view: View;
  onAt(time: number): void;
  onZoom(times: number, about: number): void;
  onWhole(): void;
  children: ReactNode;
}

/** Where the cursor stands, and what is there. */
function CursorReading({ cursor, length, view }: Pick<Props, 'cursor' | 'length' | 'view'>) {
  const system = useStationSystem();
  const at = useCursorAt(cursor, length);
  const moment = useCursorMoment(cursor);
  return (
    <>
      <Box
        component="output"
        aria-label="cursor"
        sx={(theme) => ({ fontFamily: theme.typography.reading.fontFamily, minWidth: 96 })}
      >
        {clock(at, (view.to - view.from) / 500)}
      </Box>
      <Box
        component="span"
        sx={(theme) => ({ fontFamily: theme.typography.reading.fontFamily, fontSize: 13, minWidth: 150 })}
      >
        {moment && `${say(quantity('height', moment.level), system)} · ${say(quantity('flow', moment.inflow), system)}`}
      </Box>
    </>
  );
}

/** Plays the rehearsal at a chosen speed, and looks closer or wider. */
export function PlayBar({ cursor, length, view, onAt, onZoom, onWhole, children }: Props) {
  const [speed, setSpeed] = useState(600);
  const [playing, setPlaying] = useState(false);
  const told = useRef(onAt);
  useEffect(() => {
    told.current = onAt;
  });
  useEffect(() => {
    if (!playing) return;
    let frame = 0;
    let before: number | null = null;
    const tick = (ms: number) => {
      const here = cursorAt(cursor, length);
      const next = Math.min(here + (before === null ? 0 : ((ms - before) / 1000) * speed), length);
      before = ms;
      if (next !== here) told.current(next);
      if (next >= length) return setPlaying(false);
      frame = requestAnimationFrame(tick);
    };
    frame = requestAnimationFrame(tick);
    return () => cancelAnimationFrame(frame);
  }, [playing, speed, length, cursor]);
  const toggle = () => {
    if (!playing && cursorAt(cursor, length) >= length) onAt(0);
    setPlaying(!playing);
  };
  useHotkeys(
    'space',
    (e) => {
      // A button or a float that has the focus is worked by space itself.
      if ((e.target as HTMLElement).closest('button, [role="button"], [role="tab"], input, textarea')) return;
      e.preventDefault();
      toggle();
    },
    { enableOnFormTags: ['slider'] },
  );
  const whole = view.from <= 0 && view.to >= length;
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'center', px: 1, pt: 0.5 }}>
      <Button variant="outlined" onClick={toggle} sx={{ minWidth: 72 }}>
        {playing ? 'pause' : 'play'}
      </Button>
      <Pick label="speed" value={speed} choices={SPEEDS} onPick={(times) => setSpeed(times)} sx={{ width: 150 }} />
      <CursorReading cursor={cursor} length={length} view={view} />
      <Button onClick={() => onZoom(4, cursorAt(cursor, length))}>zoom in</Button>
      <Button disabled={whole} onClick={() => onZoom(0.25, cursorAt(cursor, length))}>
        zoom out
      </Button>
      <Button disabled={whole} onClick={onWhole}>
        whole run
      </Button>
      <Box sx={{ flex: 1 }} />
      {children}
    </Box>
  );
}
