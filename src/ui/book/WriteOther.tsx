'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import type { Page } from '@/core/book';
import { Pick } from '../parts/Pick';
import { TextBox } from '../parts/TextBox';
import type { OnWrite } from './shown';

const JobPick = dynamic(() => import('./JobPick').then((m) => m.JobPick), { ssr: false, loading: () => null });

const PartPlaces = dynamic(() => import('./PartPlaces').then((m) => m.PartPlaces), { ssr: false, loading: () => null });
/** The list that is offered while a part’s place is typed. */
const PLACES = 'places-of-parts';

interface Field {
  readonly id: string;
  readonly label: string;
  readonly help?: string;
  readonly figure?: true;
  readonly date?: true;
  readonly long?: true;
}

const FIELDS: Readonly<Record<'alarm' | 'part' | 'rule' | 'site', readonly Field[]>> = {
  alarm: [
    { id: 'rang', label: 'what rang' },
    { id: 'minutes', label: 'how long, min', figure: true, help: 'empty: nobody knows' },
    { id: 'was', label: 'what it was', long: true },
    { id: 'done', label: 'what was done', long: true },
  ],
  part: [
    { id: 'name', label: 'what it is' },
    { id: 'place', label: 'where', help: 'a device of the panel, as Q1, or a place in words' },
    { id: 'serial', label: 'serial number' },
    { id: 'years', label: 'expected life, years', figure: true },
    { id: 'hours', label: 'expected life, hours run', figure: true },
    { id: 'starts', label: 'expected life, starts', figure: true },
    { id: 'warrantyTo', label: 'warranty to', date: true },
    { id: 'through', label: 'warranty through' },
  ],
  rule: [
    { id: 'what', label: 'what is to be done', help: 'a visit that names it counts as done' },
    { id: 'days', label: 'every so many days', figure: true },
    { id: 'hours', label: 'or hours run', figure: true },
    { id: 'starts', label: 'or starts', figure: true },
    { id: 'month', label: 'only in month, 1 to 12', figure: true },
  ],
  site: [
    { id: 'access', label: 'way in', long: true },
    { id: 'keys', label: 'keys' },
    { id: 'gas', label: 'gas and air', long: true },
    { id: 'dog', label: 'dog, neighbours' },
    { id: 'call', label: 'whom to call' },
    { id: 'owner', label: 'what the owner said', long: true },
    { id: 'price', label: 'a kWh costs', figure: true, help: 'in the money of the place' },
  ],
};

const STATES = [
  ['fitted', 'fitted now'],
  ['taken out', 'taken out'],
  ['on the shelf', 'on the shelf'],
] as const;

/** An alarm, a part or what is to know of the site. */
export function WriteOther({
  kind,
  before,
  words = 'write it in the book',
  onWrite,
}: {
  kind: 'alarm' | 'part' | 'rule' | 'site';
  /** What stood there before, to be gone on from. */
  before: Page | null;
  /** What stands on its button. */
  words?: string;
  onWrite: OnWrite;
}) {
  const [typed, setTyped] = useState<Readonly<Record<string, string>>>(() =>
    Object.fromEntries(Object.entries(before ?? {}).map(([k, v]) => [k, v === null ? '' : String(v)])),
  );
  const [state, setState] = useState<(typeof STATES)[number][0]>('fitted');
  const [job, setJob] = useState('');
  const figures = FIELDS[kind].filter((f) => f.figure);
  const wrong = figures.find((f) => !/^\s*(\d+([.,]\d+)?)?\s*$/.test(typed[f.id] ?? ''));
  const first = FIELDS[kind][0]!;
  const empty = kind === 'site' ? FIELDS.site.every((f) => !typed[f.id]?.trim()) : !typed[first.id]?.trim();
  const write = async () => {
    const page = {
      kind,
      ...(kind === 'part' && { state }),
      ...(kind === 'rule' && job !== '' && { job }),
      ...Object.fromEntries(
        FIELDS[kind].map((f) => {
          const text = (typed[f.id] ?? '').trim();
          if (f.figure) return [f.id, text === '' ? null : Number(text.replace(',', '.'))];
          return [f.id, f.date && text === '' ? null : text];
        }),
      ),
    } as Page;
    if ((await onWrite({ page, readings: [] })) !== null) setTyped({});
  };
  return (
    <Box
      component="form"
      aria-label={`write ${kind}`}
      onSubmit={(e) => (e.preventDefault(), void write())}
      sx={{ display: 'flex', flexDirection: 'column', gap: 1.25 }}
    >
      {kind === 'part' && (
        <Pick label="it is" value={state} choices={STATES} onPick={(v) => setState(v as (typeof STATES)[number][0])} />
      )}
      {kind === 'rule' && <JobPick job={job} onPick={setJob} />}
      {kind === 'part' && <PartPlaces id={PLACES} />}
      <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fill, minmax(170px, 1fr))', gap: 1.25 }}>
        {FIELDS[kind].map((f) => (
          <TextBox
            key={f.id}
            label={f.label}
            help={f.help}
            problem={wrong?.id === f.id ? 'is no figure' : undefined}
            value={typed[f.id] ?? ''}
            multiline={f.long}
            minRows={f.long ? 2 : undefined}
            type={f.date ? 'date' : 'text'}
            inputMode={f.figure ? 'decimal' : undefined}
            inputProps={f.id === 'place' ? { list: PLACES } : undefined}
            onChange={(e) => setTyped({ ...typed, [f.id]: e.target.value })}
            sx={f.long ? { gridColumn: '1 / -1' } : undefined}
          />
        ))}
      </Box>
      <Button type="submit" variant="contained" disabled={empty || wrong !== undefined} sx={{ minHeight: 44 }}>
        {words}
      </Button>
    </Box>
  );
}
