'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { setAt } from '@/core/editing';
import { curveRows, readCurveRows, type CurvePoint } from '@/core/station';
import { unitOf } from '@/core/units';
import { useEditor, useStationSystem } from '../editor/StationProvider';
import { fileNameOf } from '../parts/download';
import { QuantityField } from '../fields/fields';
import { ListRow } from './ListRow';
import { TableFile } from '../parts/TableFile';
import { downloadCsv } from '../parts/csv';

/** A pump's curve: points typed, pasted from a sheet, read from a CSV file, or written to one. */
export function CurveField({ index }: { index: number }) {
  const path = `pumps.${index}.curve` as const;
  const curve = useEditor((s) => s.document.pumps[index]!.curve);
  const name = useEditor((s) => s.document.pumps[index]!.name);
  const problems = useEditor((s) => s.judged.problems);
  const edit = useEditor((s) => s.edit);
  const system = useStationSystem();
  const set = (points: readonly CurvePoint[]) => edit((d) => setAt(d, path, points));
  const take = (rows: string[][]) => {
    const read = readCurveRows(rows, system);
    if (read.ok) set(read.points);
    return read.ok ? [] : read.problems;
  };
  const addPoint = () => {
    const last = curve.at(-1) ?? { flow: 0, head: 1 };
    const before = curve.at(-2) ?? { flow: 0, head: last.head * 2 };
    set([
      ...curve,
      {
        flow: last.flow + Math.max(last.flow - before.flow, 1e-4),
        head: Math.max(last.head - (before.head - last.head), last.head / 2),
      },
    ]);
  };
  const whole = problems.find((p) => p.path === path);
  return (
    <TableFile
      what="curve"
      units={`${unitOf('flow', system)}, ${unitOf('head', system)}`}
      onRows={take}
      onAdd={addPoint}
      addLabel="add a point"
      more={
        <Button onClick={() => void downloadCsv(fileNameOf(name, 'curve', 'csv'), curveRows(curve, system))}>
          write the curve as CSV
        </Button>
      }
    >
      <Typography variant="label">
        curve, from shut-off on; paste two columns here, read a CSV with the headings flow and head, or drag its points
        in the chart
      </Typography>
      {[whole, ...curve.map((_, i) => problems.find((p) => p.path === `${path}.${i}`))].map((bad, n) => {
        const i = n - 1;
        return (
          <Box key={n}>
            {i >= 0 && (
              <ListRow
                columns="1fr 1fr"
                remove={`point ${i + 1}`}
                removable={curve.length > 2}
                onRemove={() => set(curve.filter((_, j) => j !== i))}
              >
                <QuantityField path={`${path}.${i}.flow`} n={i + 1} />
                <QuantityField path={`${path}.${i}.head`} n={i + 1} />
              </ListRow>
            )}
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
