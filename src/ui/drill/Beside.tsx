import Box from '@mui/material/Box';
import type { ReactNode } from 'react';
import { StationShaft, type FloatsByHand } from '../shaft/StationShaft';

interface Props {
  label: string;
  /** Whether the drawing is of what is worked at. */
  drawn: boolean;
  /** Floats that hands can lift in the drawing. */
  byHand?: FloatsByHand;
  children: ReactNode;
}

/** What is done beside the shaft of the station; on a phone under it. */
export const Beside = ({ label, drawn, byHand, children }: Props) => (
  <Box
    sx={{
      display: 'grid',
      gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: '300px minmax(0, 1fr)' },
      height: { md: '100%' },
    }}
  >
    <Box
      sx={{
        display: { xs: drawn ? 'block' : 'none', md: 'block' },
        height: { xs: 320, md: 'auto' },
        minHeight: 0,
        borderRight: { md: 1 },
        borderBottom: { xs: 1, md: 0 },
        // Said again where the side is: a border set later brings its own colour.
        borderColor: { xs: 'divider', md: 'divider' },
      }}
    >
      {drawn && <StationShaft beside stillWater byHand={byHand} guess={{ width: 300, height: 660 }} />}
    </Box>
    <Box component="section" aria-label={label} sx={{ minHeight: 0, overflow: 'auto' }}>
      {children}
    </Box>
  </Box>
);
