'use client';
import Box from '@mui/material/Box';
import IconButton from '@mui/material/IconButton';
import Typography from '@mui/material/Typography';
import { setAt } from '@/core/editing';
import { readCurveRows, type CurvePoint } from '@/core/station';
import { unitOf } from '@/core/units';
import { useEditor, useStationSystem } from '../editor/StationProvider';
import { QuantityField } from './fields';
import { TableFile } from './TableFile';

const PATH = 'pumps.0.curve';

/** The pump's curve: points typed, pasted from a sheet, or read from a CSV file. */
export function CurveField() {
  const curve = useEditor((s) => s.document.pumps[0]!.curve);
  const problems = useEditor((s) => s.judged.problems);
  const edit = useEditor((s) => s.edit);
  const system = useStationSystem();
  const set = (points: readonly CurvePoint[]) => edit((d) => setAt(d, PATH, points));
  const take = (rows: string[][]) => {
    const read = readCurveRows(rows, system);
    if (read.ok) set(read.points);
    return read.ok ? [] : read.problems;
  };
  const addPoint = () => {
    const last = curve.at(-1) ?? { flow: 0, head: 1 };
    const before = curve.at(-2) ?? { flow: 0, head: last.head * 2 };
    set([...curve, { flow: last.flow + Math.max(last.flow - before.flow, 1e-4), head: Math.max(last.head - (before.head - last.head), last.head / 2) }]);
  };
  return (
    <TableFile what="curve" units={`${unitOf('flow', system)}, ${unitOf('head', system)}`} onRows={take} onAdd={addPoint} addLabel="add a point">
      <Typography variant="label">curve, from shut-off on; paste two columns here, or read a CSV with the headings flow and head</Typography>
      {curve.map((_, i) => {
        const bad = problems.find((p) => p.path === `${PATH}.${i}`);
        return (
          <Box key={i}>
            <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr 36px', gap: 1, alignItems: 'start' }}>
              <QuantityField path={`${PATH}.${i}.flow`} label={`flow ${i + 1}`} kind="flow" />
              <QuantityField path={`${PATH}.${i}.head`} label={`head ${i + 1}`} kind="head" />
              <IconButton aria-label={`remove point ${i + 1}`} disabled={curve.length <= 2} onClick={() => set(curve.filter((_, j) => j !== i))}>
                ×
              </IconButton>
            </Box>
            {bad && (
              <Typography variant="body2" color="error" role="alert">
                {bad.message}
              </Typography>
            )}
          </Box>
        );
      })}
    </TableFile>
  );
}
