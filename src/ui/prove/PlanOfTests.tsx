'use client';
import Box from '@mui/material/Box';
import { type ReactNode, useMemo, useState } from 'react';
import { planner } from '@/core/proving';
import { useEditor, useStationSystem } from '../editor/StationProvider';
import { RestsOn } from '../parts/Resting';
import { ProveLayout } from './ProveLayout';
import { StepCard } from './StepCard';
import { StepList } from './StepList';

/** The test plan as the station stands now, step by step, under what is said over it. It asks the panel, and so comes after the page. */
export function PlanOfTests({ children }: { children: ReactNode }) {
  const { station } = useEditor((s) => s.judged.context);
  const system = useStationSystem();
  const [planOf] = useState(planner);
  const plan = useMemo(() => planOf(station), [planOf, station]);
  const [current, setCurrent] = useState(0);
  const step = plan[Math.min(current, plan.length - 1)];
  return (
    <ProveLayout
      step={step}
      list={<StepList steps={plan} current={current} stateOf={() => 'open'} onPick={setCurrent} />}
    >
      {children}
      {step && <StepCard step={step} system={system} place={`${current + 1} of ${plan.length}`} />}
      <Box sx={{ px: { xs: 2, md: 2.5 }, py: 1.5 }}>
        <RestsOn station={station} />
      </Box>
    </ProveLayout>
  );
}
