'use client';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import { traitsOf } from '@/core/duties';
import { doseFigures, sayNoDuty, timedDay, type Judgement } from '@/core/levels';
import { quantity, say, sayPhrase, type UnitSystem } from '@/core/units';

/** What the timer makes of a design day and of a peak day. */
export function Doses({ judgement, system }: { judgement: Judgement; system: UnitSystem }) {
  const { context } = judgement;
  const { timer } = traitsOf(context.station);
  if (!timer) return null;
  const dosed = doseFigures(context);
  if (!dosed.ok) return <Typography sx={{ p: 1.5 }}>{sayPhrase(sayNoDuty(dosed), system)}</Typography>;
  const q = (kind: Parameters<typeof quantity>[0], value: number) => say(quantity(kind, value), system);
  const days = [
    { name: 'design day', brings: dosed.perDay, ...timedDay(timer.on, timer.off, dosed.volume) },
    {
      name: 'peak day',
      brings: dosed.perDay * timer.peakDay,
      ...timedDay(timer.on, context.peak ? timer.peakOff : timer.off, dosed.volume),
    },
  ];
  return (
    <>
      <Table size="small" aria-label="doses" sx={{ '& td': { whiteSpace: 'nowrap' } }}>
        <TableHead>
          <TableRow>
            {['', 'on', 'rests', 'doses a day', 'can take', 'brings', 'starts'].map((h, i) => (
              <TableCell key={i}>{h}</TableCell>
            ))}
          </TableRow>
        </TableHead>
        <TableBody>
          {days.map((d) => (
            <TableRow key={d.name}>
              <TableCell component="th" scope="row">
                {d.name}
              </TableCell>
              <TableCell>{q('time', timer.on)}</TableCell>
              <TableCell>{q('time', d.rest)}</TableCell>
              <TableCell>{q('count', d.dosesPerDay)}</TableCell>
              <TableCell>{q('volume', d.takesPerDay)}</TableCell>
              <TableCell>{q('volume', d.brings)}</TableCell>
              <TableCell>{q('rate', d.startsPerHour)}</TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
      <Typography variant="body2" sx={{ p: 1.5 }}>
        The timer starts the pump, not the level: its float only lets the timer run. One dose is{' '}
        {q('volume', dosed.volume)}
        {dosed.fills > 0 && `, ${(dosed.volume / dosed.fills).toFixed(1)} times what the laterals hold`}; while a design
        day comes faster than it is dosed, {q('volume', dosed.surge)} gathers.
      </Typography>
    </>
  );
}
