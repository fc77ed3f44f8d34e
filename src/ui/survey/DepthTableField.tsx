'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import Typography from '@mui/material/Typography';
import { setAt } from '@/core/editing';
import { depthTableRows, readDepthRows, type VesselShape } from '@/core/station';
import { unitOf } from '@/core/units';
import { useEditor, useStationSystem } from '../editor/StationProvider';
import { fileNameOf } from '../parts/download';
import { QuantityField } from '../fields/fields';
import { TableFile } from '../parts/TableFile';
import { downloadCsv } from '../parts/csv';

type Rows = Extract<VesselShape, { kind: 'table' }>['rows'];
const PATH = 'vessel.shape.rows';

/** Plan area at heights from the floor to the rim: typed, pasted, read from a CSV file and written to one. */
export function DepthTableField({ rows }: { rows: Rows }) {
  const name = useEditor((s) => s.document.identity.name);
  const edit = useEditor((s) => s.edit);
  const system = useStationSystem();
  const set = (next: Rows) => edit((d) => setAt(d, PATH, next));
  const take = (cells: string[][]) => {
    const read = readDepthRows(cells, system);
    if (read.ok) set(read.rows);
    return read.ok ? [] : read.problems;
  };
  const last = rows.at(-1)!;
  return (
    <TableFile
      what="depth table"
      units={`${unitOf('height', system)}, ${unitOf('area', system)}`}
      onRows={take}
      onAdd={() => set([...rows, { height: Number((last.height + 0.1).toFixed(6)), area: last.area }])}
      addLabel="add a row at the rim"
      more={
        <Button onClick={() => void downloadCsv(fileNameOf(name, 'depths', 'csv'), depthTableRows(rows, system))}>
          write the depths as CSV
        </Button>
      }
    >
      <Typography variant="label">plan area at each height, floor first; straight lines between</Typography>
      {rows.map((_, i) => (
        <Box key={i} sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr 36px', gap: 1, alignItems: 'start' }}>
          <QuantityField path={`${PATH}.${i}.height`} n={i + 1} />
          <QuantityField path={`${PATH}.${i}.area`} n={i + 1} />
          <IconButton
            aria-label={`remove row ${i + 1}`}
            disabled={rows.length <= 2}
            onClick={() => set(rows.filter((_, j) => j !== i))}
          >
            ×
          </IconButton>
        </Box>
      ))}
    </TableFile>
  );
}
