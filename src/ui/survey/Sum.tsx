'use client';
import { traitsOf } from '@/core/duties';
import Box from '@mui/material/Box';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import dynamic from 'next/dynamic';
import { lineOf, type Line } from '@/core/levels';
import { quantity, say, sayPhrase, unitOf, type UnitSystem } from '@/core/units';
import { useEditor, useStationSystem } from '../editor/StationProvider';
import { Reading } from '../parts/Reading';
import { Notice } from '../parts/Notice';

const CurveChart = dynamic(() => import('./CurveChart').then((m) => m.CurveChart), {
  ssr: false,
  loading: () => <Box sx={{ p: 2 }}>drawing the curve…</Box>,
});

/** Each length of pipe, and all of it. */
function LineTable({ line, system }: { line: Line; system: UnitSystem }) {
  const q = (kind: Parameters<typeof quantity>[0], value: number) => say(quantity(kind, value), system);
  return (
    <Table
      size="small"
      aria-label="the line"
      sx={{ '& td, & th': { px: 0.75, fontSize: 12 }, '& td': { whiteSpace: 'nowrap' } }}
    >
      <TableHead>
        <TableRow>
          {['line', 'long', 'holds', 'ΣK', 'velocity', 'loses'].map((h) => (
            <TableCell key={h}>{h}</TableCell>
          ))}
        </TableRow>
      </TableHead>
      <TableBody>
        {line.rows.map((r, i) => (
          <TableRow key={i}>
            <TableCell component="th" scope="row">
              {r.name}
            </TableCell>
            <TableCell>{q('distance', r.length)}</TableCell>
            <TableCell>{q('volume', r.volume)}</TableCell>
            <TableCell>{q('factor', r.k)}</TableCell>
            <TableCell>
              {q('velocity', r.velocity)}
              {r.velocityAll > r.velocity * 1.01 && (
                <Box component="span" sx={{ display: 'block' }}>{`all ${q('velocity', r.velocityAll)}`}</Box>
              )}
            </TableCell>
            <TableCell>{q('head', r.loss)}</TableCell>
          </TableRow>
        ))}
        {line.rows.length > 1 && (
          <TableRow sx={{ '& td, & th': { fontWeight: 700 } }}>
            <TableCell component="th" scope="row">
              all of it
            </TableCell>
            <TableCell>{q('distance', line.total.length)}</TableCell>
            <TableCell>{q('volume', line.total.volume)}</TableCell>
            <TableCell>{q('factor', line.total.k)}</TableCell>
            <TableCell />
            <TableCell>{q('head', line.total.loss)}</TableCell>
          </TableRow>
        )}
      </TableBody>
    </Table>
  );
}

/** What the survey adds up to: curve and pipe, lift, flow, velocity, volumes. */
export function Sum({ pump }: { pump: number }) {
  const { context, problems } = useEditor((s) => s.judged);
  const pumps = useEditor((s) => s.document.pumps.length);
  const system = useStationSystem();
  const { station, atLead, hydraulics, vessel, calls } = context;
  const { mover, words } = traitsOf(station);
  const valve = mover.kind === 'valve';
  const inVessel = mover.kind === 'pump' && mover.stands === 'in-vessel';
  const line = lineOf(context);
  const all = hydraulics.at(calls.at(-1)!, calls.length);
  const squirt = hydraulics.laterals && atLead.ok ? hydraulics.laterals.squirtAt(atLead.flow) : null;
  return (
    <Box sx={{ display: 'flex', flexDirection: 'column', gap: 1.5, p: 2, opacity: problems.length > 0 ? 0.55 : 1 }}>
      <Typography variant="h2">What it adds up to</Typography>
      {!valve && (
        <Typography variant="label">
          head ({unitOf('head', system)}) against flow ({unitOf('flow', system)}); drag the rings, or ↑ ↓ ← → on one
        </Typography>
      )}
      {!valve && (
        <Box sx={{ height: pumps > 1 ? 310 : 270 }}>
          <CurveChart context={context} system={system} pump={Math.min(pump, pumps - 1)} />
        </Box>
      )}
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.5 }}>
        <Reading
          big
          label="delivers, at start"
          value={atLead.ok ? quantity('flow', atLead.flow) : null}
          system={system}
        />
        {calls.length > 1 ? (
          <Reading
            big
            label={`${calls.length} pumps together`}
            value={all.ok ? quantity('flow', all.flow) : null}
            system={system}
          />
        ) : (
          <Reading
            big
            label="head of the pump there"
            value={atLead.ok && !valve ? quantity('head', atLead.head) : null}
            system={system}
          />
        )}
        {!valve && (
          <Reading
            label="static head, from start"
            value={quantity('head', hydraulics.staticHead(context.lead))}
            system={system}
          />
        )}
        {!valve && (
          <Reading
            label="lost in pipe and fittings"
            value={atLead.ok ? quantity('head', line.total.loss) : null}
            system={system}
          />
        )}
        {inVessel && (
          <Reading
            label="back through the weep hole"
            value={atLead.ok ? quantity('flow', atLead.weep) : null}
            system={system}
          />
        )}
        {inVessel && (
          <Reading label="drains back each stop" value={quantity('volume', hydraulics.drainback(1))} system={system} />
        )}
        {squirt !== null && (
          <Reading label="jet at the last orifice" value={quantity('height', squirt)} system={system} />
        )}
        {hydraulics.laterals && station.discharge.laterals && (
          <Reading
            label="flow for the jet wanted"
            value={quantity('flow', hydraulics.laterals.at(station.discharge.laterals.squirt).flow)}
            system={system}
          />
        )}
        {hydraulics.laterals && (
          <Reading label="laterals hold" value={quantity('volume', hydraulics.laterals.volume)} system={system} />
        )}
        <Reading
          label={`${words.vessel} to the overflow`}
          value={quantity('volume', vessel.volume(context.overflow))}
          system={system}
        />
      </Box>
      {!valve && <LineTable line={line} system={system} />}
      {line.warnings.map((w, i) => (
        <Notice key={i} severity="warning">
          {sayPhrase(w, system)}
        </Notice>
      ))}
    </Box>
  );
}
