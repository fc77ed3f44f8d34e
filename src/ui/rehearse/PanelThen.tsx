'use client';
import Box from '@mui/material/Box';
import { useMemo, useState } from 'react';
import { settle } from '@/core/circuit';
import { applyFaults, faultsOf } from '@/core/faults';
import { sheetsOf, type LeafShape } from '@/core/papers';
import { panelOf } from '@/core/schemes';
import type { Station } from '@/core/station';
import { happens, energised, wire } from '@/core/wiring';
import { StillPanel } from '../panel/PanelProvider';
import { LadderWithWhy } from '../panel/LadderWithWhy';
import { useCursorMoment, type CursorStore } from './cursor';
import { Segments } from '../parts/Segments';

/** The panel as it stands where the cursor is, with the faults that are there then: what is live, what is closed, and why. */
export function PanelThen({ station, cursor }: { station: Station; cursor: CursorStore }) {
  const moment = useCursorMoment(cursor);
  const made = useMemo(() => {
    const built = panelOf(station);
    return built.ok
      ? {
          panel: built.panel,
          scheme: built.scheme,
          healthy: wire(station, built.panel),
          faults: faultsOf(station, built.panel),
          sheets: sheetsOf(built.panel),
        }
      : null;
  }, [station]);
  const there = moment?.faults.join('|') ?? '';
  const wired = useMemo(
    () =>
      made &&
      applyFaults(
        station,
        made.panel,
        made.healthy,
        made.faults.filter((f) => there.split('|').includes(f.id)),
      ),
    [made, station, there],
  );
  const states = moment?.states;
  const live = useMemo(() => {
    if (!made || !wired) return null;
    const settled = settle(wired.structure, states ?? wired.states);
    return { station, panel: made.panel, scheme: made.scheme, wired, settled, energised: energised(wired, settled) };
  }, [made, wired, station, states]);
  const [at, setAt] = useState<string | null>(null);
  const [asked, setAsked] = useState<string | null>(null);
  const hands = useMemo(
    () => ({ act: (leaf: LeafShape) => setAsked((was) => (was === leaf.id ? null : leaf.id)), press: () => {} }),
    [],
  );
  if (!made || !live) return null;
  const sheet = made.sheets.find((s) => s.id === at) ?? made.sheets.find((s) => s.id === 'control') ?? made.sheets[0]!;
  return (
    <StillPanel live={live}>
      <Box sx={{ display: 'flex', flexDirection: 'column', height: '100%' }}>
        <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'center', px: 1, fontSize: 13 }}>
          <Segments
            label="sheet of the ladder"
            value={sheet.id}
            choices={made.sheets.map((s) => [s.id, s.title] as const)}
            onPick={setAt}
          />
          <Box
            component="ul"
            aria-label="what it does then"
            sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 2, m: 0, p: 0, listStyle: 'none' }}
          >
            {made.panel.outcomes.map((o) => {
              const is = happens(live.settled, o);
              return (
                <Box component="li" key={o.id} sx={{ fontWeight: is ? 700 : 400 }}>
                  {is ? '● ' : '○ '}
                  {is ? o.label : o.not}
                </Box>
              );
            })}
          </Box>
        </Box>
        <LadderWithWhy
          panel={made.panel}
          sheet={sheet}
          asked={asked}
          hands={hands}
          hint="the panel at the cursor, as rehearsed: touch a coil, a motor or a lamp to ask what holds it in or stops it"
        />
      </Box>
    </StillPanel>
  );
}
