'use client';
import Button from '@mui/material/Button';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import { getAt, setAt } from '@/core/editing';
import { QuantityInput } from '../parts/QuantityInput';
import type { Judgement } from '@/core/levels';
import { depthOf } from '@/core/station';
import { quantity, say, type UnitSystem } from '@/core/units';
import { useEditor } from '../editor/StationProvider';

/** One setting of a float, typed as it is measured: from the rim down. */
function RimDown({ path, label, system }: { path: string; label: string; system: UnitSystem }) {
  const document = useEditor((s) => s.document);
  const edit = useEditor((s) => s.edit);
  const problem = useEditor((s) => s.judged.problems.find((p) => p.path === path)?.message);
  const depth = depthOf(document.vessel.shape);
  const value = getAt(document, path) as number;
  return <QuantityInput label={label} kind="height" system={system} value={Number((depth - value).toFixed(7))} problem={problem} onCommit={(down) => edit((d) => setAt(d, path, Number((depthOf(d.vessel.shape) - down).toFixed(7))))} />;
}

function Plain({ path, label, system }: { path: string; label: string; system: UnitSystem }) {
  const value = useEditor((s) => getAt(s.document, path) as number);
  const edit = useEditor((s) => s.edit);
  const problem = useEditor((s) => s.judged.problems.find((p) => p.path === path)?.message);
  return <QuantityInput label={label} kind="height" system={system} value={value} problem={problem} onCommit={(v) => edit((d) => setAt(d, path, v))} />;
}

/** The list that goes to the pit, lowest float first: each setting rim down as it is measured, floor up as the rules are written. */
export function TapeList({ judgement, system }: { judgement: Judgement; system: UnitSystem }) {
  const sensors = useEditor((s) => s.document.sensors);
  const point = useEditor((s) => s.point);
  const height = (v: number) => say(quantity('height', v), system);
  return (
    <>
      <Table size="small" aria-label="tape list">
        <TableHead>
          <TableRow>
            {['float', 'rim down', 'floor up', 'tether', 'on', 'off'].map((h) => (
              <TableCell key={h}>{h}</TableCell>
            ))}
          </TableRow>
        </TableHead>
        <TableBody>
          {judgement.tape.map((row) => {
            const index = sensors.findIndex((s) => s.id === row.sensor);
            const at = `sensors.${index}`;
            const here = () => point([`float:${row.sensor}`]);
            return (
              <TableRow key={row.sensor} onPointerEnter={here} onFocus={here} onPointerLeave={() => point([])} sx={{ '& td': { verticalAlign: 'top' } }}>
                <TableCell component="th" scope="row" sx={{ fontWeight: 600, whiteSpace: 'nowrap' }}>
                  {row.order} {row.role}
                </TableCell>
                <TableCell sx={{ minWidth: 116 }}>
                  {row.kind === 'tilt' ? <RimDown path={`${at}.clip`} label="clip" system={system} /> : <RimDown path={`${at}.upperStop`} label="upper stop" system={system} />}
                </TableCell>
                <TableCell sx={{ whiteSpace: 'nowrap' }}>{height(row.floorUp)}</TableCell>
                <TableCell sx={{ minWidth: 116 }}>
                  {row.kind === 'tilt' ? <Plain path={`${at}.tether`} label="tether" system={system} /> : <RimDown path={`${at}.lowerStop`} label="lower stop" system={system} />}
                </TableCell>
                <TableCell sx={{ whiteSpace: 'nowrap' }}>
                  {height(row.rise)}
                  {row.measured && <Typography variant="label" sx={{ display: 'block' }}>measured</Typography>}
                </TableCell>
                <TableCell sx={{ whiteSpace: 'nowrap' }}>{height(row.fall)}</TableCell>
              </TableRow>
            );
          })}
        </TableBody>
      </Table>
      <Button onClick={() => window.print()} sx={{ m: 1 }}>
        print the tape list
      </Button>
    </>
  );
}
