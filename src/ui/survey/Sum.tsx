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
import type { OperatingPoint } from '@/core/hydraulics';
import { lineOf, type LevelContext, type Line } from '@/core/levels';
import type { Station } from '@/core/station';
import { quantity, say, sayPhrase, unitOf, type Quantity, type UnitSystem } from '@/core/units';
import { useEditor, useStationSystem } from '../editor/StationProvider';
import { Reading } from '../parts/Reading';
import { Notice } from '../parts/Notice';

const RestsOn = dynamic(() => import('../parts/Resting').then((m) => m.RestsOn), { ssr: false });
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

type Figure = readonly [label: string, value: Quantity | null, big?: 'big'];

/** The figures that this station has: of a pump and its pipe, of laterals, of the vessel. */
function figuresOf(context: LevelContext, lost: number): Figure[] {
  const { station, atLead, hydraulics, vessel, calls } = context;
  const { mover, words } = traitsOf(station);
  const all = hydraulics.at(calls.at(-1)!, calls.length);
  const atStart = (value: (point: OperatingPoint & { ok: true }) => Quantity) => (atLead.ok ? value(atLead) : null);
  const pumped = mover.kind === 'pump';
  const { laterals } = hydraulics;
  const wanted = station.discharge.laterals;
  return [
    ['delivers, at start', atStart((p) => quantity('flow', p.flow)), 'big'],
    calls.length > 1
      ? [`${calls.length} pumps together`, all.ok ? quantity('flow', all.flow) : null, 'big']
      : ['head of the pump there', pumped ? atStart((p) => quantity('head', p.head)) : null, 'big'],
    ...(pumped
      ? ([
          ['static head, from start', quantity('head', hydraulics.staticHead(context.lead))],
          ['lost in pipe and fittings', atStart(() => quantity('head', lost))],
        ] satisfies Figure[])
      : []),
    ...(pumped && mover.stands === 'in-vessel'
      ? ([
          ['back through the weep hole', atStart((p) => quantity('flow', p.weep))],
          ['drains back each stop', quantity('volume', hydraulics.drainback(1, context.stop).volume)],
        ] satisfies Figure[])
      : []),
    ...(laterals && atLead.ok
      ? ([['jet at the last orifice', quantity('height', laterals.squirtAt(atLead.flow))]] satisfies Figure[])
      : []),
    ...(laterals && wanted
      ? ([['flow for the jet wanted', quantity('flow', laterals.at(wanted.squirt).flow)]] satisfies Figure[])
      : []),
    ...(laterals ? ([['laterals hold', quantity('volume', laterals.volume)]] satisfies Figure[]) : []),
    [`${words.vessel} to the overflow`, quantity('volume', vessel.volume(context.overflow))],
  ];
}

/** Whether any of its figures is not known to have been measured. */
const restsOnUnmeasured = ({ surveyed: { rest, figures } }: Station): boolean =>
  rest === 'unknown' || Object.values(figures).includes('assumed');

/** What the survey adds up to: curve and pipe, lift, flow, velocity, volumes. */
export function Sum({ pump }: { pump: number }) {
  const { context, problems } = useEditor((s) => s.judged);
  const pumps = useEditor((s) => s.document.pumps.length);
  const system = useStationSystem();
  const pumped = traitsOf(context.station).mover.kind === 'pump';
  const line = lineOf(context);
  return (
    <Box sx={{ display: 'flex', flexDirection: 'column', gap: 1.5, p: 2, opacity: problems.length > 0 ? 0.55 : 1 }}>
      <Typography variant="h2">What it adds up to</Typography>
      {/* What it says comes late, and nothing may move under a finger when it comes. */}
      {restsOnUnmeasured(context.station) && (
        <Box sx={{ height: 116, overflow: 'auto', flex: 'none' }}>
          <RestsOn station={context.station} />
        </Box>
      )}
      {pumped && (
        <>
          <Typography variant="label">
            head ({unitOf('head', system)}) against flow ({unitOf('flow', system)}); drag the rings, or ↑ ↓ ← → on one
          </Typography>
          <Box sx={{ height: pumps > 1 ? 310 : 270 }}>
            <CurveChart context={context} system={system} pump={Math.min(pump, pumps - 1)} />
          </Box>
        </>
      )}
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.5 }}>
        {figuresOf(context, line.total.loss).map(([label, value, big]) => (
          <Reading key={label} label={label} value={value} system={system} big={big === 'big'} />
        ))}
      </Box>
      {pumped && <LineTable line={line} system={system} />}
      {line.warnings.map((w, i) => (
        <Notice key={i} severity="warning">
          {sayPhrase(w, system)}
        </Notice>
      ))}
    </Box>
  );
}
