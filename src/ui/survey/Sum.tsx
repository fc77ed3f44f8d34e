'use client';
import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import dynamic from 'next/dynamic';
import { sayNoDuty } from '@/core/levels';
import { quantity, sayPhrase } from '@/core/units';
import { useEditor, useStationSystem } from '../editor/StationProvider';
import { Reading } from '../parts/Reading';

const CurveChart = dynamic(() => import('./CurveChart').then((m) => m.CurveChart), { ssr: false, loading: () => <Box sx={{ p: 2 }}>drawing the curve…</Box> });

/** What the survey adds up to: curve and pipe, lift, flow, velocity, volumes. */
export function Sum() {
  const { judgement, problems } = useEditor((s) => s.judged);
  const system = useStationSystem();
  const { context } = judgement;
  const { station, atLead, hydraulics, vessel, lead } = context;
  const { velocityMin, velocityMax } = station.settings;
  const velocities = atLead.ok ? hydraulics.pipeline.velocities(atLead.flow) : [];
  const pump = station.pumps[0]!;
  const headShare = atLead.ok ? atLead.head / hydraulics.curve.at(0) : 0;
  const strained = headShare > pump.headShare;
  const slow = velocities.some((v) => v < velocityMin);
  const fast = velocities.some((v) => v > velocityMax);
  return (
    <Box sx={{ display: 'flex', flexDirection: 'column', gap: 1.5, p: 2, opacity: problems.length > 0 ? 0.55 : 1 }}>
      <Typography variant="h2">What it adds up to</Typography>
      <Box sx={{ height: 250 }}>
        <CurveChart judgement={judgement} system={system} />
      </Box>
      {!atLead.ok && <Alert severity="warning">{sayPhrase(sayNoDuty(atLead), system)}</Alert>}
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.5 }}>
        <Reading big label="delivers, at start" value={atLead.ok ? quantity('flow', atLead.flow) : null} system={system} />
        <Reading big label="head of the pump there" value={atLead.ok ? quantity('head', atLead.head) : null} system={system} />
        <Reading label="static head, from start" value={quantity('head', station.discharge.outlet - lead)} system={system} />
        <Reading label="lost in pipe and fittings" value={atLead.ok ? quantity('head', hydraulics.pipeline.loss(atLead.flow)) : null} system={system} />
        <Reading label="velocity in the pipe" value={velocities[0] === undefined ? null : quantity('velocity', velocities[0])} system={system} />
        <Reading label="back through the weep hole" value={atLead.ok ? quantity('flow', atLead.weep) : null} system={system} />
        <Reading label="drains back each stop" value={quantity('volume', hydraulics.drainback)} system={system} />
        <Reading label="pit to the overflow" value={quantity('volume', vessel.volume(context.overflow))} system={system} />
      </Box>
      {strained && (
        <Alert severity="warning">
          The pump works at {sayPhrase([quantity('share', headShare)], system)} of its shut-off head; its maker allows {sayPhrase([quantity('share', pump.headShare)], system)}.
        </Alert>
      )}
      {slow && <Alert severity="warning">Slower than {sayPhrase([quantity('velocity', velocityMin)], system)}: solids settle in the pipe.</Alert>}
      {fast && <Alert severity="warning">Faster than {sayPhrase([quantity('velocity', velocityMax)], system)}: wear, and a blow when it stops.</Alert>}
    </Box>
  );
}
