'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useRef, useState } from 'react';
import {
  DATE_FORMS,
  guessMapping,
  METER_KINDS,
  METER_NAMES,
  meterName,
  meterOf,
  readTable,
  type Mapping,
  type TableRead,
} from '@/core/book';
import { newKey } from '../parts/browserKeep';
import { Pick } from '../parts/Pick';
import { Segments } from '../parts/Segments';

interface Table {
  readonly name: string;
  readonly head: readonly string[];
  readonly rows: readonly (readonly string[])[];
  readonly mapping: Mapping;
}

const METERS = METER_NAMES.flatMap((kind) =>
  METER_KINDS[kind].ofPump ? [1, 2, 3].map((n) => `${kind}-${n}`) : [kind as string],
).map((id) => [id, meterName(meterOf(id)!)] as const);

/** What a column is taken for, and the form of days and figures: guessed, and to be said otherwise. */
function Mapped({ table, onChange }: { table: Table; onChange(mapping: Mapping): void }) {
  const { head, rows, mapping } = table;
  return (
    <Box sx={{ display: 'flex', flexDirection: 'column', gap: 1.25 }}>
      <Typography variant="body2">
        {table.name}: {rows.length} rows. “{head[mapping.time]}” says when, as “{rows[0]?.[mapping.time]}”.
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
            i === mapping.time ? null : (
              <Pick
                key={i}
                label={`column “${h}”, as ${rows[0]?.[i] ?? ''}`}
                value={mapping.meters[i] ?? 'none'}
                choices={[['none', 'is not taken'] as const, ...METERS]}
                onPick={(id) => {
                  const { [i]: _, ...rest } = mapping.meters;
                  onChange({ ...mapping, meters: id === 'none' ? rest : { ...rest, [i]: String(id) } });
                }}
              />
            ),
          )}
        </Box>
      )}
    </Box>
  );
}

/** What was made of the table: how many readings, or every row that cannot be read. */
function Preview({ read }: { read: TableRead }) {
  if (read.ok)
    return (
      <Typography variant="body2">
        {read.rows.length} readings can be taken
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
  const file = useRef<HTMLInputElement>(null);
  const [table, setTable] = useState<Table | null>(null);
  const [told, setTold] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const [key, setKey] = useState(newKey);
  const [now] = useState(() => Date.now());
  const open = async (chosen: File | undefined) => {
    if (!chosen) return;
    setTold(null);
    const { default: Papa } = await import('papaparse');
    const { data } = Papa.parse<string[]>((await chosen.text()).replace(/^\uFEFF/, ''), { skipEmptyLines: 'greedy' });
    const [head = [], ...rows] = data;
    const mapping = guessMapping(head, rows);
    setKey(newKey());
    if (mapping) return setTable({ name: chosen.name, head, rows, mapping });
    setTable(null);
    setTold(`${chosen.name}: no column says when (time, date), or none is a meter (hours-1, starts-1, rain …)`);
  };
  const read = table && readTable(table.rows, table.mapping, now, new Date().getTimezoneOffset());
  const take = async () => {
    if (!table || !read?.ok) return;
    setBusy(true);
    const { sendReadings } = await import('./sendReadings');
    const answer = await sendReadings(stationId, { by: who, file: table.name, readings: read.rows }, key);
    setBusy(false);
    setTold(answer.told);
    if (!answer.ok) return;
    setTable(null);
    onDone();
  };
  return (
    <Box component="section" aria-label="import readings" sx={{ display: 'flex', flexDirection: 'column', gap: 1.25 }}>
      <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', flexWrap: 'wrap' }}>
        <Button sx={{ minHeight: 44 }} onClick={() => file.current?.click()}>
          import readings (CSV)
        </Button>
        <a href={`/api/stations/${stationId}/book/readings`}>export all readings (CSV)</a>
      </Box>
      <input
        ref={file}
        type="file"
        accept=".csv,text/csv,text/plain"
        hidden
        aria-label="readings file"
        onChange={(e) => {
          void open(e.target.files?.[0]);
          e.target.value = '';
        }}
      />
      {table && <Mapped table={table} onChange={(mapping) => setTable({ ...table, mapping })} />}
      {read && <Preview read={read} />}
      {read?.ok && (
        <Button
          variant="contained"
          disabled={busy || who.trim() === ''}
          sx={{ minHeight: 44 }}
          onClick={() => void take()}
        >
          {who.trim() === '' ? 'say who, above' : `take ${read.rows.length} readings`}
        </Button>
      )}
      {told !== null && (
        <Typography variant="body2" role="status">
          {told}
        </Typography>
      )}
    </Box>
  );
}
