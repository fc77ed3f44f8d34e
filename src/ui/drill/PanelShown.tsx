'use client';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useMemo, useState } from 'react';
import { sheetsOf, type LeafShape } from '@/core/papers';
import { LadderWithWhy } from '../panel/LadderWithWhy';
import { PanelProvider, usePanel } from '../panel/PanelProvider';
import { Segments } from '../parts/Segments';

const HINT = 'touch a coil, a motor or a lamp to ask what should hold it in or stop it';

function Sheets() {
  const panel = usePanel((s) => s.live?.panel ?? null);
  const sheets = useMemo(() => (panel ? sheetsOf(panel) : []), [panel]);
  const [at, setAt] = useState<string | null>(null);
  const [asked, setAsked] = useState<string | null>(null);
  const hands = useMemo(
    () => ({
      // Nothing is worked here: what hands do is done at the bench.
      act: (leaf: LeafShape) => setAsked((was) => (was === leaf.id ? null : leaf.id)),
      press: () => {},
    }),
    [],
  );
  const sheet = sheets.find((s) => s.id === at) ?? sheets[0];
  if (!panel || !sheet) return null;
  return (
    <Box sx={{ height: { md: 460 }, display: 'flex', flexDirection: 'column' }}>
      <Segments
        label="sheet of the ladder"
        value={sheet.id}
        choices={sheets.map((s) => [s.id, s.title] as const)}
        onPick={setAt}
      />
      <LadderWithWhy panel={panel} sheet={sheet} asked={asked} hands={hands} hint={HINT} />
    </Box>
  );
}

/** The panel as it should be at the water that stands now: what is hidden is not in it. */
export function PanelShown() {
  const [open, setOpen] = useState(false);
  return (
    <details onToggle={(e) => setOpen(e.currentTarget.open)}>
      <Typography component="summary" variant="body2" sx={{ cursor: 'pointer', minHeight: 44, pt: 1 }}>
        the panel, as it should be at this water
      </Typography>
      {open && (
        <PanelProvider>
          <Sheets />
        </PanelProvider>
      )}
    </details>
  );
}
