'use client';
import { styled } from '@mui/material/styles';

/** The paper that the survey's small drawings share. */
export const Sketch = styled('svg')(({ theme }) => ({
  width: '100%',
  height: 'auto',
  display: 'block',
  '& *': { vectorEffect: 'non-scaling-stroke' },
  '& .line': { fill: 'none', stroke: theme.palette.pit.ink, strokeWidth: 1.5 },
  '& .solid': { fill: theme.palette.pit.steel, stroke: theme.palette.pit.ink, strokeWidth: 1.2 },
  '& .water': { fill: theme.palette.pit.water, fillOpacity: 0.42 },
  '& .mark': { fill: 'none', stroke: theme.palette.pit.brass, strokeWidth: 2 },
  '& text': { fontSize: 9, fill: theme.palette.pit.quiet, fontFamily: theme.typography.fontFamily },
}));
