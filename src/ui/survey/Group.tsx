import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';

/** A short group of the survey: its name, a small drawing that follows what is typed, its fields. */
export function Group({
  id,
  title,
  sketch,
  children,
}: {
  id: string;
  title: string;
  sketch?: ReactNode;
  children: ReactNode;
}) {
  return (
    <Box
      component="section"
      id={id}
      aria-labelledby={`${id}-title`}
      sx={{ borderBottom: 1, borderColor: 'divider', px: 2, py: 1.5, scrollMarginTop: 8 }}
    >
      <Typography variant="h2" id={`${id}-title`} sx={{ mb: 1.25 }}>
        {title}
      </Typography>
      <Box sx={{ display: 'flex', gap: 2, alignItems: 'flex-start' }}>
        <Box sx={{ flex: 1, minWidth: 0, display: 'flex', flexDirection: 'column', gap: 1.75 }}>{children}</Box>
        {sketch && <Box sx={{ width: 112, flex: 'none', display: { xs: 'none', sm: 'block' } }}>{sketch}</Box>}
      </Box>
    </Box>
  );
}
