'use client';
import { traitsOf } from '@/core/duties';
import Button from '@mui/material/Button';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { setAt, withSource } from '@/core/editing';
import { flowsOf } from '@/core/inflow';
import { patternRows, readPatternRows, readStormRows, stormRows, type InflowSource } from '@/core/station';
import { quantity, say, unitOf } from '@/core/units';
import { useEditor, useStationSystem } from '../editor/StationProvider';
import { fileNameOf } from '../parts/download';
import { ChoiceField, QuantityField, WordsField } from '../fields/fields';
import { Row } from '../parts/Row';
import { Group } from './Group';
import { InflowDrawing } from './InflowDrawing';
import { TickBox } from '../parts/TickBox';
import { ListRow } from './ListRow';
import { ManyRows } from './ManyRows';
import { InflowSketch } from './sketches';
import { TableFile } from '../parts/TableFile';
import { downloadCsv } from '../parts/csv';

const AT = 'inflow.source';

function Pattern({ source }: { source: Extract<InflowSource, { kind: 'pattern' }> }) {
  const edit = useEditor((s) => s.edit);
  const name = useEditor((s) => s.document.identity.name);
  const system = useStationSystem();
  const take = (rows: string[][]) => {
    const read = readPatternRows(rows, system);
    if (read.ok) edit((d) => setAt(d, `${AT}.factors`, read.factors));
    return read.ok ? [] : read.problems;
  };
  return (
    <>
      <Row>
        <QuantityField path={`${AT}.mean`} />
      </Row>
      <TableFile
        what="daily pattern"
        units="hour, factor"
        onRows={take}
        more={
          <Button onClick={() => void downloadCsv(fileNameOf(name, 'pattern', 'csv'), patternRows(source.factors))}>
            write the pattern as CSV
          </Button>
        }
      >
        <Typography variant="label">share of the mean in each hour, from midnight</Typography>
        <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(6, 1fr)', gap: 1 }}>
          {source.factors.map((_, hour) => (
            <QuantityField key={hour} path={`${AT}.factors.${hour}`} label={`${hour} h`} />
          ))}
        </Box>
      </TableFile>
    </>
  );
}

function Storm({ source }: { source: Extract<InflowSource, { kind: 'storm' }> }) {
  const edit = useEditor((s) => s.edit);
  const name = useEditor((s) => s.document.identity.name);
  const system = useStationSystem();
  const take = (rows: string[][]) => {
    const read = readStormRows(rows, system);
    if (read.ok) edit((d) => setAt(d, `${AT}.rows`, read.rows));
    return read.ok ? [] : read.problems;
  };
  const last = source.rows.at(-1)!;
  return (
    <>
      <Row>
        <QuantityField path={`${AT}.base`} />
      </Row>
      <TableFile
        what="storm"
        units={`min, ${unitOf('flow', system)}`}
        onRows={take}
        onAdd={() => edit((d) => setAt(d, `${AT}.rows`, [...source.rows, { time: last.time + 600, flow: last.flow }]))}
        addLabel="add a row"
        more={
          <Button onClick={() => void downloadCsv(fileNameOf(name, 'storm', 'csv'), stormRows(source.rows, system))}>
            write the storm as CSV
          </Button>
        }
      >
        <Typography variant="label">time from the beginning and flow; straight lines between</Typography>
        <ManyRows
          label="storm"
          count={source.rows.length}
          row={(i) => (
            <ListRow
              key={i}
              columns="1fr 1fr"
              remove={`row ${i + 1}`}
              removable={source.rows.length > 2}
              onRemove={() =>
                edit((d) =>
                  setAt(
                    d,
                    `${AT}.rows`,
                    source.rows.filter((__, j) => j !== i),
                  ),
                )
              }
            >
              <QuantityField path={`${AT}.rows.${i}.time`} n={i + 1} />
              <QuantityField path={`${AT}.rows.${i}.flow`} n={i + 1} />
            </ListRow>
          )}
        />
      </TableFile>
    </>
  );
}

function Fixtures({ source }: { source: Extract<InflowSource, { kind: 'fixtures' }> }) {
  const edit = useEditor((s) => s.edit);
  const put = (uses: typeof source.uses) => edit((d) => setAt(d, `${AT}.uses`, uses));
  return (
    <>
      {source.uses.map((_, i) => (
        <ListRow
          key={i}
          columns="1.4fr 1fr 1fr 1fr 0.8fr"
          remove={`fixture ${i + 1}`}
          removable={source.uses.length > 1}
          onRemove={() => put(source.uses.filter((__, j) => j !== i))}
        >
          <WordsField path={`${AT}.uses.${i}.name`} />
          <QuantityField path={`${AT}.uses.${i}.volume`} />
          <QuantityField path={`${AT}.uses.${i}.flow`} />
          <QuantityField path={`${AT}.uses.${i}.perDay`} />
          <QuantityField path={`${AT}.uses.${i}.atOnce`} />
        </ListRow>
      ))}
      <Row>
        <Button onClick={() => put([...source.uses, { ...source.uses.at(-1)!, name: 'fixture' }])}>
          add a fixture
        </Button>
        <QuantityField path={`${AT}.hours`} />
      </Row>
    </>
  );
}

function Appliances({ source }: { source: Extract<InflowSource, { kind: 'appliances' }> }) {
  const edit = useEditor((s) => s.edit);
  const put = (list: typeof source.list) => edit((d) => setAt(d, `${AT}.list`, list));
  return (
    <>
      {source.list.map((_, i) => (
        <ListRow
          key={i}
          columns="1.4fr 1fr 1fr 1fr"
          remove={`appliance ${i + 1}`}
          removable={source.list.length > 1}
          onRemove={() => put(source.list.filter((__, j) => j !== i))}
        >
          <WordsField path={`${AT}.list.${i}.name`} />
          <QuantityField path={`${AT}.list.${i}.rate`} />
          <QuantityField path={`${AT}.list.${i}.after`} />
          <QuantityField path={`${AT}.list.${i}.over`} nullable />
        </ListRow>
      ))}
      <Box>
        <Button
          onClick={() => put([...source.list, { ...source.list.at(-1)!, name: `appliance ${source.list.length + 1}` }])}
        >
          add an appliance
        </Button>
      </Box>
    </>
  );
}

function SourceFields({ source }: { source: InflowSource }) {
  switch (source.kind) {
    case 'steady':
      return (
        <Row>
          <QuantityField path={`${AT}.low`} />
          <QuantityField path={`${AT}.design`} />
          <QuantityField path={`${AT}.peak`} />
        </Row>
      );
    case 'pattern':
      return <Pattern source={source} />;
    case 'storm':
      return <Storm source={source} />;
    case 'fixtures':
      return <Fixtures source={source} />;
    case 'appliances':
      return <Appliances source={source} />;
  }
}

/** What comes in, or is drawn: told in one of five ways, drawn, and what the rules make of it at low, design and peak. */
export function InflowGroup() {
  const inflow = useEditor((s) => s.document.inflow);
  const { words } = traitsOf({ duty: useEditor((s) => s.document.duty) });
  const sound = useEditor((s) => s.judged.problems.every((p) => !p.path.startsWith('inflow')));
  const { atLead } = useEditor((s) => s.judged.context);
  const edit = useEditor((s) => s.edit);
  const system = useStationSystem();
  const flows = sound ? flowsOf(inflow) : null;
  const flow = (v: number) => say(quantity('flow', v), system);
  return (
    <Group
      id="inflow"
      title={words.inflow === 'draw' ? 'Draw' : 'Inflow'}
      sketch={flows && <InflowSketch flows={flows} delivers={atLead.ok ? atLead.flow : null} />}
    >
      <ChoiceField
        path={`${AT}.kind`}
        label={`${words.inflow}, told as`}
        onPick={(v) => edit((d) => withSource(d, v as InflowSource['kind']))}
      />
      {flows && <InflowDrawing inflow={inflow} flows={flows} system={system} />}
      <SourceFields source={inflow.source} />
      <Row>
        <QuantityField path="inflow.infiltration" label={words.infiltration} />
      </Row>
      {words.inflow === 'inflow' && (
        <TickBox
          label="its inlet pipe is counted as storage (by the school that lets the alarm act over it)"
          checked={inflow.inletPipe !== null}
          onChange={(counted) =>
            edit((d) => setAt(d, 'inflow.inletPipe', counted ? { length: 10, bore: 0.15, fall: 0.01 } : null))
          }
        />
      )}
      {inflow.inletPipe && (
        <Row>
          <QuantityField path="inflow.inletPipe.length" />
          <QuantityField path="inflow.inletPipe.bore" />
          <QuantityField path="inflow.inletPipe.fall" />
        </Row>
      )}
      {flows && inflow.source.kind !== 'steady' && (
        <Typography variant="body2">
          The rules count {flow(flows.low)} as low, {flow(flows.design)} as design, {flow(flows.peak)} as peak.
        </Typography>
      )}
    </Group>
  );
}
