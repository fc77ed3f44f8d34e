'use client';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import { markWords, sayNoDuty, type Judgement } from '@/core/levels';
import { quantity, say, sayPhrase, type UnitSystem } from '@/core/units';

/** What it takes to raise the water to each trip, and where pump and pipe agree there. */
export function WaterList({ judgement, system }: { judgement: Judgement; system: UnitSystem }) {
  const { raise, operatingPoints, context } = judgement;
  const hose = say(quantity('flow', context.station.settings.hoseFlow), system);
  const unknown = operatingPoints.flatMap(({ point }) => (point.ok ? [] : [point]))[0];
  return (
    <>
      <Table size="small" aria-label="water to raise">
        <TableHead>
          <TableRow>
            {['to', 'level', 'from the floor', 'from below', `hose ${hose}`, 'pump delivers', 'at head'].map((h) => (
              <TableCell key={h}>{h}</TableCell>
            ))}
          </TableRow>
        </TableHead>
        <TableBody>
          {raise.map((r) => {
            const at = operatingPoints.find((o) => o.at === r.to);
            const point = at?.point;
            return (
              <TableRow key={r.to} sx={{ '& td': { whiteSpace: 'nowrap' } }}>
                <TableCell component="th" scope="row">
                  {markWords(r.to, context.station.duty)}
                  {at && at.running > 1 ? `, ${at.running} pumps` : ''}
                </TableCell>
                <TableCell>{say(quantity('height', r.level), system)}</TableCell>
                <TableCell>{say(quantity('volume', r.fromFloor), system)}</TableCell>
                <TableCell>{say(quantity('volume', r.fromBelow), system)}</TableCell>
                <TableCell>{say(quantity('time', r.byHose), system)}</TableCell>
                <TableCell>{point?.ok ? say(quantity('flow', point.flow), system) : '–'}</TableCell>
                <TableCell>{point?.ok && point.head > 0 ? say(quantity('head', point.head), system) : '–'}</TableCell>
              </TableRow>
            );
          })}
        </TableBody>
      </Table>
      {unknown && <Typography sx={{ p: 1.5 }}>{sayPhrase(sayNoDuty(unknown), system)}</Typography>}
    </>
  );
}
