'use client';
import { traitsOf } from '@/core/duties';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { withProfile } from '@/core/editing';
import { useEditor } from '../editor/StationProvider';
import { StationShaft } from '../shaft/StationShaft';
import { DischargeGroup } from './DischargeGroup';
import { DutyGroup } from './DutyGroup';
import { ChoiceField, QuantityField, TickField, WordsField } from '../fields/fields';
import { FloatsGroup } from './FloatsGroup';
import { Row } from '../parts/Row';
import { Group } from './Group';
import { InflowGroup } from './InflowGroup';
import { PlanGroup } from './PlanGroup';
import { PumpsGroup } from './PumpsGroup';
import { SettingsGroup } from './SettingsGroup';
import { Sum } from './Sum';

import { VesselGroup } from './VesselGroup';

function AlarmAndSupply() {
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
  const valve = useEditor((s) => traitsOf(s.document).mover.kind === 'valve');
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
            <WordsField path="identity.name" />
            <WordsField path="identity.site" />
          </Row>
          <WordsField path="identity.contact" />
          <WordsField path="identity.note" multiline />
        </Group>
      </Box>
      <Box sx={{ minHeight: 0, overflow: 'auto', borderLeft: { md: 1 }, borderColor: { md: 'divider' } }}>
        <Sum pump={pump} />
      </Box>
    </Box>
  );
}
