'use client';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { setAt } from '@/core/editing';
import { depthTableRows, readDepthRows, type VesselShape } from '@/core/station';
import { unitOf } from '@/core/units';
import { ListRow } from './ListRow';
import { ManyRows } from './ManyRows';
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
      <ManyRows
        label="depth table"
        count={rows.length}
        row={(i) => (
          <ListRow
            key={i}
            columns="1fr 1fr"
            remove={`row ${i + 1}`}
            removable={rows.length > 2}
            onRemove={() => set(rows.filter((_, j) => j !== i))}
          >
            <QuantityField path={`${PATH}.${i}.height`} n={i + 1} />
            <QuantityField path={`${PATH}.${i}.area`} n={i + 1} />
          </ListRow>
        )}
      />
    </TableFile>
  );
}
