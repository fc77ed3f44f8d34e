'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import FormControlLabel from '@mui/material/FormControlLabel';
import Switch from '@mui/material/Switch';
import { useState } from 'react';
import { isOrdinary, type Closer } from '@/core/rehearsal';
import { sayPhrase } from '@/core/units';
import { useStationSystem } from '../editor/StationProvider';
import { clock } from './clock';

const SHOWN = 400;

/** What happened in the stretch that is looked at, with why; a touch on its time takes the cursor there. */
export function Events({ told, onAt }: { told: Pick<Closer, 'events' | 'eventsLeftOut'>; onAt(time: number): void }) {
  const system = useStationSystem();
  const [rare, setRare] = useState(false);
  const events = rare ? told.events.filter((e) => !isOrdinary(e)) : told.events;
  const left = events.length - SHOWN + (rare ? 0 : told.eventsLeftOut);
  return (
    <>
      <FormControlLabel
        control={<Switch size="small" checked={rare} onChange={(_, on) => setRare(on)} />}
        label="only what is out of the ordinary"
        sx={{ ml: 0.5, '& .MuiFormControlLabel-label': { fontSize: 13 } }}
      />
      <Box component="ol" aria-label="events" sx={{ m: 0, p: 0, listStyle: 'none', fontSize: 13 }}>
        {events.slice(0, SHOWN).map((e, i) => (
          <Box
            component="li"
            key={i}
            sx={{
              display: 'grid',
              gridTemplateColumns: '118px 1fr',
              borderBottom: 1,
              borderColor: 'divider',
              px: 1.5,
              py: 0.25,
            }}
          >
            <Button
              size="small"
              onClick={() => onAt(e.at)}
              sx={(theme) => ({
                minHeight: 22,
                p: 0,
                justifyContent: 'flex-start',
                fontFamily: theme.typography.reading.fontFamily,
                fontSize: 12.5,
              })}
            >
              {clock(e.at)}
            </Button>
            <span style={{ fontWeight: isOrdinary(e) ? 400 : 650 }}>{sayPhrase(e.sentence, system)}</span>
          </Box>
        ))}
        {events.length === 0 && (
          <Box component="li" sx={{ px: 1.5, py: 0.5 }}>
            {rare ? 'nothing out of the ordinary here' : 'nothing happened here'}
          </Box>
        )}
        {left > 0 && (
          <Box component="li" sx={{ px: 1.5, py: 0.5 }}>
            and {left} more: look closer, or take them out as CSV
          </Box>
        )}
      </Box>
    </>
  );
}
