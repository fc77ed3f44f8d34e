'use client';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { withProfile } from '@/core/editing';
import { useEditor } from '../editor/StationProvider';
import { StationShaft } from '../shaft/StationShaft';
import { DischargeGroup } from './DischargeGroup';
import { DutyGroup } from './DutyGroup';
import { ChoiceField, QuantityField, WordsField } from './fields';
import { FloatsGroup } from './FloatsGroup';
import { Group, Row } from './Group';
import { InflowGroup } from './InflowGroup';
import { PlanGroup } from './PlanGroup';
import { PumpsGroup } from './PumpsGroup';
import { SettingsGroup } from './SettingsGroup';
import { Sum } from './Sum';
import { TickField } from './Tick';
import { VesselGroup } from './VesselGroup';

function AlarmAndSupply() {
  const edit = useEditor((s) => s.edit);
  return (
    <Group id="supply" title="Bell and supply">
      <Box sx={{ display: 'flex', flexWrap: 'wrap' }}>
        <TickField path="alarm.horn" label="horn" />
        <TickField path="alarm.lamp" label="lamp" />
        <TickField path="alarm.silence" label="silence button" />
        <TickField path="alarm.battery" label="battery" />
        <TickField path="alarm.remoteContact" label="remote contact" />
      </Box>
      <WordsField path="alarm.place" label="where the bell is" />
      <Row>
        <ChoiceField
          path="profile"
          label="profile"
          choices={[
            ['metric-230', '230 V 50 Hz, mm'],
            ['us-120', '120 V 60 Hz, in'],
          ]}
          hint="supply and units"
          onPick={(v) => edit((d) => withProfile(d, v === 'us-120' ? 'us-120' : 'metric-230'))}
        />
        <QuantityField path="supply.voltage" label="supply" kind="voltage" />
        <ChoiceField
          path="supply.frequency"
          label="frequency"
          choices={[
            [50, '50 Hz'],
            [60, '60 Hz'],
          ]}
        />
        <QuantityField path="supply.breaker" label="breaker" kind="current" />
      </Row>
      <TickField path="supply.residualCurrent" label="residual-current (ground-fault) protection on the pump" />
      <Typography variant="body2" color="text.secondary">
        Whether such protection must be there your local code decides: with it a nuisance trip can flood the pit,
        without it a fault can shock.
      </Typography>
    </Group>
  );
}

const GROUPS = [
  'duty',
  'vessel',
  'inflow',
  'pump',
  'discharge',
  'floats',
  'plan',
  'supply',
  'settings',
  'site',
] as const;
/** Of no use to a tank that is filled through a valve. */
const PUMPED: readonly string[] = ['pump', 'discharge'];

/** The survey: short groups with small drawings, the shaft at the left, what it adds up to at the right. */
export function SurveyView() {
  const [pump, showPump] = useState(0);
  const valve = useEditor((s) => s.document.duty.kind === 'fill' && s.document.duty.from.kind === 'valve');
  return (
    <Box
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: '1fr', md: '380px minmax(0, 1fr) 380px' },
        height: { md: '100%' },
      }}
    >
      <Box
        sx={{ height: { xs: 420, md: '100%' }, minHeight: 0, borderRight: { md: 1 }, borderColor: { md: 'divider' } }}
      >
        <StationShaft guess={{ width: 380, height: 660 }} />
      </Box>
      <Box sx={{ minHeight: 0, overflow: 'auto' }}>
        <Box
          component="nav"
          aria-label="groups of the survey"
          sx={{
            display: 'flex',
            flexWrap: 'wrap',
            gap: 1.25,
            px: 2,
            py: 1,
            borderBottom: 1,
            borderColor: 'divider',
            position: 'sticky',
            top: 0,
            bgcolor: 'background.default',
            zIndex: 2,
            '& a': { color: 'primary.main' },
          }}
        >
          {GROUPS.filter((g) => !valve || !PUMPED.includes(g)).map((g) => (
            <a key={g} href={`#${g}`}>
              {g}
            </a>
          ))}
        </Box>
        <DutyGroup />
        <VesselGroup />
        <InflowGroup />
        <PumpsGroup shown={pump} onShow={showPump} />
        <DischargeGroup />
        <FloatsGroup />
        <PlanGroup />
        <AlarmAndSupply />
        <SettingsGroup />
        <Group id="site" title="Site">
          <Row>
            <WordsField path="identity.name" label="name of the station" />
            <WordsField path="identity.site" label="site" />
          </Row>
          <WordsField path="identity.contact" label="whom to call when the bell rings" hint="stands on the door card" />
          <WordsField path="identity.note" label="note" multiline />
        </Group>
      </Box>
      <Box sx={{ minHeight: 0, overflow: 'auto', borderLeft: { md: 1 }, borderColor: { md: 'divider' } }}>
        <Sum pump={pump} />
      </Box>
    </Box>
  );
}
