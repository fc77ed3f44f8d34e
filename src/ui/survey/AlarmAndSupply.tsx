'use client';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { withProfile } from '@/core/editing';
import { useEditor } from '../editor/StationProvider';
import { ChoiceField, QuantityField, TickField, WordsField } from '../fields/fields';
import { Row } from '../parts/Row';
import { Group } from './Group';

/** How the alarm is seen and heard, and what the station is fed by. */
export function AlarmAndSupply() {
  const edit = useEditor((s) => s.edit);
  return (
    <Group id="supply" title="Alarm and supply">
      <Box sx={{ display: 'flex', flexWrap: 'wrap' }}>
        <TickField path="alarm.horn" />
        <TickField path="alarm.lamp" />
        <TickField path="alarm.silence" />
        <TickField path="alarm.battery" />
        <TickField path="alarm.remoteContact" />
      </Box>
      <WordsField path="alarm.place" />
      <Row>
        <ChoiceField
          path="profile"
          onPick={(v) => edit((d) => withProfile(d, v === 'us-120' ? 'us-120' : 'metric-230'))}
        />
        <QuantityField path="supply.voltage" />
        <ChoiceField path="supply.frequency" />
        <QuantityField path="supply.breaker" />
      </Row>
      <TickField path="supply.residualCurrent" />
      <Typography variant="body2" color="text.secondary">
        Whether such protection must be there your local code decides: with it a nuisance trip can flood the pit,
        without it a fault can shock.
      </Typography>
    </Group>
  );
}
