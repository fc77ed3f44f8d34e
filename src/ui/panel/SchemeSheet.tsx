'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMemo } from 'react';
import { addInterlock, removeInterlock, withOption, withScheme } from '@/core/editing';
import { choiceOf, panelOf, SCHEMES, type Scheme } from '@/core/schemes';
import type { Interlock, Station } from '@/core/station';
import { sayPhrase } from '@/core/units';
import { partsList, wire } from '@/core/wiring';
import { useEditor, useStationSystem } from '../editor/StationProvider';
import { ChoiceField, QuantityField, WordsField } from '../survey/fields';
import { TickField } from '../survey/Tick';
import { Group } from './Group';

const CLASSES = ['', 'small change', 'moderate', 'considerable', 'dear'] as const;

/** What a scheme’s panel costs, as classes: how many parts of each, dearest first. */
function costWords(station: Station, id: string): string {
  const made = panelOf(station, id);
  if (!made.ok) return '';
  const parts = partsList(station, wire(station, made.panel, { cores: [], links: [] })).filter((p) => p.unit === '');
  const count = [4, 3, 2, 1].flatMap((c) => {
    const n = parts
      .filter((p) => p.cost === c && p.noun !== 'terminal' && p.noun !== 'terminal link')
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
        <Typography variant="body2">{scheme.says}</Typography>
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
        <TextField
          key={o.id}
          select
          label={o.label}
          value={choiceOf(scheme, station, o.id)}
          onChange={(e) => edit((d) => withOption(d, o.id, e.target.value))}
          fullWidth
        >
          {o.choices.map((c) => (
            <MenuItem key={c.id} value={c.id}>
              {c.says}
            </MenuItem>
          ))}
        </TextField>
      ))}
      {scheme.id === 'duplex' && (
        <>
          <ChoiceField
            path="control.floats"
            label="floats"
            choices={[
              ['four', 'four, link out'],
              ['three', 'three, with the link'],
            ]}
          />
          <TickField path="control.alternates" label="the pumps take turns" />
        </>
      )}
      <ChoiceField
        path="supply.source"
        label="supply"
        choices={[
          ['single', 'line and neutral'],
          ['split', 'two legs and neutral'],
          ['three', 'three legs and neutral'],
        ]}
      />
      <QuantityField path="supply.voltage" label="voltage" kind="voltage" />
    </Group>
  );
}

const BELL = [
  ['horn', 'horn'],
  ['lamp', 'lamp'],
  ['silence', 'silence: horn off, lamp stays'],
  ['latch', 'latches until it is reset'],
  ['test', 'test button'],
  ['low', 'low level rings too'],
  ['battery', 'battery'],
  ['remoteContact', 'dry contact for far away'],
  ['ownSupply', 'a supply of its own'],
] as const;

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
          {lock.kind === 'cutoff' && (
            <>
              <ChoiceField
                path={`interlocks.${i}.acts`}
                label="breaks"
                choices={[
                  ['low-voltage', 'its low-voltage call'],
                  ['live', 'its live feed'],
                ]}
              />
              <QuantityField path={`interlocks.${i}.volts`} label="at" kind="voltage" />
              <QuantityField path={`interlocks.${i}.amps`} label="carrying" kind="current" />
              <TickField path={`interlocks.${i}.warns`} label="rings too" />
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
      <TextField
        select
        label="add an interlock"
        value=""
        onChange={(e) => edit((d) => addInterlock(d, e.target.value as Interlock['kind']))}
        slotProps={{ select: { displayEmpty: true, renderValue: () => 'choose…' } }}
        sx={{ gridColumn: '1 / -1', maxWidth: 320 }}
      >
        {LOCKS.map(([kind, words]) => (
          <MenuItem key={kind} value={kind}>
            {words}
          </MenuItem>
        ))}
      </TextField>
    </Group>
  );
}

/** Choosing the scheme: those that fit and those that do not, each with why; the options of the one that is taken, its bell and interlocks. */
export function SchemeSheet() {
  const station = useEditor((s) => s.judged.judgement.context.station);
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
      <Group title="the bell">
        {BELL.map(([field, label]) => (
          <TickField key={field} path={`alarm.${field}`} label={label} />
        ))}
        <WordsField path="alarm.place" label="heard and seen" />
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
