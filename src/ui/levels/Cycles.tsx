'use client';
import Box from '@mui/material/Box';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import { traitsOf } from '@/core/duties';
import { noneOf } from '@/core/inflow';
import { sayNoDuty, type CycleResult, type Judgement } from '@/core/levels';
import { quantity, say, sayPhrase, type UnitSystem } from '@/core/units';
import { CASE_LINES } from './caseLines';

const CASES = ['low', 'design', 'peak', 'worst'] as const;

const cycleOf = (judgement: Judgement, name: (typeof CASES)[number]): CycleResult =>
  name === 'worst' ? judgement.worst : judgement.cycles[name];

/** How the case is drawn in the chart above; the peak is not drawn. */
function LineSample({ name }: { name: (typeof CASES)[number] }) {
  const style = name === 'peak' ? null : CASE_LINES[name];
  return (
    <Box
      component="svg"
      aria-hidden
      viewBox="0 0 28 8"
      sx={{ width: 28, height: 8, color: name === 'worst' ? 'error.main' : 'pit.surface' }}
    >
      {style && <path d="M0 4 H28" stroke="currentColor" strokeWidth={style.width} strokeDasharray={style.dash} />}
    </Box>
  );
}

/** Fill, run, cycle and starts at the low, design, peak and worst inflow. */
export function Cycles({ judgement, system }: { judgement: Judgement; system: UnitSystem }) {
  const { worst } = judgement;
  if (!worst.ok) return <Typography sx={{ p: 1.5 }}>{sayPhrase(sayNoDuty(worst), system)}</Typography>;
  const { words } = traitsOf(judgement.context.station);
  const time = (s: number) => say(quantity('time', s), system);
  return (
    <Table size="small" aria-label="cycles" sx={{ '& td': { whiteSpace: 'nowrap' } }}>
      <TableHead>
        <TableRow>
          {[words.inflow, '', words.rests, words.runs, 'cycle', 'starts, each pump'].map((h, i) => (
            <TableCell key={i}>{h}</TableCell>
          ))}
        </TableRow>
      </TableHead>
      <TableBody>
        {CASES.map((name) => {
          const c = cycleOf(judgement, name);
          if (!c.ok) return null;
          // Where nothing comes nothing is pumped: no time is said that stands for never.
          const none = noneOf(c.inflow);
          return (
            <TableRow key={name}>
              <TableCell component="th" scope="row">
                <LineSample name={name} /> {name}
              </TableCell>
              <TableCell>{none ? 'none' : say(quantity('flow', c.inflow), system)}</TableCell>
              <TableCell>{none ? '–' : time(c.fill)}</TableCell>
              <TableCell>
                {none ? '–' : c.keepsUp ? time(c.run) : 'without a stop'}
                {!none && c.pumps > 1 && ` (${c.pumps} pumps)`}
              </TableCell>
              <TableCell>{c.keepsUp && !none ? time(c.cycle) : '–'}</TableCell>
              <TableCell>{c.keepsUp && !none ? say(quantity('rate', c.startsPerHour), system) : '–'}</TableCell>
            </TableRow>
          );
        })}
      </TableBody>
    </Table>
  );
}
