'use client';
import Box from '@mui/material/Box';
import { useEffect, type ReactNode } from 'react';
import type { Step } from '@/core/proving';
import { useEditor } from '../editor/StationProvider';
import { StationShaft } from '../shaft/StationShaft';

/** On a desk: shaft, list, step. On a phone the step alone fills the screen. What the step is about answers in the shaft. */
export function ProveLayout({
  step,
  list,
  children,
}: {
  step: Step | undefined;
  list: ReactNode;
  children: ReactNode;
}) {
  const point = useEditor((s) => s.point);
  useEffect(() => {
    point(step?.about ?? []);
    return () => point([]);
  }, [step, point]);
  return (
    <Box
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: '1fr', md: '330px 280px minmax(0, 1fr)' },
        height: { md: '100%' },
      }}
    >
      <Box sx={{ display: { xs: 'none', md: 'block' }, minHeight: 0, borderRight: 1, borderColor: 'divider' }}>
        <StationShaft guess={{ width: 330, height: 660 }} />
      </Box>
      <Box
        sx={{
          display: { xs: 'none', md: 'block' },
          minHeight: 0,
          overflow: 'auto',
          borderRight: 1,
          borderColor: 'divider',
          pb: 1,
        }}
      >
        {list}
      </Box>
      <Box sx={{ minHeight: 0, overflow: 'auto' }}>{children}</Box>
    </Box>
  );
}
