'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import { getAt, setAt } from '@/core/editing';
import { shaftScene, shaftSvg, tapeCsvRows } from '@/core/papers';
import { downloadText, fileNameOf } from '../parts/download';
import { QuantityInput } from '../parts/QuantityInput';
import { moves, type Judgement, type TapeSetting, type TapeRow } from '@/core/levels';
import { depthOf, type DocumentPath } from '@/core/station';
import { quantity, say, sayPhrase, type UnitSystem } from '@/core/units';
import { useEditor, useProblem } from '../editor/StationProvider';
import { useTyped } from '../fields/fields';
import { downloadCsv } from '../parts/csv';

/** One setting of a float, as it is measured: a height from the rim down, all else as it is. */
function Measured({
  sensor,
  measure: { field, label, of },
  system,
}: {
  sensor: number;
  measure: TapeSetting;
  system: UnitSystem;
}) {
  const path = `sensors.${sensor}.${field}`;
  const value = useEditor((s) => getAt(s.document, path)) as number;
  const depth = useEditor((s) => depthOf(s.document.vessel.shape));
  const edit = useEditor((s) => s.edit);
  const problem = useProblem(path);
  // Measured from the rim it is another figure than the clip’s own field shows.
  const typing = useTyped(`tape of ${path}`);
  const turned = (v: number) => (of === 'height' ? Number((depth - v).toFixed(7)) : v);
  return (
    <QuantityInput
      {...typing}
      label={label}
      format="height"
      system={system}
      value={turned(value)}
      problem={problem?.message}
      onCommit={(v) => edit((d) => setAt(d, path as DocumentPath, turned(v)))}
    />
  );
}

/** One float: where it is set, where it acts, the water that raises it, the cord that it takes. */
function FloatRow({ row, system }: { row: TapeRow; system: UnitSystem }) {
  const at = useEditor((s) => s.document.sensors.findIndex((x) => x.id === row.sensor));
  const point = useEditor((s) => s.point);
  const here = () => point([`float:${row.sensor}`]);
  const height = (v: number) => say(quantity('height', v), system);
  return (
    <TableRow
      onPointerEnter={here}
      onFocus={here}
      onPointerLeave={() => point([])}
      sx={{ '& td': { verticalAlign: 'top' } }}
    >
      <TableCell component="th" scope="row" sx={{ fontWeight: 600, whiteSpace: 'nowrap', verticalAlign: 'top' }}>
        {row.order} {row.role}
        {row.bearing !== null && (
          <Typography variant="label" sx={{ display: 'block' }}>
            faces {say(quantity('angle', row.bearing), system)}
          </Typography>
        )}
      </TableCell>
      <TableCell sx={{ minWidth: 104, '& > div + div': { mt: 1.25 } }}>
        {row.settings.map((m) => (
          <Measured key={m.field} sensor={at} measure={m} system={system} />
        ))}
      </TableCell>
      <TableCell sx={{ whiteSpace: 'nowrap' }}>{height(row.floorUp)}</TableCell>
      <TableCell sx={{ whiteSpace: 'nowrap' }}>
        {height(row.rise)}
        {row.measured && (
          <Typography variant="label" sx={{ display: 'block' }}>
            measured
          </Typography>
        )}
      </TableCell>
      <TableCell sx={{ whiteSpace: 'nowrap' }}>{height(row.fall)}</TableCell>
      <TableCell sx={{ whiteSpace: 'nowrap' }}>
        {say(quantity('volume', row.water), system)}
        <Typography variant="label" sx={{ display: 'block' }}>
          hose {say(quantity('time', row.byHose), system)}
        </Typography>
      </TableCell>
      <TableCell sx={{ whiteSpace: 'nowrap' }}>
        cut {say(quantity('distance', row.cord), system)}
        <Typography variant="label" sx={{ display: 'block' }}>
          has {say(quantity('distance', row.cordHas), system)}
        </Typography>
      </TableCell>
    </TableRow>
  );
}

/** The list that goes to the pit, lowest float first: each setting rim down as it is measured, floor up as the rules are written. */
export function TapeList({ judgement, system }: { judgement: Judgement; system: UnitSystem }) {
  const write = () =>
    void downloadCsv(
      fileNameOf(judgement.context.station.identity.name, 'tape list', 'csv'),
      tapeCsvRows(judgement, system),
    );
  return (
    <>
      <Table size="small" aria-label="tape list" sx={{ '& td, & th': { px: 1 } }}>
        <TableHead>
          <TableRow>
            {['float', 'set, rim down', 'floor up', 'on', 'off', 'water to raise', 'cord'].map((h) => (
              <TableCell key={h}>{h}</TableCell>
            ))}
          </TableRow>
        </TableHead>
        <TableBody>
          {judgement.tape.map((row) => (
            <FloatRow key={row.sensor} row={row} system={system} />
          ))}
        </TableBody>
      </Table>
      <FoundMoves system={system} />
      <Box sx={{ display: 'flex', gap: 1, m: 1, flexWrap: 'wrap' }}>
        <Button onClick={() => window.print()}>print the tape list</Button>
        <Button onClick={write}>tape list as CSV</Button>
        <Button
          onClick={() =>
            downloadText(
              fileNameOf(judgement.context.station.identity.name, 'shaft', 'svg'),
              'image/svg+xml',
              shaftFile(judgement.context, system),
            )
          }
        >
          shaft as SVG
        </Button>
      </Box>
    </>
  );
}

/** What to do at the pit, from what was taken down as found to what is set now. */
function FoundMoves({ system }: { system: UnitSystem }) {
  const found = useEditor((s) => s.document.found);
  const sensors = useEditor((s) => s.document.sensors);
  const point = useEditor((s) => s.point);
  if (!found) return null;
  const list = moves(found, sensors);
  return (
    <Box component="section" aria-label="moves from what was found" sx={{ px: 1.5, py: 1 }}>
      <Typography variant="h3">Moves, from what was found</Typography>
      {list.length === 0 ? (
        <Typography variant="body2">None: it hangs as it was found.</Typography>
      ) : (
        <Box component="ol" sx={{ m: 0, pl: 2.5 }}>
          {list.map((m, i) => (
            <li key={i} onPointerEnter={() => point([`float:${m.sensor}`])} onPointerLeave={() => point([])}>
              {sayPhrase(m.sentence, system)}
            </li>
          ))}
        </Box>
      )}
    </Box>
  );
}

/** The shaft at the size of a page, with the water at the stop. */
function shaftFile(context: Judgement['context'], system: UnitSystem): string {
  return shaftSvg(
    shaftScene(context, { width: 560, height: 720, detail: 'full', system, level: context.stop }),
    `${context.station.identity.site}, ${context.station.identity.name}`,
  );
}
