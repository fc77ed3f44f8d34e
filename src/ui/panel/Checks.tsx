'use client';
import Box from '@mui/material/Box';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMemo } from 'react';
import { getAt, setAt } from '@/core/editing';
import { quantity, say, sayPhrase } from '@/core/units';
import {
  boxChecks,
  controlFigures,
  sizeName,
  soldSizes,
  supplyFigures,
  typicalAmpacity,
  type WiringCheck,
} from '@/core/wiring';
import { useEditor, useStationSystem } from '../editor/StationProvider';
import { useQuiet } from '../parts/useQuiet';
import { ChoiceField, QuantityField } from '../survey/fields';
import { TickField } from '../survey/Tick';
import { useBench } from './BenchProvider';
import { Group } from './Group';

/** The size of a run of cable; a size newly picked brings its typical current with it. */
function SizeField({ path, label }: { path: string; label: string }) {
  const profile = useEditor((s) => s.document.profile);
  const area = useEditor((s) => getAt(s.document, `${path}.area`)) as number;
  const edit = useEditor((s) => s.edit);
  const sizes = soldSizes(profile);
  const near = sizes.find((s) => Math.abs(s / area - 1) < 0.04);
  return (
    <TextField
      select
      label={label}
      value={String(near ?? area)}
      onChange={(e) =>
        edit((d) =>
          setAt(
            setAt(d, `${path}.area`, Number(Number(e.target.value).toPrecision(6))),
            `${path}.carries`,
            typicalAmpacity(Number(e.target.value)),
          ),
        )
      }
      fullWidth
    >
      {(near === undefined ? [area, ...sizes] : sizes).map((s) => (
        <MenuItem key={s} value={String(s)}>
          {sizeName(s, profile)}
        </MenuItem>
      ))}
    </TextField>
  );
}

function RunFields({ path, name }: { path: string; name: string }) {
  return (
    <>
      <QuantityField path={`${path}.length`} label={`${name}, one way`} kind="distance" />
      <SizeField path={path} label={`${name}, size`} />
      <QuantityField
        path={`${path}.carries`}
        label={`${name} carries`}
        kind="current"
        hint="typical; your code governs"
      />
    </>
  );
}

const STATE = { holds: 'holds', broken: 'broken', told: 'note' } as const;

function CheckRow({ check }: { check: WiringCheck }) {
  const system = useStationSystem();
  const broken = check.state === 'broken';
  return (
    <Box
      component="li"
      sx={{
        listStyle: 'none',
        display: 'grid',
        gridTemplateColumns: 'minmax(180px, 1.1fr) 60px minmax(150px, 1fr) 2.2fr',
        gap: 1.25,
        py: 0.6,
        borderBottom: 1,
        borderColor: 'divider',
        fontSize: 13,
      }}
    >
      <b>{check.title}</b>
      <Typography
        variant="body2"
        component="span"
        color={broken ? 'error' : undefined}
        sx={{ fontWeight: broken ? 700 : 400 }}
      >
        {STATE[check.state]}
      </Typography>
      <Typography variant="readingSmall" component="span" sx={{ fontSize: 12 }}>
        {check.has && check.needs
          ? `${say(check.has, system)} ${check.state === 'broken' ? 'is not ' : ''}${check.sense === 'at-most' ? '≤' : '≥'} ${say(check.needs, system)}`
          : ''}
      </Typography>
      <span>{sayPhrase(check.why, system)}</span>
    </Box>
  );
}

function CheckList({ title, checks }: { title: string; checks: readonly WiringCheck[] }) {
  const order = { broken: 0, told: 1, holds: 2 } as const;
  return (
    <Box component="section" aria-label={title} sx={{ mb: 2 }}>
      <Typography component="h2" variant="h3">
        {title}
      </Typography>
      <Box component="ul" sx={{ p: 0, m: 0 }}>
        {[...checks]
          .sort((a, b) => order[a.state] - order[b.state])
          .map((c) => (
            <CheckRow key={c.id} check={c} />
          ))}
      </Box>
    </Box>
  );
}

/** Figures of the wiring and boxes, what they are made from beside them. */
export function Checks() {
  const bench = useBench((s) => s.bench!);
  const calm = useQuiet(bench.wired, 60);
  const { station } = bench;
  const control = useMemo(() => controlFigures(station, calm), [station, calm]);
  const sound = useMemo(() => supplyFigures(station), [station]);
  const line = say(quantity('current', station.supply.breaker), 'metric');
  return (
    <Box sx={{ p: 1.5 }}>
      <Group title="supply and cables">
        <QuantityField path="supply.breaker" label="breaker" kind="current" />
        <QuantityField
          path="supply.breakerTrips"
          label="opens at once at, times"
          kind="factor"
          hint={`of ${line}; read it off the breaker`}
        />
        <QuantityField path="supply.loop" label="loop at the board" kind="resistance" hint="as measured or told" />
        <TickField path="supply.residualCurrent" label="residual-current (ground-fault)" />
        <RunFields path="wiring.feeder" name="feeder" />
        <RunFields path="wiring.motor" name="pump cable" />
        <QuantityField path="wiring.field.length" label="float cable to the splice" kind="distance" />
        <SizeField path="wiring.field" label="float cable, size" />
        <QuantityField path="wiring.warmest" label="conductors at" kind="temperature" />
        <QuantityField path="wiring.dropRunning" label="drop let pass, running" kind="share" />
        <QuantityField path="wiring.dropStarting" label="drop let pass, starting" kind="share" />
        {station.control.scheme === 'drive' && (
          <QuantityField path="wiring.supplyBudget" label="drive’s own supply gives" kind="leak" />
        )}
        {station.pumps.map((_, i) => (
          <QuantityField
            key={i}
            path={`pumps.${i}.motor.starting`}
            label={`pump ${i + 1} starts at, times`}
            kind="factor"
            hint="of its rated current"
          />
        ))}
      </Group>
      <CheckList title="power" checks={sound} />
      <CheckList title="control" checks={control} />
      <Group title="boxes">
        <ChoiceField
          path="enclosure.place"
          label="panel"
          choices={[
            ['indoors', 'indoors'],
            ['outdoors', 'outdoors'],
            ['in-the-pit', 'in the pit'],
          ]}
        />
        <ChoiceField
          path="enclosure.conduit"
          label="conduit from the pit"
          choices={[
            ['none', 'none: cords in free air'],
            ['sealed', 'sealed'],
            ['broken', 'broken in the open air'],
            ['straight', 'straight into the box'],
          ]}
        />
        <ChoiceField
          path="enclosure.splices"
          label="splices"
          choices={[
            ['none', 'none'],
            ['above-flood', 'above flood'],
            ['below-flood-sealed', 'below flood, sealed'],
            ['below-flood', 'below flood'],
          ]}
        />
        <TickField path="enclosure.dripLoops" label="drip loops" />
        <TickField path="enclosure.glands" label="a grip for every cord" />
        <TickField path="enclosure.lockable" label="lid and disconnect lock" />
      </Group>
      <CheckList title="boxes and seals" checks={boxChecks(station)} />
    </Box>
  );
}
