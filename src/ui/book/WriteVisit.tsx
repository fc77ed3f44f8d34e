'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import {
  METER_KINDS,
  METER_NAMES,
  meterName,
  meterOf,
  VISIT_REASONS,
  type Meter,
  type PageSent,
  type Reading,
} from '@/core/book';
import { traitsOf } from '@/core/duties';
import type { Station } from '@/core/station';
import { unitOf, type UnitSystem } from '@/core/units';
import { Segments } from '../parts/Segments';
import { TextBox } from '../parts/TextBox';
import { TickBox } from '../parts/TickBox';
import { oddly, readTyped } from './readingText';

/** The meters that a visit reads at this station: those that are read always, and the others. */
function metersOf(station: Station): { always: Meter[]; more: Meter[] } {
  const all = METER_NAMES.flatMap((kind) =>
    METER_KINDS[kind].ofPump ? station.pumps.map((_, i) => meterOf(`${kind}-${i + 1}`)!) : [meterOf(kind)!],
  );
  const { timer, mover } = traitsOf(station);
  const usual = (m: Meter) =>
    mover.kind === 'pump' && (m.kind === 'hours' || m.kind === 'starts' || (m.kind === 'doses' && timer !== null));
  return { always: all.filter(usual), more: all.filter((m) => !usual(m)) };
}

const unitShown = ({ kind }: Meter, system: UnitSystem): string => {
  const { format, unit } = METER_KINDS[kind];
  return format ? unitOf(format, system) : unit;
};

/** What is typed for one meter: its figure, and that a new one was put in, and where that began. */
interface Typing {
  readonly text: string;
  readonly renewed: boolean;
  readonly began: string;
}
const EMPTY: Typing = { text: '', renewed: false, began: '0' };

/** One meter’s figure; what is odd beside the last one is asked at once. */
function MeterField({
  meter,
  system,
  last,
  value,
  typing,
  now,
  onType,
}: {
  meter: Meter;
  system: UnitSystem;
  last: Reading | undefined;
  value: number | null | undefined;
  typing: Typing;
  now: () => number;
  onType(typing: Typing): void;
}) {
  const odd = typeof value === 'number' && !typing.renewed ? oddly(meter, value, last, now()) : null;
  return (
    <Box>
      <TextBox
        label={meterName(meter)}
        value={typing.text}
        inputMode="decimal"
        placeholder={last ? String(last.value) : ''}
        problem={value === undefined ? 'is no figure' : undefined}
        help={odd ?? undefined}
        end={<Typography variant="label">{unitShown(meter, system)}</Typography>}
        onChange={(e) => onType({ ...typing, text: e.target.value })}
        inputSx={{ minHeight: 44 }}
      />
      {(odd !== null || typing.renewed) && METER_KINDS[meter.kind].counts && (
        <>
          <TickBox
            label="a new meter was put in"
            checked={typing.renewed}
            onChange={(renewed) => onType({ ...typing, renewed })}
          />
          {typing.renewed && (
            <TextBox
              label="the new one began at"
              value={typing.began}
              inputMode="decimal"
              onChange={(e) => onType({ ...typing, began: e.target.value })}
            />
          )}
        </>
      )}
    </Box>
  );
}

/** A visit: why, what stood on the meters, what was seen and done. Two figures and a line are enough. */
export function WriteVisit({
  station,
  system,
  last,
  now,
  onWrite,
}: {
  station: Station;
  system: UnitSystem;
  last: Readonly<Record<string, Reading>>;
  /** When it happened, ms since 1970. */
  now: () => number;
  onWrite(page: Pick<PageSent, 'page' | 'readings'>): Promise<boolean>;
}) {
  const [why, setWhy] = useState<(typeof VISIT_REASONS)[number][0]>('due');
  const [words, setWords] = useState('');
  const [typed, setTyped] = useState<Readonly<Record<string, Typing>>>({});
  const [more, setMore] = useState(false);
  const meters = metersOf(station);
  const shown = more ? [...meters.always, ...meters.more] : meters.always;
  const read = shown.map((m) => {
    const { text, renewed, began } = typed[m.id] ?? EMPTY;
    return { m, value: readTyped(m, text, system), newFrom: renewed ? readTyped(m, began, system) : null };
  });
  const unread = read.some((r) => r.value === undefined || r.newFrom === undefined);
  const nothing = words.trim() === '' && read.every((r) => r.value === null);
  const write = async () => {
    const readings = read.flatMap(({ m, value, newFrom }) =>
      typeof value === 'number' ? [{ meter: m.id, value, newFrom: newFrom ?? null, corrects: null }] : [],
    );
    if (!(await onWrite({ page: { kind: 'visit', why, minutes: null, words: words.trim() }, readings }))) return;
    setWords('');
    setTyped({});
  };
  return (
    <Box
      component="form"
      aria-label="write a visit"
      onSubmit={(e) => (e.preventDefault(), void write())}
      sx={{ display: 'flex', flexDirection: 'column', gap: 1.25 }}
    >
      <Segments label="why" value={why} choices={VISIT_REASONS} onPick={setWhy} sx={{ flexWrap: 'wrap' }} />
      <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fill, minmax(150px, 1fr))', gap: 1.25 }}>
        {read.map((r) => (
          <MeterField
            key={r.m.id}
            meter={r.m}
            system={system}
            last={last[r.m.id]}
            value={r.value}
            typing={typed[r.m.id] ?? EMPTY}
            now={now}
            onType={(t) => setTyped({ ...typed, [r.m.id]: t })}
          />
        ))}
      </Box>
      {!more && (
        <Button sx={{ alignSelf: 'flex-start', minHeight: 44 }} onClick={() => setMore(true)}>
          more meters: rain, current, insulation, level …
        </Button>
      )}
      <TextBox
        label="seen, done, decided, used"
        value={words}
        multiline
        minRows={2}
        onChange={(e) => setWords(e.target.value)}
        inputProps={{ maxLength: 10_000 }}
      />
      <Button type="submit" variant="contained" disabled={nothing || unread} sx={{ minHeight: 44 }}>
        write it in the book
      </Button>
    </Box>
  );
}
