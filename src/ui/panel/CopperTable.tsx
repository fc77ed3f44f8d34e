'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { setAt } from '@/core/editing';
import type { CopperTable as Table, Station } from '@/core/station';
import { unitOf } from '@/core/units';
import { copperRows, ownTable, readCopperRows, sizeName, soldSizes, typicalAmpacity } from '@/core/wiring';
import { useEditor, useStationSystem } from '../editor/StationProvider';
import { QuantityField, WordsField } from '../fields/fields';
import { downloadCsv } from '../parts/csv';
import { fileNameOf } from '../parts/download';
import { TableFile } from '../parts/TableFile';
import { ListRow } from '../survey/ListRow';

const RUNS = ['feeder', 'motor', 'field'] as const;

/** Every run of cable with the current that the table in force says. */
const byTable = (station: Station): Station =>
  RUNS.reduce((d, run) => setAt(d, `wiring.${run}.carries`, typicalAmpacity(d.wiring[run].area, d)), station);

/** The smallest size sold that is thicker than all that the table has; null where none is. */
const next = ({ rows }: Table, profile: Station['profile']): number | null =>
  soldSizes(profile).find((s) => s > rows.at(-1)!.area * 1.01) ?? null;

function Rows({ table }: { table: Table }) {
  const { profile, identity } = useEditor((s) => s.document);
  const edit = useEditor((s) => s.edit);
  const problems = useEditor((s) => s.judged.problems);
  const system = useStationSystem();
  const set = (rows: Table['rows']) => edit((d) => setAt(d, 'wiring.copper.rows', rows));
  const take = (cells: string[][]) => {
    const read = readCopperRows(cells, profile);
    if (read.ok) set(read.rows);
    return read.ok ? [] : read.problems;
  };
  const more = next(table, profile);
  return (
    <TableFile
      what="table of conductors"
      units={profile === 'us-120' ? `AWG, ${unitOf('current', system)}` : `mm², ${unitOf('current', system)}`}
      onRows={take}
      {...(more === null
        ? {}
        : {
            onAdd: () => set([...table.rows, { area: more, carries: table.rows.at(-1)!.carries }]),
            addLabel: `add ${sizeName(more, profile)}`,
          })}
      more={
        <Button
          onClick={() =>
            void downloadCsv(fileNameOf(identity.name, 'conductors', 'csv'), copperRows(table.rows, profile))
          }
        >
          write the table as CSV
        </Button>
      }
    >
      <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fill, minmax(150px, 1fr))', gap: 1 }}>
        {table.rows.map((row, i) => {
          const wrong = problems.find((p) => p.path === `wiring.copper.rows.${i}`);
          return (
            <Box key={`${i} ${row.area}`}>
              <ListRow
                columns="1fr"
                remove={sizeName(row.area, profile)}
                removable={table.rows.length > 1}
                onRemove={() => set(table.rows.filter((_, j) => j !== i))}
              >
                <QuantityField path={`wiring.copper.rows.${i}.carries`} label={sizeName(row.area, profile)} />
              </ListRow>
              {wrong && (
                <Typography variant="body2" color="error" role="alert">
                  {wrong.message}
                </Typography>
              )}
            </Box>
          );
        })}
      </Box>
    </TableFile>
  );
}

/** What copper carries by the firm’s own table where it has one, in place of the common ones; small sizes stay guarded as the codes ask. */
export function CopperTable() {
  const table = useEditor((s) => s.document.wiring.copper);
  const edit = useEditor((s) => s.edit);
  return (
    <Box component="section" aria-label="what copper carries" sx={{ mb: 2 }}>
      <Typography component="h2" variant="h3" sx={{ mb: 1 }}>
        what copper carries
      </Typography>
      <Typography variant="body2" sx={{ mb: 1, maxWidth: 640 }}>
        {table
          ? 'By a table of the firm’s own, in place of the common ones: one circuit by itself in air of 30 °C; the air round the cables and the circuits bunched correct it. What the common codes take as least, and as the most that may guard a small conductor, stays.'
          : 'By the common tables, with the column chosen above: typical; your code governs. A firm that goes by its code’s or its engineer’s figures can type, paste or read them.'}
      </Typography>
      {table && (
        <>
          <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fill, minmax(220px, 1fr))', gap: 1.5, mb: 1 }}>
            <WordsField path="wiring.copper.source" />
            <QuantityField path="wiring.copper.hottest" />
          </Box>
          <Rows table={table} />
        </>
      )}
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, mt: 1 }}>
        {table ? (
          <Button onClick={() => edit((d) => setAt(d, 'wiring.copper', null))}>back to the common tables</Button>
        ) : (
          <Button onClick={() => edit((d) => setAt(d, 'wiring.copper', ownTable(d)))}>a table of the firm’s own</Button>
        )}
        <Button onClick={() => edit(byTable)}>let the runs carry what the table says</Button>
      </Box>
    </Box>
  );
}
