'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { type ReactNode, useMemo, useState } from 'react';
import { jobsAt } from '@/core/jobs';
import { sayPhrase } from '@/core/units';
import { useEditor, useStationSystem } from '../editor/StationProvider';
import { RestsOn } from '../parts/Resting';
import { JobList } from './JobList';
import { ProveLayout } from './ProveLayout';
import { StepCard } from './StepCard';
import { StepList } from './StepList';

/** The card of the job that is chosen as the station stands now, step by step, under what is said over it. It asks the panel, and so comes after the page. */
export function PlanOfTests({ job, onJob, children }: { job: string; onJob(id: string): void; children: ReactNode }) {
  const { station } = useEditor((s) => s.judged.context);
  const system = useStationSystem();
  const [at] = useState(jobsAt);
  const offers = useMemo(() => at.offers(station), [at, station]);
  const made = useMemo(() => at.card(station, job), [at, station, job]);
  const [current, setCurrent] = useState(0);
  const plan = made.ok ? made.card.steps : [];
  const step = plan[Math.min(current, plan.length - 1)];
  return (
    <ProveLayout
      step={step}
      list={<StepList steps={plan} current={current} stateOf={() => 'open'} onPick={setCurrent} />}
    >
      <JobList
        offers={offers}
        system={system}
        job={job}
        onJob={(id) => {
          onJob(id);
          setCurrent(0);
        }}
      />
      {children}
      {made.ok ? (
        <Typography variant="body2" component="p" sx={{ m: 0, px: { xs: 2, md: 2.5 }, pt: 1.5 }}>
          <b>{made.card.title}</b>: {plan.length} steps, about {Math.round(made.card.minutes / 5) * 5} minutes,{' '}
          {made.card.people > 1 ? `${made.card.people} people at some of them` : 'one person'}. Next look:{' '}
          {sayPhrase(made.card.next, system)}.
        </Typography>
      ) : (
        <Typography variant="body2" component="p" sx={{ m: 0, px: { xs: 2, md: 2.5 }, pt: 1.5 }}>
          {sayPhrase(made.reason, system)}
        </Typography>
      )}
      {step && <StepCard step={step} system={system} place={`${current + 1} of ${plan.length}`} />}
      {step && (
        <Box
          sx={{
            px: { xs: 2, md: 2.5 },
            display: 'flex',
            justifyContent: 'space-between',
            '& button': { minHeight: 44 },
          }}
        >
          <Button disabled={current === 0} onClick={() => setCurrent(current - 1)}>
            ◂ step before
          </Button>
          <Button disabled={current + 1 >= plan.length} onClick={() => setCurrent(current + 1)}>
            next step ▸
          </Button>
        </Box>
      )}
      <Box sx={{ px: { xs: 2, md: 2.5 }, py: 1.5 }}>
        <RestsOn station={station} />
      </Box>
    </ProveLayout>
  );
}
