'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Typography from '@mui/material/Typography';
import {
  withControlFloats,
  withFound,
  withKind,
  withMeasuredRange,
  withPlace,
  withRole,
  withWeight,
} from '@/core/editing';
import { differentialOf } from '@/core/levels';
import { sensorScene } from '@/core/papers';
import { breatherShift, kindOf, worldOf } from '@/core/sensing';
import type { Sensor, SensorRole, Station } from '@/core/station';
import { quantity, say, type UnitSystem } from '@/core/units';
import { useEditor, useStationSystem } from '../editor/StationProvider';
import { Shaft } from '../shaft/Shaft';
import { ChoiceField, QuantityField } from './fields';
import { Group, Row } from './Group';
import { Tick, TickField } from './Tick';

const CONTACTS = [
  ['closes-on-rise', 'closes on rise (NO hanging)'],
  ['opens-on-rise', 'opens on rise (NC hanging)'],
] as const;
const DUTIES = [
  ['motor', 'carries the motor'],
  ['control', 'pilot duty only'],
] as const;
const KINDS: readonly (readonly [Sensor['kind'], string])[] = [
  ['tilt', 'tilts on a tether'],
  ['rod', 'slides on a rod'],
  ['side', 'switch through the wall'],
  ['bell', 'pressure bell'],
  ['transmitter', 'level transmitter'],
];

/** Roles that may be fitted beside those that start and stop the pump. */
function rolesFor({ duty, pumps }: Station): SensorRole[] {
  const valve = duty.kind === 'fill' && duty.from.kind === 'valve';
  return [
    ...(pumps.length > 1 && !valve ? (['lag'] as const) : []),
    ...(pumps.length > 2 && !valve ? (['lag2'] as const) : []),
    ...(duty.kind === 'dose' && duty.mode === 'timed' ? (['peak'] as const) : []),
    'alarm',
    'low',
    ...(duty.kind === 'fill' ? [] : (['cutoff'] as const)),
  ];
}

const ROLE_WORDS: Readonly<Record<SensorRole, string>> = {
  pump: 'pump',
  stop: 'stop',
  lead: 'lead',
  lag: 'lag',
  lag2: 'second lag',
  alarm: 'alarm',
  low: 'low',
  peak: 'peak',
  cutoff: 'cut-off',
};
const ROLE_TICKS: Readonly<Partial<Record<SensorRole, string>>> = {
  alarm: 'alarm float fitted',
  low: 'redundant off or low alarm fitted',
  cutoff: 'cut-off fitted',
  lag: 'lag float fitted',
  lag2: 'second lag float fitted',
  peak: 'peak float fitted',
};

function TiltFields({ at, sensor }: { at: string; sensor: Extract<Sensor, { kind: 'tilt' }> }) {
  const edit = useEditor((s) => s.edit);
  return (
    <>
      <Row>
        <QuantityField
          path={`${at}.clip`}
          label={sensor.weight ? 'weight, floor up' : 'clip, floor up'}
          kind="height"
        />
        <QuantityField path={`${at}.tether`} label="tether" kind="height" hint="clip to near end" />
        <QuantityField path={`${at}.body`} label="body length" kind="height" />
        <QuantityField path={`${at}.thickness`} label="body, across" kind="height" />
        <QuantityField path={`${at}.riseDeg`} label="acts above level by" kind="angle" />
        <QuantityField path={`${at}.fallDeg`} label="goes back below by" kind="angle" />
        {sensor.measured && (
          <>
            <QuantityField path={`${at}.measured.above`} label="measured, above clip" kind="height" />
            <QuantityField path={`${at}.measured.below`} label="measured, below clip" kind="height" />
          </>
        )}
        {sensor.weight && (
          <>
            <QuantityField path={`${at}.weight.mass`} label="weight" kind="mass" />
            <QuantityField path={`${at}.weight.volume`} label="its volume" kind="volume" />
            <QuantityField path={`${at}.weight.below`} label="hangs below by" kind="height" />
            <QuantityField path={`${at}.weight.lift`} label="float pulls up" kind="mass" />
          </>
        )}
      </Row>
      <Tick
        label={`range of the ${sensor.role} float is measured, or from its maker's table`}
        checked={sensor.measured !== null}
        onChange={(measured) => edit((d) => withMeasuredRange(d, sensor.id, measured))}
      />
      <Tick
        label="on a counterweight of its own cord"
        checked={sensor.weight !== null}
        onChange={(hangs) => edit((d) => withWeight(d, sensor.id, hangs))}
      />
    </>
  );
}

function BellFields({ at, sensor }: { at: string; sensor: Extract<Sensor, { kind: 'bell' }> }) {
  const system = useStationSystem();
  const settings = useEditor((s) => s.document.settings);
  const shift = breatherShift(sensor, settings.trappedPressure, worldOf({ settings }));
  return (
    <>
      <Row>
        <QuantityField path={`${at}.mouth`} label="mouth, floor up" kind="height" />
        <QuantityField path={`${at}.height`} label="height of the bell" kind="height" />
        <QuantityField path={`${at}.area`} label="area of the bell" kind="area" />
        <QuantityField path={`${at}.air`} label="air in bell and tube" kind="volume" />
        <QuantityField path={`${at}.on`} label="switch on" kind="pressure" />
        <QuantityField path={`${at}.off`} label="switch off" kind="pressure" />
        <QuantityField path="settings.trappedPressure" label="blocked breather holds" kind="pressure" />
        <QuantityField path="settings.airPressure" label="air of the place" kind="pressure" />
      </Row>
      <Typography variant="body2">
        A blocked breather that holds so much moves this trip {say(quantity('height', Math.abs(shift)), system)}{' '}
        {shift < 0 ? 'down' : 'up'}: the breather is part of the float.
      </Typography>
    </>
  );
}

function KindFields({ at, sensor }: { at: string; sensor: Sensor }) {
  switch (sensor.kind) {
    case 'tilt':
      return <TiltFields at={at} sensor={sensor} />;
    case 'bell':
      return <BellFields at={at} sensor={sensor} />;
    case 'rod':
      return (
        <Row>
          <QuantityField path={`${at}.upperStop`} label="upper stop, floor up" kind="height" />
          <QuantityField path={`${at}.lowerStop`} label="lower stop, floor up" kind="height" />
          <ChoiceField
            path={`${at}.latch`}
            label="snaps by"
            choices={[
              ['magnet', 'a magnet'],
              ['snap', 'a spring'],
            ]}
          />
        </Row>
      );
    case 'side':
      return (
        <Row>
          <QuantityField path={`${at}.height`} label="switch, floor up" kind="height" />
          <QuantityField path={`${at}.differential`} label="goes back after" kind="height" />
        </Row>
      );
    case 'transmitter':
      return (
        <Row>
          <QuantityField path={`${at}.zero`} label="reads zero, floor up" kind="height" />
          <QuantityField path={`${at}.span`} label="span" kind="height" />
          <QuantityField path={`${at}.on`} label="threshold on, floor up" kind="height" />
          <QuantityField path={`${at}.off`} label="threshold off, floor up" kind="height" />
        </Row>
      );
  }
}

function PlaceFields({ at, sensor }: { at: string; sensor: Sensor }) {
  const edit = useEditor((s) => s.edit);
  const onPole = sensor.place.from === 'pole';
  return (
    <>
      <Tick
        label="on the common pole"
        checked={onPole}
        onChange={(pole) => edit((d) => withPlace(d, sensor.id, pole ? 'pole' : 'axis'))}
      />
      <Row>
        {onPole ? (
          <>
            <QuantityField path={`${at}.place.bearing`} label="faces" kind="angle" hint="from the mark" />
            <QuantityField path={`${at}.place.offset`} label="from the pole" kind="height" />
          </>
        ) : (
          <>
            <QuantityField path={`${at}.place.bearing`} label="stands at" kind="angle" hint="from the mark" />
            <QuantityField path={`${at}.place.offset`} label="from the axis" kind="height" />
            <QuantityField path={`${at}.place.facing`} label="faces" kind="angle" />
          </>
        )}
        <QuantityField path={`${at}.cordLength`} label={sensor.kind === 'bell' ? 'tube' : 'cord'} kind="distance" />
      </Row>
    </>
  );
}

/** What the differential costs, in words. */
const costWords = (
  { volume, time }: ReturnType<typeof differentialOf>,
  filling: boolean,
  system: UnitSystem,
): string =>
  filling
    ? `Between on and off ${say(quantity('volume', volume), system)} are drawn, ${say(quantity('time', time), system)} at the design draw.`
    : `Once off, ${say(quantity('volume', volume), system)} must come before it acts again: ${say(quantity('time', time), system)} at the design inflow.`;

function SensorFields({ sensor, index }: { sensor: Sensor; index: number }) {
  const edit = useEditor((s) => s.edit);
  const system = useStationSystem();
  const context = useEditor((s) => s.judged.judgement.context);
  const trips = context.sensors.find((t) => t.sensor.id === sensor.id);
  const at = `sensors.${index}`;
  const words = `${ROLE_WORDS[sensor.role]} ${kindOf(sensor).noun}`;
  return (
    <Box
      component="section"
      aria-label={words}
      sx={{ display: 'flex', flexDirection: 'column', gap: 1.5, borderTop: 1, borderColor: 'divider', pt: 1.5 }}
    >
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 190px', gap: 1.5, alignItems: 'start' }}>
        <Box sx={{ display: 'flex', flexDirection: 'column', gap: 1.5 }}>
          <Typography variant="h3" component="h3">
            {words}
          </Typography>
          <TextField
            select
            label={`kind of ${ROLE_WORDS[sensor.role]} float`}
            value={sensor.kind}
            onChange={(e) => edit((d) => withKind(d, sensor.id, e.target.value as Sensor['kind'], system))}
          >
            {KINDS.map(([kind, says]) => (
              <MenuItem key={kind} value={kind}>
                {says}
              </MenuItem>
            ))}
          </TextField>
        </Box>
        {trips && <Shaft scene={sensorScene(trips, system)} title={`${words}: on, off and the differential between`} />}
      </Box>
      {trips && (
        <Typography variant="body2">
          {costWords(differentialOf(context, trips), context.station.duty.kind === 'fill', system)}
        </Typography>
      )}
      <KindFields at={at} sensor={sensor} />
      <PlaceFields at={at} sensor={sensor} />
      <Row>
        <ChoiceField path={`${at}.contact`} label="contact" choices={CONTACTS} />
        <ChoiceField path={`${at}.duty`} label="contact duty" choices={DUTIES} />
        <QuantityField path={`${at}.contactRating`} label="contact rating" kind="current" />
      </Row>
      <TickField path={`${at}.changeover`} label="changeover contact: the spare core is capped" />
    </Box>
  );
}

/** The floats: what hangs, slides or listens in the pit. Their heights are set on the tape in Levels too. */
export function FloatsGroup() {
  const document = useEditor((s) => s.document);
  const { sensors, found, pumps, duty } = document;
  const edit = useEditor((s) => s.edit);
  const system = useStationSystem();
  const one = sensors.some((s) => s.role === 'pump');
  return (
    <Group id="floats" title="Floats">
      <Box sx={{ display: 'flex', gap: 2, flexWrap: 'wrap', alignItems: 'center' }}>
        <ToggleButtonGroup
          exclusive
          value={one ? 'one' : 'two'}
          aria-label="floats that run the pump"
          onChange={(_, floats: 'one' | 'two' | null) => floats && edit((d) => withControlFloats(d, floats, system))}
        >
          <ToggleButton value="one">one float, both trips</ToggleButton>
          <ToggleButton value="two">stop and lead floats</ToggleButton>
        </ToggleButtonGroup>
        {pumps.length > 1 && duty.kind !== 'fill' && (
          <ChoiceField
            path="control.floats"
            label="duplex school"
            choices={[
              ['four', 'lag has its own float'],
              ['three', 'the alarm float calls the lag'],
            ]}
          />
        )}
      </Box>
      <Typography variant="body2" color="text.secondary">
        One float with a wide range is simpler; two narrow ones set start and stop exactly.
      </Typography>
      <Box sx={{ display: 'flex', flexWrap: 'wrap' }}>
        {rolesFor(document).map((role) => (
          <Tick
            key={role}
            label={ROLE_TICKS[role]!}
            checked={sensors.some((s) => s.role === role)}
            onChange={(fitted) => edit((d) => withRole(d, role, fitted, system))}
          />
        ))}
      </Box>
      {sensors.map((sensor, i) => (
        <SensorFields key={sensor.id} sensor={sensor} index={i} />
      ))}
      <Row>
        <QuantityField
          path="cordRun"
          label="rim to plug or splice"
          kind="distance"
          hint="cord needed outside the pit"
        />
        <QuantityField path="settings.cordSlack" label="slack to leave" kind="distance" hint="for the next cut" />
      </Row>
      <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', flexWrap: 'wrap' }}>
        <Button onClick={() => edit((d) => withFound(d, true))}>
          {found ? 'take down anew as found' : 'this is how I found it'}
        </Button>
        {found && <Button onClick={() => edit((d) => withFound(d, false))}>forget what was found</Button>}
        <Typography variant="body2" sx={{ flex: '1 1 220px' }}>
          {found
            ? `${found.length} floats are taken down as found: Levels lists the moves from there.`
            : 'Retrofit? Enter what hangs there now, then take it down as found: Levels lists the moves from it.'}
        </Typography>
      </Box>
    </Group>
  );
}
