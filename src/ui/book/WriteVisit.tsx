'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useRef, useState } from 'react';
import { METER_KINDS, METER_NAMES, meterOf, ownMetersOf, VISIT_REASONS, type Meter, type Reading } from '@/core/book';
import { traitsOf } from '@/core/duties';
import type { Station } from '@/core/station';
import type { UnitSystem } from '@/core/units';
import { Segments } from '../parts/Segments';
import { TextBox } from '../parts/TextBox';
import { EMPTY, MeterField, type Typing } from './MeterField';
import { OwnMeterForm } from './OwnMeterForm';
import { readTyped } from './readingText';
import type { OnWrite, PageId } from './shown';

/** The meters that a visit reads at this station: those that are read always, and the others. */
function metersOf(station: Station, read: Readonly<Record<string, Reading>>): { always: Meter[]; more: Meter[] } {
  const all = METER_NAMES.flatMap((kind) =>
    METER_KINDS[kind].ofPump ? station.pumps.map((_, i) => meterOf(`${kind}-${i + 1}`)!) : [meterOf(kind)!],
  );
  const { timer, mover } = traitsOf(station);
  const usual = (m: Meter) =>
    mover.kind === 'pump' && (m.kind === 'hours' || m.kind === 'starts' || (m.kind === 'doses' && timer !== null));
  // A meter of one’s own that was read here once is read here.
  return { always: [...all.filter(usual), ...ownMetersOf(Object.keys(read))], more: all.filter((m) => !usual(m)) };
}

const APART = [
  ['done', 'done'],
  ['decided', 'decided'],
  ['measured', 'measured'],
  ['used', 'used: parts, material'],
] as const;

/** How long it took, and what was done, decided, measured and used, each by itself. */
function Apart({
  typed,
  onType,
}: {
  typed: Readonly<Record<string, string>>;
  onType(typed: Readonly<Record<string, string>>): void;
}) {
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fill, minmax(150px, 1fr))', gap: 1.25 }}>
      <TextBox
        label="how long, min"
        inputMode="decimal"
        value={typed.minutes ?? ''}
        problem={minutesOf(typed) === undefined ? 'is no time' : undefined}
        onChange={(e) => onType({ ...typed, minutes: e.target.value })}
      />
      {APART.map(([id, label]) => (
        <TextBox
          key={id}
          label={label}
          value={typed[id] ?? ''}
          multiline
          onChange={(e) => onType({ ...typed, [id]: e.target.value })}
          inputProps={{ maxLength: 2000 }}
        />
      ))}
    </Box>
  );
}

const minutesOf = ({ minutes = '' }: Readonly<Record<string, string>>): number | null | undefined => {
  const text = minutes.trim().replace(',', '.');
  return text === '' ? null : /^\d+(\.\d+)?$/.test(text) ? Number(text) : undefined;
};

/** Photographs that are sent with the page. */
function Pictures({ files, onPick }: { files: readonly File[]; onPick(files: readonly File[]): void }) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <input
        ref={input}
        type="file"
        accept="image/jpeg,image/png,image/webp"
        multiple
        hidden
        aria-label="photographs of the visit"
        onChange={(e) => {
          onPick([...files, ...(e.target.files ?? [])]);
          e.target.value = '';
        }}
      />
      <Button sx={{ minHeight: 44 }} onClick={() => input.current?.click()}>
        {files.length === 0 ? 'photographs' : `${files.length} photograph${files.length === 1 ? '' : 's'}, more`}
      </Button>
    </>
  );
}

interface Props {
  station: Station;
  system: UnitSystem;
  last: Readonly<Record<string, Reading>>;
  /** When it happened, ms since 1970. */
  now: () => number;
  onWrite: OnWrite;
  /** Sends photographs to a page that was written; what was not kept is said. */
  onPhotos(page: PageId, files: readonly File[]): Promise<void>;
}

/** What is typed of a visit, and its writing. */
function useVisit({ station, system, last, onWrite, onPhotos }: Props) {
  const [own, setOwn] = useState<readonly Meter[]>([]);
  const [why, setWhy] = useState<(typeof VISIT_REASONS)[number][0]>('due');
  const [words, setWords] = useState('');
  const [typed, setTyped] = useState<Readonly<Record<string, Typing>>>({});
  const [more, setMore] = useState(false);
  const [apart, setApart] = useState<Readonly<Record<string, string>> | null>(null);
  const [files, setFiles] = useState<readonly File[]>([]);
  const meters = metersOf(station, last);
  const added = own.filter((o) => !meters.always.some((m) => m.id === o.id));
  const shown = [...meters.always, ...(more ? meters.more : []), ...added];
  const read = shown.map((m) => {
    const { text, between, began, rollsAt } = typed[m.id] ?? EMPTY;
    return {
      m,
      value: readTyped(m, text, system),
      newFrom: between === 'new meter' ? readTyped(m, began, system) : null,
      rolls: between === 'rolled over' && text.trim() !== '' ? rollsAt : null,
    };
  });
  const minutes = minutesOf(apart ?? {});
  const told = Object.fromEntries(
    APART.flatMap(([id]) => ((apart?.[id] ?? '').trim() === '' ? [] : [[id, apart![id]!.trim()]])),
  );
  const nothing =
    words.trim() === '' && files.length === 0 && Object.keys(told).length === 0 && read.every((r) => r.value === null);
  const write = async () => {
    const readings = read.flatMap(({ m, value, newFrom }) =>
      typeof value === 'number' ? [{ meter: m.id, value, newFrom: newFrom ?? null, corrects: null }] : [],
    );
    const page = { kind: 'visit' as const, why, minutes: minutes ?? null, words: words.trim(), ...told };
    // What a dial does is written before what stands on it: nobody sees a figure that falls and is not explained.
    for (const { m, rolls } of read)
      if (
        rolls !== null &&
        (await onWrite({ page: { kind: 'meter', meter: m.id, rollsAt: rolls }, readings: [] })) === null
      )
        return;
    const written = await onWrite({ page, readings });
    if (written === null) return;
    setWords('');
    setTyped({});
    setApart(null);
    if (files.length > 0) await onPhotos(written, files);
    setFiles([]);
  };
  return {
    ...{ why, setWhy, words, setWords, typed, setTyped, more, setMore, apart, setApart, files, setFiles, read, write },
    own: shown.flatMap((m) => (m.kind === 'own' ? [m.id] : [])),
    addOwn: (meter: Meter) => setOwn([...own, meter]),
    nothing,
    unread: minutes === undefined || read.some((r) => r.value === undefined || r.newFrom === undefined),
  };
}

/** A visit: why, what stood on the meters, what was seen and done. Two figures and a line are enough. */
export function WriteVisit(props: Props) {
  const { system, last, now } = props;
  const v = useVisit(props);
  return (
    <Box
      component="form"
      aria-label="write a visit"
      onSubmit={(e) => (e.preventDefault(), void v.write())}
      sx={{ display: 'flex', flexDirection: 'column', gap: 1.25 }}
    >
      <Segments label="why" value={v.why} choices={VISIT_REASONS} onPick={v.setWhy} sx={{ flexWrap: 'wrap' }} />
      <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fill, minmax(150px, 1fr))', gap: 1.25 }}>
        {v.read.map((r) => (
          <MeterField
            key={r.m.id}
            meter={r.m}
            system={system}
            last={last[r.m.id]}
            value={r.value}
            typing={v.typed[r.m.id] ?? EMPTY}
            now={now}
            onType={(t) => v.setTyped({ ...v.typed, [r.m.id]: t })}
          />
        ))}
      </Box>
      {!v.more && (
        <Button sx={{ alignSelf: 'flex-start', minHeight: 44 }} onClick={() => v.setMore(true)}>
          more meters: rain, current, insulation, level, your own …
        </Button>
      )}
      {v.more && <OwnMeterForm pumps={props.station.pumps.length} known={v.own} onAdd={v.addOwn} />}
      <TextBox
        label={v.apart ? 'seen' : 'seen, done, decided, used'}
        value={v.words}
        multiline
        minRows={2}
        onChange={(e) => v.setWords(e.target.value)}
        inputProps={{ maxLength: 10_000 }}
      />
      {v.apart && <Apart typed={v.apart} onType={v.setApart} />}
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
        {!v.apart && (
          <Button sx={{ minHeight: 44 }} onClick={() => v.setApart({})}>
            each by itself, and how long
          </Button>
        )}
        <Pictures files={v.files} onPick={v.setFiles} />
      </Box>
      <Button type="submit" variant="contained" disabled={v.nothing || v.unread} sx={{ minHeight: 44 }}>
        write it in the book
      </Button>
    </Box>
  );
}
