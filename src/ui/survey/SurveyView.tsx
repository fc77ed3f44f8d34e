'use client';
import { traitsOf } from '@/core/duties';
import Box from '@mui/material/Box';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import { useEditor } from '../editor/StationProvider';
import { StationShaft } from '../shaft/StationShaft';
import { DutyGroup } from './DutyGroup';
import { WordsField } from '../fields/fields';
import { Row } from '../parts/Row';
import { PutToRest } from '../rest/PutToRest';
import { Group } from './Group';
import { Sum } from './Sum';

import { VesselGroup } from './VesselGroup';

// What is further down is fetched after the page answers.
const InflowGroup = dynamic(() => import('./InflowGroup').then((m) => m.InflowGroup), { ssr: false });
const PumpsGroup = dynamic(() => import('./PumpsGroup').then((m) => m.PumpsGroup), { ssr: false });
const DischargeGroup = dynamic(() => import('./DischargeGroup').then((m) => m.DischargeGroup), { ssr: false });
const FloatsGroup = dynamic(() => import('./FloatsGroup').then((m) => m.FloatsGroup), { ssr: false });
const PlanGroup = dynamic(() => import('./PlanGroup').then((m) => m.PlanGroup), { ssr: false });
const AlarmAndSupply = dynamic(() => import('./AlarmAndSupply').then((m) => m.AlarmAndSupply), { ssr: false });
const SettingsGroup = dynamic(() => import('./SettingsGroup').then((m) => m.SettingsGroup), { ssr: false });

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
        gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: '380px minmax(0, 1fr) 380px' },
        height: { md: '100%' },
      }}
    >
      <Box
        sx={{ height: { xs: 280, md: '100%' }, minHeight: 0, borderRight: { md: 1 }, borderColor: { md: 'divider' } }}
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
          <PutToRest />
        </Group>
      </Box>
      <Box sx={{ minHeight: 0, overflow: 'auto', borderLeft: { md: 1 }, borderColor: { md: 'divider' } }}>
        <Sum pump={pump} />
      </Box>
    </Box>
  );
}
