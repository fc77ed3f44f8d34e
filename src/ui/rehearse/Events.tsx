'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import FormControlLabel from '@mui/material/FormControlLabel';
import Switch from '@mui/material/Switch';
import type { SxProps, Theme } from '@mui/material/styles';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useRef } from 'react';
import { create } from 'zustand';
import { isOrdinary, type Closer } from '@/core/rehearsal';
import { sayPhrase } from '@/core/units';
import { useStationSystem } from '../editor/StationProvider';
import { clock } from './clock';

/** Height of a sentence that takes one line, px; longer ones are measured. */
const ROW = 27;

/** Which events are shown: it stays while one changes the scenario and runs it again. */
const useEventsShown = create<{ rare: boolean; show(rare: boolean): void }>()((set) => ({
  rare: false,
  show: (rare) => set({ rare }),
}));

const SCROLLED = { flex: 1, minHeight: 0, overflow: 'auto', fontSize: 13 } as const;
const EVENT = {
  position: 'absolute',
  top: 0,
  left: 0,
  width: '100%',
  display: 'grid',
  gridTemplateColumns: '118px 1fr',
  borderBottom: 1,
  borderColor: 'divider',
  px: 1.5,
  py: 0.25,
} as const;

const TIME: SxProps<Theme> = (theme) => ({
  minHeight: 22,
  p: 0,
  justifyContent: 'flex-start',
  fontFamily: theme.typography.reading.fontFamily,
  fontSize: 12.5,
});
const NOTE = { px: 1.5, py: 0.5 } as const;

/** What happened in the stretch that is looked at, with why; a touch on its time takes the cursor there. Only the rows in sight are drawn. */
export function Events({ told, onAt }: { told: Pick<Closer, 'events' | 'eventsLeftOut'>; onAt(time: number): void }) {
  const system = useStationSystem();
  const { rare, show } = useEventsShown();
  const events = rare ? told.events.filter((e) => !isOrdinary(e)) : told.events;
  const scrolled = useRef<HTMLDivElement>(null);
  // eslint-disable-next-line react-hooks/incompatible-library -- nothing is memoised by a compiler here
  const rows = useVirtualizer({
    count: events.length,
    getScrollElement: () => scrolled.current,
    estimateSize: () => ROW,
    overscan: 6,
  });
  return (
    <Box sx={{ height: '100%', display: 'flex', flexDirection: 'column' }}>
      <FormControlLabel
        control={<Switch size="small" checked={rare} onChange={(_, on) => show(on)} />}
        label="only what is out of the ordinary"
        sx={{ ml: 0.5, '& .MuiFormControlLabel-label': { fontSize: 13 } }}
      />
      <Box ref={scrolled} sx={SCROLLED}>
        <Box
          component="ol"
          aria-label="events"
          sx={{ position: 'relative', m: 0, p: 0, listStyle: 'none' }}
          style={{ height: rows.getTotalSize() }}
        >
          {rows.getVirtualItems().map((row) => {
            const e = events[row.index]!;
            return (
              <Box
                component="li"
                key={row.key}
                ref={rows.measureElement}
                data-index={row.index}
                aria-setsize={events.length}
                aria-posinset={row.index + 1}
                sx={EVENT}
                style={{ transform: `translateY(${row.start}px)` }}
              >
                <Button size="small" onClick={() => onAt(e.at)} sx={TIME}>
                  {clock(e.at)}
                </Button>
                <span style={{ fontWeight: isOrdinary(e) ? 400 : 650 }}>{sayPhrase(e.sentence, system)}</span>
              </Box>
            );
          })}
        </Box>
        {events.length === 0 && (
          <Box sx={NOTE}>{rare ? 'nothing out of the ordinary here' : 'nothing happened here'}</Box>
        )}
        {told.eventsLeftOut > 0 && (
          <Box sx={NOTE}>and {told.eventsLeftOut} more: look closer, or take them out as CSV</Box>
        )}
      </Box>
    </Box>
  );
}
