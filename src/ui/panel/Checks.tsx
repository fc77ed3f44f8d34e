'use client';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useMemo } from 'react';
import { setAt } from '@/core/editing';
import { traitsOf } from '@/core/duties';
import type { Station } from '@/core/station';
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
import { ChoiceField, QuantityField, TickField } from '../fields/fields';
import { SettingField } from '../fields/SettingField';
import { Pick } from '../parts/Pick';
import { CopperTable } from './CopperTable';
import { usePanel } from './PanelProvider';
import { Group } from './Group';

type Run = 'feeder' | 'motor' | 'field';

/** The size of a run of cable; a size newly picked brings its typical current with it. */
function SizeField({ run, label }: { run: Run; label: string }) {
  const profile = useEditor((s) => s.document.profile);
  const { area } = useEditor((s) => s.document.wiring[run]);
  const edit = useEditor((s) => s.edit);
  const sizes = soldSizes(profile);
  const near = sizes.find((s) => Math.abs(s / area - 1) < 0.04);
  return (
    <Pick
      label={label}
      value={near ?? area}
      choices={(near === undefined ? [area, ...sizes] : sizes).map((s) => [s, sizeName(s, profile)] as const)}
      onPick={(size) =>
        edit((d) => setAt(setAt(d, `wiring.${run}.area`, size), `wiring.${run}.carries`, typicalAmpacity(size, d)))
      }
    />
  );
}

function RunFields({ run, name }: { run: 'feeder' | 'motor'; name: string }) {
  return (
    <>
      <QuantityField path={`wiring.${run}.length`} />
      <SizeField run={run} label={`${name}, size`} />
      <QuantityField path={`wiring.${run}.carries`} />
    </>
  );
}

const STATE = { holds: 'holds', broken: 'broken', note: 'note' } as const;

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
  const order = { broken: 0, note: 1, holds: 2 } as const;
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

/** One motor, as its plate and the meter tell it. Of a three-phase one there is no capacitor. */
function MotorFields({ pump, station, guarded }: { pump: number; station: Station; guarded: boolean }) {
  const at = `pumps.${pump}.motor` as const;
  const single = station.supply.source !== 'three';
  return (
    <Group title={station.pumps.length > 1 ? `motor of pump ${pump + 1}` : 'motor'}>
      <QuantityField path={`${at}.starting`} />
      {guarded && <ChoiceField path={`${at}.overloadClass`} />}
      <QuantityField path={`${at}.winding`} nullable />
      {single && (
        <>
          <QuantityField path={`${at}.auxiliary`} nullable />
          <QuantityField path={`${at}.capacitor`} nullable />
          <ChoiceField path={`${at}.begins`} />
          <ChoiceField path={`${at}.gear`} />
        </>
      )}
    </Group>
  );
}

/** Figures of the wiring and boxes, what they are made from beside them. */
export function Checks() {
  const live = usePanel((s) => s.live!);
  const calm = useQuiet(live.wired, 60);
  const { station } = live;
  const control = useMemo(() => controlFigures(station, calm), [station, calm]);
  const sound = useMemo(() => supplyFigures(station), [station]);
  const line = say(quantity('current', station.supply.breaker), 'metric');
  return (
    <Box sx={{ p: 1.5 }}>
      <Group title="supply and cables">
        <QuantityField path="supply.feederBreaker" />
        <QuantityField path="supply.breaker" />
        <QuantityField path="supply.breakerTrips" hint={`of ${line}; read it off the breaker`} />
        <QuantityField path="supply.loop" />
        <TickField path="supply.residualCurrent" />
        <RunFields run="feeder" name="feeder" />
        <RunFields run="motor" name="pump cable" />
        <QuantityField path="wiring.field.length" />
        <SizeField run="field" label="float cable, size" />
        <QuantityField path="wiring.warmest" />
        {!station.wiring.copper && <SettingField name="ampacity" />}
        <SettingField name="wiringAmbient" />
        <SettingField name="grouped" />
        <QuantityField path="wiring.dropRunning" />
        <QuantityField path="wiring.dropStarting" />
      </Group>
      <CopperTable />
      {traitsOf(station).mover.kind === 'pump' &&
        station.pumps.map((_, i) => (
          <MotorFields
            key={i}
            pump={i}
            station={station}
            guarded={live.panel.devices.some((d) => d.function === 'overload' && d.pump === i + 1)}
          />
        ))}
      <CheckList title="power" checks={sound} />
      <CheckList title="control" checks={control} />
      <Group title="boxes">
        <ChoiceField path="enclosure.place" />
        <ChoiceField path="enclosure.conduit" />
        <ChoiceField path="enclosure.splices" />
        <TickField path="enclosure.dripLoops" />
        <TickField path="enclosure.glands" />
        <TickField path="enclosure.lockable" />
      </Group>
      <CheckList title="boxes and seals" checks={boxChecks(station)} />
    </Box>
  );
}
