'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMemo } from 'react';
import { addInterlock, removeInterlock, setAt, withOption, withScheme } from '@/core/editing';
import { choiceOf, panelOf, SCHEMES, type Scheme } from '@/core/schemes';
import type { Interlock, Station } from '@/core/station';
import { sayPhrase } from '@/core/units';
import { partsList, wire } from '@/core/wiring';
import { useEditor, useStationSystem } from '../editor/StationProvider';
import { ChoiceField, Field, QuantityField, TickField, WordsField } from '../fields/fields';
import { Pick } from '../parts/Pick';
import { TickBox } from '../parts/TickBox';
import { Group } from './Group';

const CLASSES = ['', 'small change', 'moderate', 'considerable', 'dear'] as const;

/** What a scheme’s panel costs, as classes: how many parts of each, dearest first. */
function costWords(station: Station, id: string): string {
  const made = panelOf(station, id);
  if (!made.ok) return '';
  const parts = partsList(station, wire(station, made.panel, { cores: [], links: [] })).filter((p) => p.unit === '');
  const count = [4, 3, 2, 1].flatMap((c) => {
    const n = parts
      .filter((p) => p.cost === c && p.kind !== 'terminal' && p.kind !== 'link')
      .reduce((sum, p) => sum + p.quantity, 0);
    return n > 0 ? [`${n} ${CLASSES[c]}`] : [];
  });
  return `${count.join(', ')}; ${made.panel.terminals.length} terminals`;
}

function SchemeRow({
  scheme,
  station,
  taken,
  onTake,
}: {
  scheme: Scheme;
  station: Station;
  taken: boolean;
  onTake(): void;
}) {
  const system = useStationSystem();
  const made = panelOf(station, scheme.id);
  const against = made.ok ? [] : made.reasons;
  return (
    <Box
      component="li"
      sx={{
        listStyle: 'none',
        borderBottom: 1,
        borderColor: 'divider',
        py: 0.75,
        display: 'grid',
        gridTemplateColumns: '190px 1fr',
        gap: 1.5,
      }}
    >
      <Box>
        <Typography component="h3" variant="h3">
          {scheme.title}
        </Typography>
        <Typography variant="body2" sx={{ fontWeight: taken || !made.ok ? 700 : 400 }}>
          {taken ? 'taken' : made.ok ? 'fits' : 'does not fit'}
        </Typography>
        {!taken && (
          <Button variant="outlined" onClick={onTake} aria-label={`take ${scheme.title}`} sx={{ mt: 0.5 }}>
            take
          </Button>
        )}
      </Box>
      <Box>
        <Typography variant="body2">{scheme.summary}</Typography>
        {against.map((r, i) => (
          <Typography key={i} variant="body2" color="error" sx={{ fontWeight: 600 }}>
            {sayPhrase(r, system)}
          </Typography>
        ))}
        <Typography variant="body2" sx={{ mt: 0.5 }}>
          <b>people:</b> {scheme.people}
        </Typography>
        <Typography variant="body2">
          <b>what fails:</b> {scheme.fails.join(' ')}
        </Typography>
        {made.ok && (
          <Typography variant="body2">
            <b>parts:</b> {costWords(station, scheme.id)}
          </Typography>
        )}
      </Box>
    </Box>
  );
}

/** The choices that the taken scheme leaves. */
function Options({ station, scheme }: { station: Station; scheme: Scheme }) {
  const edit = useEditor((s) => s.edit);
  return (
    <Group title="this scheme">
      {scheme.options.map((o) => (
        <Pick
          key={o.id}
          label={o.label}
          value={choiceOf(scheme, station, o.id)}
          choices={o.choices.map((c) => [c.id, c.label] as const)}
          onPick={(id) => edit((d) => withOption(d, o.id, id))}
        />
      ))}
      {scheme.asks?.map((path) => (
        <Field key={path} path={path} />
      ))}
      <ChoiceField path="supply.source" />
      <QuantityField path="supply.voltage" />
    </Group>
  );
}

const ALARM = [
  'alarm.horn',
  'alarm.lamp',
  'alarm.silence',
  'alarm.latch',
  'alarm.test',
  'alarm.low',
  'alarm.battery',
  'alarm.ownSupply',
  'alarm.faults',
  'alarm.powerFail',
  'alarm.remoteContact',
  'alarm.runContact',
  'alarm.faultContact',
  'alarm.powerFailContact',
] as const;

/** A barrier to begin with: figures of a common one, to be read off its plate. */
const BARRIER: NonNullable<Station['control']['parts']['barrier']> = {
  voltage: 10.5,
  current: 0.013,
  capacitance: 2.4e-6,
  inductance: 0.165,
};

/** What the panel carries beside its scheme. */
function Parts({ parts, scheme }: { parts: Station['control']['parts']; scheme: Scheme | undefined }) {
  const edit = useEditor((s) => s.edit);
  return (
    <Group title="parts beside the scheme">
      {(scheme?.mainsControl || parts.extraLow !== 'no') && <ChoiceField path="control.parts.extraLow" />}
      <ChoiceField path="control.parts.sealProbe" />
      <ChoiceField path="control.parts.motorThermal" />
      <QuantityField path="control.parts.stagger" nullable />
      <ChoiceField path="control.parts.generator" />
      <QuantityField path="control.parts.heater" nullable />
      <TickField path="control.parts.phaseMonitor" />
      <TickField path="control.parts.surge" />
      <TickBox
        label="intrinsically safe floats, behind barriers"
        checked={parts.barrier !== null}
        onChange={(on) => edit((d) => setAt(d, 'control.parts.barrier', on ? BARRIER : null))}
      />
      {parts.barrier && (
        <>
          <QuantityField path="control.parts.barrier.voltage" />
          <QuantityField path="control.parts.barrier.current" />
          <QuantityField path="control.parts.barrier.capacitance" />
          <QuantityField path="control.parts.barrier.inductance" />
        </>
      )}
    </Group>
  );
}

const LOCKS: readonly (readonly [Interlock['kind'], string])[] = [
  ['cutoff', 'cut-off of what makes the water'],
  ['may-fill', '“may I fill” from the receiving tank'],
  ['full', 'tells the filling pump when this tank is full'],
  ['standby', 'starts a standby pump or generator'],
  ['external-stop', 'outside stop'],
];

function Interlocks({ locks }: { locks: Station['interlocks'] }) {
  const edit = useEditor((s) => s.edit);
  return (
    <Group title="interlocks with others">
      {locks.map((lock, i) => (
        <Box
          key={i}
          sx={{
            gridColumn: '1 / -1',
            display: 'grid',
            gridTemplateColumns: 'repeat(auto-fit, minmax(120px, 1fr)) 36px',
            gap: 1,
            alignItems: 'start',
          }}
        >
          <WordsField path={`interlocks.${i}.name`} label={LOCKS.find(([k]) => k === lock.kind)![1]} />
          {lock.kind === 'standby' && <ChoiceField path={`interlocks.${i}.on`} />}
          {lock.kind === 'cutoff' && (
            <>
              <ChoiceField path={`interlocks.${i}.acts`} />
              <QuantityField path={`interlocks.${i}.volts`} />
              <QuantityField path={`interlocks.${i}.amps`} />
              <TickField path={`interlocks.${i}.warns`} />
            </>
          )}
          <Button
            aria-label={`remove interlock ${lock.name}`}
            onClick={() => edit((d) => removeInterlock(d, i))}
            sx={{ minWidth: 0 }}
          >
            ×
          </Button>
        </Box>
      ))}
      <Pick
        label="add an interlock"
        value=""
        empty="choose…"
        choices={LOCKS}
        onPick={(kind) => edit((d) => addInterlock(d, kind))}
        sx={{ gridColumn: '1 / -1', maxWidth: 320 }}
      />
    </Group>
  );
}

/** Choosing the scheme: those that fit and those that do not, each with why; the options of the one that is taken, its bell and interlocks. */
export function SchemeSheet() {
  const station = useEditor((s) => s.judged.context.station);
  const edit = useEditor((s) => s.edit);
  const taken = SCHEMES.find((s) => s.id === station.control.scheme);
  const order = useMemo(
    () =>
      [...SCHEMES].sort(
        (a, b) =>
          Number(b.id === station.control.scheme) - Number(a.id === station.control.scheme) ||
          Number(panelOf(station, b.id).ok) - Number(panelOf(station, a.id).ok),
      ),
    [station],
  );
  return (
    <Box sx={{ p: 1.5 }}>
      {taken && <Options station={station} scheme={taken} />}
      <Parts parts={station.control.parts} scheme={taken} />
      <Group title="the alarm">
        {ALARM.map((path) => (
          <TickField key={path} path={path} />
        ))}
        <WordsField path="alarm.place" />
      </Group>
      <Interlocks locks={station.interlocks} />
      <Typography component="h2" variant="h2" sx={{ mt: 2 }}>
        Schemes
      </Typography>
      <Box component="ul" aria-label="schemes" sx={{ p: 0, m: 0 }}>
        {order.map((scheme) => (
          <SchemeRow
            key={scheme.id}
            scheme={scheme}
            station={station}
            taken={scheme.id === station.control.scheme}
            onTake={() => edit((d) => withScheme(d, scheme.id))}
          />
        ))}
      </Box>
    </Box>
  );
}
