'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import {
  DATE_FORMS,
  METER_KINDS,
  METER_NAMES,
  meterName,
  meterOf,
  ownCalled,
  unitsOfMeter,
  type Mapping,
} from '@/core/book';
import type { Understood } from '@/workers/readings';
import { Pick } from '../parts/Pick';
import { Segments } from '../parts/Segments';
import { useImport, type Table } from './useImport';
import { FileButton } from '../parts/FileButton';

const METERS = METER_NAMES.flatMap((kind) =>
  METER_KINDS[kind].ofPump ? [1, 2, 3].map((n) => `${kind}-${n}`) : [kind as string],
).map((id) => [id, meterName(meterOf(id)!)] as const);

/** One column: which meter it is, and in which unit it is written. */
function Column({
  table: { head, first, mapping },
  place,
  onChange,
}: {
  table: Table;
  place: number;
  onChange(mapping: Mapping): void;
}) {
  const meter = mapping.meters[place];
  const units = meter === undefined ? [] : unitsOfMeter(meter);
  // What is in no list is taken as it is called.
  const own = [false, true].flatMap((counts) => {
    const id = ownCalled(head[place] ?? '', counts);
    return id === null
      ? []
      : [[id, `${meterName(meterOf(id)!)}, as it is called: ${counts ? 'counts up' : 'a figure'}`] as const];
  });
  const listed = [...METERS, ...own.filter(([id]) => id !== meter)];
  const { [place]: _, ...meters } = mapping.meters;
  const { [place]: __, ...others } = mapping.units ?? {};
  return (
    <Box sx={{ display: 'flex', gap: 0.5 }}>
      <Pick
        label={`column “${head[place]}”, as ${first[place] ?? ''}`}
        value={meter ?? 'none'}
        choices={[
          ['none', 'is not taken'] as const,
          ...listed,
          ...(meter !== undefined && !METERS.some(([id]) => id === meter)
            ? [[meter, meterName(meterOf(meter)!)] as const]
            : []),
        ]}
        onPick={(id) =>
          onChange({ ...mapping, units: others, meters: id === 'none' ? meters : { ...meters, [place]: String(id) } })
        }
      />
      {units.length > 1 && (
        <Pick
          label="in"
          value={mapping.units?.[place] ?? units[0]!}
          choices={units.map((u) => [u, u] as const)}
          onPick={(unit) =>
            onChange({ ...mapping, units: unit === units[0] ? others : { ...others, [place]: String(unit) } })
          }
          sx={{ maxWidth: 76 }}
        />
      )}
    </Box>
  );
}

/** What a column is taken for, and the form of days and figures: guessed, and to be said otherwise. */
function Mapped({ table, onChange }: { table: Table; onChange(mapping: Mapping): void }) {
  const { head, first, rows, mapping } = table;
  return (
    <Box sx={{ display: 'flex', flexDirection: 'column', gap: 1.25 }}>
      <Typography variant="body2">
        {table.name}: {rows} rows. “{head[mapping.time]}” says when, as “{first[mapping.time]}”.
      </Typography>
      <Segments
        label="days are written"
        value={mapping.dates}
        choices={DATE_FORMS.map((d) => [d, d] as const)}
        onPick={(dates) => onChange({ ...mapping, dates })}
        sx={{ flexWrap: 'wrap' }}
      />
      <Segments
        label="figures are written"
        value={mapping.comma}
        choices={[[false, 'with a point'] as const, [true, 'with a comma'] as const]}
        onPick={(comma) => onChange({ ...mapping, comma })}
      />
      {mapping.long === null && (
        <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fill, minmax(170px, 1fr))', gap: 1.25 }}>
          {head.map((h, i) =>
            i === mapping.time ? null : <Column key={i} table={table} place={i} onChange={onChange} />,
          )}
        </Box>
      )}
    </Box>
  );
}

/** What was made of the table: how many readings, or every row that cannot be read. */
function Preview({ read }: { read: Understood }) {
  if (read.ok && read.readings === 0)
    return <Typography variant="body2">No column is a meter yet: say for each what it is.</Typography>;
  if (read.ok)
    return (
      <Typography variant="body2">
        {read.readings} readings can be taken
        {read.double > 0 && `; ${read.double} stand there twice and are taken once`}.
      </Typography>
    );
  return (
    <Box role="alert">
      <Typography variant="body2">None is taken while {read.problems.length + read.more} cannot be read:</Typography>
      <Box component="ul" sx={{ m: 0, pl: 2.5, maxHeight: 180, overflow: 'auto' }}>
        {read.problems.map((p) => (
          <Typography component="li" variant="body2" key={`${p.row} ${p.why}`}>
            row {p.row}: {p.why}
          </Typography>
        ))}
        {read.more > 0 && <li>and {read.more} more</li>}
      </Box>
    </Box>
  );
}

/** Readings from a table: chosen, shown as it is understood, and taken all or none. */
export function ImportReadings({ stationId, who, onDone }: { stationId: number; who: string; onDone(): void }) {
  const { table, read, told, sending, open, map, take, stop } = useImport(stationId, who, onDone);
  return (
    <Box component="section" aria-label="import readings" sx={{ display: 'flex', flexDirection: 'column', gap: 1.25 }}>
      <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', flexWrap: 'wrap' }}>
        <FileButton
          words="import readings (CSV)"
          label="readings file"
          accept=".csv,text/csv,text/plain"
          disabled={sending !== null}
          sx={{ minHeight: 44 }}
          onFile={open}
        />
        <a href={`/api/stations/${stationId}/book/readings`}>export all readings (CSV)</a>
      </Box>
      {table && sending === null && <Mapped table={table} onChange={map} />}
      {table && read && sending === null && <Preview read={read} />}
      {read?.ok && read.readings > 0 && sending === null && (
        <Button variant="contained" disabled={who.trim() === ''} sx={{ minHeight: 44 }} onClick={take}>
          {who.trim() === '' ? 'say who, above' : `take ${read.readings} readings`}
        </Button>
      )}
      {sending && (
        <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', flexWrap: 'wrap' }}>
          <progress aria-label="readings sent" max={sending.of} value={sending.sent} />
          <Typography variant="body2">
            {sending.sent < sending.of
              ? `${sending.sent} of ${sending.of} readings sent: none of them is in the book yet`
              : 'all are sent: they are being taken into the book'}
          </Typography>
          {sending.sent < sending.of && (
            <Button onClick={stop} sx={{ minHeight: 44 }}>
              stop
            </Button>
          )}
        </Box>
      )}
      {told !== null && (
        <Typography variant="body2" role="status">
          {told}
        </Typography>
      )}
    </Box>
  );
}
