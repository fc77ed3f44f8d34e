'use client';
import Box from '@mui/material/Box';
import { useMemo } from 'react';
import type { Sheet } from '@/core/papers';
import type { Panel } from '@/core/schemes';
import { reasonFor } from '@/core/wiring';
import { usePanel } from './PanelProvider';
import { Ladder, type LeafHands } from './Ladder';

const LADDER_BOX = { flex: '1 1 65%', minHeight: { xs: 380, md: 0 } } as const;
const WHY_BOX = { px: 1, py: 0.25, borderTop: 1, borderColor: 'divider', fontSize: 13, minHeight: 24 } as const;

/** The ladder, and under it what holds the thing that was asked about in, or stops it. */
export function LadderWithWhy({
  panel,
  sheet,
  asked,
  hands,
  hint = 'touch a coil, a motor or a lamp to ask what holds it in or stops it; touch a switch to work it',
}: {
  panel: Panel;
  sheet: Sheet;
  asked: string | null;
  hands: LeafHands;
  hint?: string;
}) {
  const wired = usePanel((s) => s.live!.wired);
  const settled = usePanel((s) => s.live!.settled);
  const reason = useMemo(() => (asked === null ? null : reasonFor(wired, settled, asked)), [asked, wired, settled]);
  const why = useMemo(() => new Set(reason?.elements ?? []), [reason]);
  const words = (element: string) => {
    const tag = element.split('.')[0]!;
    const d = panel.devices.find((x) => x.tag === tag);
    const state = d?.positions.find((p) => p.state === settled.states[tag])?.label;
    return `${tag}${d ? ` (${d.label}${state ? `, ${state}` : ''})` : ''}`;
  };
  return (
    <>
      <Box sx={LADDER_BOX}>
        <Ladder panel={panel} sheet={sheet} why={why} hands={hands} />
      </Box>
      <Box role="status" aria-label="why" sx={WHY_BOX}>
        {reason && asked ? (
          <>
            <b>{asked.split('.')[0]}</b> is {reason.held ? 'held in by' : 'stopped by'}{' '}
            {[...new Set(reason.elements.filter((e) => e !== asked).map(words))].join(reason.held ? ', ' : ' or ')}
            {reason.rungs.length > 1 && ` (rungs ${reason.rungs.join(', ')})`}
          </>
        ) : (
          hint
        )}
      </Box>
    </>
  );
}
