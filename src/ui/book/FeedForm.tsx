'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { meterSays } from '@/core/book';
import { FORMS, signalName, signalOf, signalsOf, TABLES, type Values } from '@/core/feeds';
import type { UnitSystem } from '@/core/units';
import { downloadJson } from '../parts/download';
import { Pick } from '../parts/Pick';
import { Segments } from '../parts/Segments';
import { TextBox } from '../parts/TextBox';
import { TickBox } from '../parts/TickBox';
import { draftOf, emptyPoint, feedFrom, type FeedDraft, type PointDraft } from './feedDraft';
import type { FeedGiven } from './shown';
import { FileButton, JSON_FILE } from '../parts/FileButton';

const FORM_WORDS: Readonly<Record<(typeof FORMS)[number], string>> = {
  u16: '16 bits',
  s16: '16 bits, signed',
  u32: '32 bits',
  s32: '32 bits, signed',
  f32: '32 bits, float',
};
const TABLE_WORDS: Readonly<Record<(typeof TABLES)[number], string>> = {
  input: 'input register',
  holding: 'holding register',
  discrete: 'discrete input',
  coil: 'coil',
};

/** What stood there when it was tried. */
function triedWords(signal: string, tried: Values | null, system: UnitSystem): string | undefined {
  const read = tried?.[signal];
  if (!read) return undefined;
  if (!read.ok) return read.why;
  const of = signalOf(signal);
  if (of?.kind === 'meter') return `it says ${meterSays(of.meter, read.value, system)}`;
  if (of?.kind === 'clock') return `it says ${new Date(read.value * 1000).toISOString()}`;
  return read.value ? 'it says yes' : 'it says no';
}

interface PointProps {
  point: PointDraft;
  draft: FeedDraft;
  names: readonly (readonly [string, string])[];
  beneath: string | undefined;
  onChange(point: PointDraft): void;
  onRemove(): void;
}

/** One figure of the panel: what it is, and where it stands. */
function Point({ point, draft: { protocol, format }, names, beneath, onChange, onRemove }: PointProps) {
  const set = (more: Partial<PointDraft>) => onChange({ ...point, ...more });
  const register = protocol === 'modbus';
  const whole = register && (point.table === 'input' || point.table === 'holding');
  const name = signalName(signalOf(point.signal)!);
  return (
    <Box
      component="li"
      aria-label={name}
      sx={{
        display: 'grid',
        gridTemplateColumns: 'repeat(auto-fill, minmax(108px, 1fr))',
        gap: 1,
        py: 1,
        borderTop: 1,
        borderColor: 'divider',
      }}
    >
      <Pick label="what" value={point.signal} choices={names} onPick={(signal) => set({ signal })} help={beneath} />
      {register && (
        <Pick
          label="table"
          value={point.table}
          choices={TABLES.map((t) => [t, TABLE_WORDS[t]] as const)}
          onPick={(table) => set({ table })}
        />
      )}
      <TextBox
        label={register ? 'address, from 0' : format === 'csv' ? 'column' : 'pointer, as /level'}
        value={point.at}
        onChange={(e) => set({ at: e.target.value })}
      />
      {whole && (
        <Pick
          label="number"
          value={point.form}
          choices={FORMS.map((f) => [f, FORM_WORDS[f]] as const)}
          onPick={(form) => set({ form })}
        />
      )}
      {whole && point.form === 'u16' && (
        <TextBox label="bit" value={point.bit} help="empty: all" onChange={(e) => set({ bit: e.target.value })} />
      )}
      {whole && point.form !== 'u16' && point.form !== 's16' && (
        <TickBox label="low word first" checked={point.swapped} onChange={(swapped) => set({ swapped })} />
      )}
      <TextBox label="times" value={point.scale} inputMode="decimal" onChange={(e) => set({ scale: e.target.value })} />
      <Button onClick={onRemove} aria-label={`leave out ${name}`} sx={{ minHeight: 40 }}>
        leave out
      </Button>
    </Box>
  );
}

/** Where the panel is, and how often it is asked. */
function Where({ draft, onChange }: { draft: FeedDraft; onChange(more: Partial<FeedDraft>): void }) {
  const box = (key: 'host' | 'port' | 'unit' | 'url' | 'every' | 'keepEvery', label: string, help?: string) => (
    <TextBox label={label} help={help} value={draft[key]} onChange={(e) => onChange({ [key]: e.target.value })} />
  );
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fill, minmax(150px, 1fr))', gap: 1 }}>
      {draft.protocol === 'modbus' && (
        <>
          {box('host', 'address of the panel')}
          {box('port', 'port')}
          {box('unit', 'unit')}
        </>
      )}
      {draft.protocol === 'http' && (
        <>
          <Box sx={{ gridColumn: '1 / -1' }}>{box('url', 'address of its page')}</Box>
          <Pick
            label="written as"
            value={draft.format}
            choices={[
              ['json', 'JSON'],
              ['csv', 'a table (CSV)'],
            ]}
            onPick={(format) => onChange({ format })}
          />
        </>
      )}
      {draft.protocol !== 'sends' && (
        <>
          {box('every', 'asked every, s')}
          {box('keepEvery', 'written in the book every, min')}
        </>
      )}
    </Box>
  );
}

interface Props {
  stationId: number;
  pumps: number;
  /** Ids of meters of the station’s own. */
  own: readonly string[];
  who: string;
  given: FeedGiven | null;
  system: UnitSystem;
  onKept(given: FeedGiven): void;
}

/** What is typed, and what came of trying and of keeping it. */
function useFeedForm({ stationId, who, given, onKept }: Omit<Props, 'pumps' | 'own' | 'system'>) {
  const [draft, setDraft] = useState(() => draftOf(given?.kept.feed ?? null));
  const [tried, setTried] = useState<Values | null>(null);
  const [told, setTold] = useState<string | null>(null);
  const asked = () => import('./askFeed');
  return {
    draft,
    tried,
    told,
    change: (more: Partial<FeedDraft>) => setDraft({ ...draft, ...more }),
    async tryIt() {
      setTold('asking it …');
      const answer = await (await asked()).tryFeed(stationId, feedFrom(draft, true));
      setTried(answer.ok ? answer.values : null);
      setTold(answer.ok ? 'It answers: what it says stands beneath each line.' : `Not read: ${answer.why}.`);
    },
    async keep(on: boolean) {
      const answer = await (await asked()).sendFeed(stationId, who, feedFrom(draft, on));
      setTold(answer.ok ? (on ? 'It is read from now on.' : 'It is read no more.') : `Not kept: ${answer.why}.`);
      if (answer.ok) onKept(answer.given);
    },
    async open(chosen: File | undefined) {
      if (!chosen) return;
      const feed = (await asked()).readFeed(await chosen.text());
      if (feed) setDraft(draftOf(feed));
      setTold(feed ? null : `${chosen.name} is no map of a panel`);
    },
  };
}

/** The map as a file, to be used at another panel of the kind. */
function MapFile({ draft, onOpen }: { draft: FeedDraft; onOpen(file: File): void }) {
  return (
    <>
      <FileButton words="map from a file" label="map of a panel" accept={JSON_FILE} sx={TALL} onFile={onOpen} />
      <Button onClick={() => downloadJson('panel-map.json', feedFrom(draft, true))} sx={TALL}>
        map as a file
      </Button>
    </>
  );
}

const TALL = { minHeight: 44 } as const;
const PROTOCOLS = [
  ['modbus', 'Modbus TCP'],
  ['http', 'a page (HTTP)'],
  ['sends', 'sends its alarms'],
] as const;

const keepWords = (who: string, { protocol }: FeedDraft): string =>
  who.trim() === '' ? 'say who, beside' : protocol === 'sends' ? 'take its alarms from now on' : 'read it from now on';

/** How the panel of the station is read: where it is, and which of its figures is which; tried before it is kept. */
export function FeedForm(props: Props) {
  const { pumps, own, who, given, system } = props;
  const { draft, tried, told, change, tryIt, keep, open } = useFeedForm(props);
  const names = signalsOf(pumps, own).map((id) => [id, signalName(signalOf(id)!)] as const);
  const points = (list: readonly PointDraft[]) => change({ points: list });
  const free = names.find(([id]) => !draft.points.some((p) => p.signal === id));
  const asks = draft.protocol !== 'sends';
  return (
    <Box
      component="form"
      aria-label="how the panel is read"
      onSubmit={(e) => (e.preventDefault(), void keep(true))}
      sx={{ display: 'flex', flexDirection: 'column', gap: 1.25 }}
    >
      <Segments
        label="how it speaks"
        value={draft.protocol}
        choices={PROTOCOLS}
        onPick={(protocol) => change({ protocol })}
        sx={{ flexWrap: 'wrap' }}
      />
      <Where draft={draft} onChange={change} />
      {asks && (
        <Box component="ul" aria-label="figures of the panel" sx={{ listStyle: 'none', m: 0, p: 0 }}>
          {draft.points.map((point, i) => (
            <Point
              key={i}
              point={point}
              draft={draft}
              names={names}
              beneath={triedWords(point.signal, tried, system)}
              onChange={(next) => points(draft.points.map((p, k) => (k === i ? next : p)))}
              onRemove={() => points(draft.points.filter((_, k) => k !== i))}
            />
          ))}
        </Box>
      )}
      {given && (
        <Typography variant="body2" sx={{ overflowWrap: 'anywhere' }}>
          Its alarms may also be sent here by itself, as JSON {'{"ringing": true}'}: POST to /api/panel/{given.word}
        </Typography>
      )}
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
        {asks && (
          <Button disabled={!free} onClick={() => free && points([...draft.points, emptyPoint(free[0])])} sx={TALL}>
            one figure more
          </Button>
        )}
        {asks && (
          <Button onClick={() => void tryIt()} sx={TALL}>
            try it
          </Button>
        )}
        <Button type="submit" variant="contained" disabled={who.trim() === ''} sx={TALL}>
          {keepWords(who, draft)}
        </Button>
        {given?.kept.feed.on && (
          <Button disabled={who.trim() === ''} onClick={() => void keep(false)} sx={TALL}>
            read it no more
          </Button>
        )}
        <MapFile draft={draft} onOpen={(f) => void open(f)} />
      </Box>
      {told !== null && (
        <Typography variant="body2" role="status" aria-label="what came of it">
          {told}
        </Typography>
      )}
    </Box>
  );
}
