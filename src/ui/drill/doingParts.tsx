import Box from '@mui/material/Box';
import type { ReactNode } from 'react';
import type { Bench, DrillAct, Offers } from '@/core/drill';

/** What everything that can be done at a bench is told. */
export interface DoingProps {
  offers: Offers;
  bench: Bench;
  /** How many faults are hidden. */
  hidden: 1 | 2;
  act(act: DrillAct): void;
}

export const TALL = { minHeight: 44 } as const;

export const Row = ({ children }: { children: ReactNode }) => (
  <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', alignItems: 'center' }}>{children}</Box>
);
