import Box from '@mui/material/Box';
import type { ReactNode } from 'react';

/** Fields side by side while there is room. */
export function Row({ children }: { children: ReactNode }) {
  return (
    <Box
      sx={{
        display: 'grid',
        gridTemplateColumns: 'repeat(auto-fit, minmax(104px, 1fr))',
        gap: 1.5,
        alignItems: 'start',
      }}
    >
      {children}
    </Box>
  );
}
