'use client';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { withAlarmFloat, withKind, withMeasuredRange } from '@/core/editing';
import type { Sensor } from '@/core/station';
import { useEditor, useStationSystem } from '../editor/StationProvider';
import { ChoiceField, QuantityField } from './fields';
import { Group, Row } from './Group';
import { Tick } from './Tick';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';

const CONTACTS = [
  ['closes-on-rise', 'closes on rise (NO hanging)'],
  ['opens-on-rise', 'opens on rise (NC hanging)'],
] as const;
const DUTIES = [
  ['motor', 'carries the motor'],
  ['control', 'pilot duty only'],
] as const;

function FloatFields({ sensor, index }: { sensor: Sensor; index: number }) {
  const edit = useEditor((s) => s.edit);
  const system = useStationSystem();
  const at = `sensors.${index}`;
  return (
    <Box sx={{ display: 'flex', flexDirection: 'column', gap: 1.75 }}>
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 1.5 }}>
        <Typography variant="h3" component="h3">
          {sensor.role} float
        </Typography>
        <ToggleButtonGroup exclusive value={sensor.kind} aria-label={`kind of ${sensor.role} float`} onChange={(_, kind: Sensor['kind'] | null) => kind && edit((d) => withKind(d, sensor.id, kind, system))}>
          <ToggleButton value="tilt">tilts on a tether</ToggleButton>
          <ToggleButton value="rod">slides on a rod</ToggleButton>
        </ToggleButtonGroup>
      </Box>
      {sensor.kind === 'tilt' ? (
        <Row>
          <QuantityField path={`${at}.clip`} label="clip, floor up" kind="height" />
          <QuantityField path={`${at}.tether`} label="tether" kind="height" hint="clip to near end" />
          <QuantityField path={`${at}.body`} label="body length" kind="height" />
          <QuantityField path={`${at}.riseDeg`} label="acts above level by" kind="angle" />
          <QuantityField path={`${at}.fallDeg`} label="goes back below by" kind="angle" />
          <QuantityField path={`${at}.cordLength`} label="cord" kind="distance" />
          {sensor.measured && (
            <>
              <QuantityField path={`${at}.measured.above`} label="measured, above clip" kind="height" />
              <QuantityField path={`${at}.measured.below`} label="measured, below clip" kind="height" />
            </>
          )}
        </Row>
      ) : (
        <Row>
          <QuantityField path={`${at}.upperStop`} label="upper stop, floor up" kind="height" />
          <QuantityField path={`${at}.lowerStop`} label="lower stop, floor up" kind="height" />
          <QuantityField path={`${at}.cordLength`} label="cord" kind="distance" />
        </Row>
      )}
      {sensor.kind === 'tilt' && (
        <Tick label={`range of the ${sensor.role} float is measured, or from its maker's table`} checked={sensor.measured !== null} onChange={(measured) => edit((d) => withMeasuredRange(d, sensor.id, measured))} />
      )}
      <Row>
        <ChoiceField path={`${at}.contact`} label="contact" choices={CONTACTS} />
        <ChoiceField path={`${at}.duty`} label="contact duty" choices={DUTIES} />
        <QuantityField path={`${at}.contactRating`} label="contact rating" kind="current" />
      </Row>
    </Box>
  );
}

/** The floats: what hangs or slides in the pit. Their heights are set on the tape in Levels too. */
export function FloatsGroup() {
  const sensors = useEditor((s) => s.document.sensors);
  const edit = useEditor((s) => s.edit);
  const system = useStationSystem();
  return (
    <Group id="floats" title="Floats">
      {sensors.map((sensor, i) => (
        <FloatFields key={sensor.id} sensor={sensor} index={i} />
      ))}
      <Tick label="alarm float fitted" checked={sensors.some((s) => s.role === 'alarm')} onChange={(fitted) => edit((d) => withAlarmFloat(d, fitted, system))} />
      <Row>
        <QuantityField path="cordRun" label="rim to plug or splice" kind="distance" hint="cord needed outside the pit" />
      </Row>
    </Group>
  );
}
