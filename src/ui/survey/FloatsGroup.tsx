'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { traitsOf, wayOf, type Direction } from '@/core/duties';
import { withControlFloats, withFound, withKind, withPlace, withRole, withSensorPart } from '@/core/editing';
import { differentialOf, type Differential, type LevelContext } from '@/core/levels';
import { sensorScene } from '@/core/papers';
import { surroundsOf } from '@/core/sensing';
import { kindOf, ROLE, ROLES, type KindName, type Sensor, type SensorRole } from '@/core/sensors';
import type { Station } from '@/core/station';
import { quantity, say, sayPhrase, type UnitSystem } from '@/core/units';
import { useEditor, useStationSystem } from '../editor/StationProvider';
import { ChoiceField, QuantityField, TickField } from '../fields/fields';
import { SettingField } from '../fields/SettingField';
import { SpecFields } from '../fields/SpecFields';
import { Row } from '../parts/Row';
import { TickBox } from '../parts/TickBox';
import { Shaft } from '../shaft/Shaft';
import { Group } from './Group';
import { Segments } from '../parts/Segments';

/** Roles that may be fitted beside those that start and stop the pump. */
function rolesFor(station: Station): SensorRole[] {
  const { mover, roles } = traitsOf(station);
  const more = mover.kind === 'valve' ? [] : ROLES.filter((r) => r === 'lag' || r === 'lag2');
  return [...more.filter((r) => ROLE[r].calls! <= station.pumps.length), ...roles];
}

/** What its kind asks of a sensor, and what is to be known of it. */
function KindFields({ at, sensor }: { at: string; sensor: Sensor }) {
  const edit = useEditor((s) => s.edit);
  const system = useStationSystem();
  const settings = useEditor((s) => s.document.settings);
  const kind = kindOf(sensor);
  const note = kind.note?.(sensor, settings, surroundsOf({ settings }));
  return (
    <>
      <SpecFields
        at={at}
        fields={kind.fields}
        onPart={(part, fitted) => edit((d) => withSensorPart(d, sensor.id, part, fitted))}
      />
      {kind.settings && (
        <Row>
          {kind.settings.map((name) => (
            <SettingField key={name} name={name} />
          ))}
        </Row>
      )}
      {note && <Typography variant="body2">{sayPhrase(note, system)}</Typography>}
    </>
  );
}

function PlaceFields({ at, sensor }: { at: `sensors.${number}`; sensor: Sensor }) {
  const edit = useEditor((s) => s.edit);
  const onPole = sensor.place.from === 'pole';
  return (
    <>
      <TickBox
        label="on the common pole"
        checked={onPole}
        onChange={(pole) => edit((d) => withPlace(d, sensor.id, pole ? 'pole' : 'axis'))}
      />
      <Row>
        <QuantityField path={`${at}.place.bearing`} label={onPole ? 'faces' : 'stands at'} />
        <QuantityField path={`${at}.place.offset`} label={onPole ? 'from the pole' : 'from the axis'} />
        {!onPole && <QuantityField path={`${at}.place.facing`} />}
        <QuantityField path={`${at}.cordLength`} label={kindOf(sensor).lead} />
      </Row>
    </>
  );
}

/** What the differential costs, in words, by the way pumps move the water. */
const COST: Readonly<Record<Direction, (volume: string, time: string) => string>> = {
  empty: (volume, time) => `Once off, ${volume} must come before it acts again: ${time} at the design inflow.`,
  fill: (volume, time) => `Between on and off ${volume} are drawn, ${time} at the design draw.`,
};

function costWords({ station }: LevelContext, { volume, time }: Differential, system: UnitSystem): string {
  return COST[traitsOf(station).direction](
    say(quantity('volume', volume), system),
    say(quantity('time', time), system),
  );
}

function SensorFields({ sensor, index }: { sensor: Sensor; index: number }) {
  const edit = useEditor((s) => s.edit);
  const system = useStationSystem();
  const context = useEditor((s) => s.judged.context);
  const trips = context.sensors.find((t) => t.sensor.id === sensor.id);
  const at = `sensors.${index}` as const;
  const words = `${ROLE[sensor.role].word} ${kindOf(sensor).noun}`;
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
          <ChoiceField
            path={`${at}.kind`}
            label={`kind of ${ROLE[sensor.role].word} float`}
            onPick={(v) => edit((d) => withKind(d, sensor.id, v as KindName, system))}
          />
        </Box>
        {trips && <Shaft scene={sensorScene(trips, system)} title={`${words}: on, off and the differential between`} />}
      </Box>
      {trips && <Typography variant="body2">{costWords(context, differentialOf(context, trips), system)}</Typography>}
      <KindFields at={at} sensor={sensor} />
      <PlaceFields at={at} sensor={sensor} />
      <Row>
        <ChoiceField path={`${at}.contact`} />
        <ChoiceField path={`${at}.duty`} />
        <QuantityField path={`${at}.contactRating`} />
      </Row>
      <TickField path={`${at}.changeover`} />
    </Box>
  );
}

const RUN_BY = [
  ['one', 'one float, both trips'],
  ['two', 'stop and lead floats'],
] as const;

/** The floats: what hangs, slides or listens in the pit. Their heights are set on the tape in Levels too. */
export function FloatsGroup() {
  const document = useEditor((s) => s.document);
  const { sensors, found, pumps } = document;
  const edit = useEditor((s) => s.edit);
  const system = useStationSystem();
  const one = sensors.some((s) => s.role === 'pump');
  return (
    <Group id="floats" title="Floats">
      <Box sx={{ display: 'flex', gap: 2, flexWrap: 'wrap', alignItems: 'center' }}>
        <Segments
          label="floats that run the pump"
          value={one ? 'one' : 'two'}
          choices={RUN_BY}
          onPick={(floats) => edit((d) => withControlFloats(d, floats, system))}
        />
        {pumps.length > 1 && wayOf(document).direction === 'empty' && <ChoiceField path="control.floats" />}
      </Box>
      <Typography variant="body2" color="text.secondary">
        One float with a wide range is simpler; two narrow ones set start and stop exactly.
      </Typography>
      <Box sx={{ display: 'flex', flexWrap: 'wrap' }}>
        {rolesFor(document).map((role) => (
          <TickBox
            key={role}
            label={ROLE[role].fitted!}
            checked={sensors.some((s) => s.role === role)}
            onChange={(fitted) => edit((d) => withRole(d, role, fitted, system))}
          />
        ))}
      </Box>
      {sensors.map((sensor, i) => (
        <SensorFields key={sensor.id} sensor={sensor} index={i} />
      ))}
      <Row>
        <QuantityField path="cordRun" />
        <SettingField name="cordSlack" />
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
