import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';

/** What can hurt: part of the card itself, and never fetched after it. */
export const Caution = ({ children }: { children: ReactNode }) => (
  <Box
    role="note"
    aria-label="caution"
    sx={{ display: 'flex', gap: 1.5, border: 1, borderColor: 'warning.main', borderRadius: '3px', px: 1.5, py: 1.25 }}
  >
    <Typography component="b" aria-hidden sx={{ color: 'warning.main', fontWeight: 800, fontSize: 22, lineHeight: 1 }}>
      !
    </Typography>
    <Typography variant="body2" component="span">
      {children}
    </Typography>
  </Box>
);
