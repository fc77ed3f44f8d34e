'use client';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { withProfile } from '@/core/editing';
import { useEditor } from '../editor/StationProvider';
import { StationShaft } from '../shaft/StationShaft';
import { CurveField } from './CurveField';
import { DischargeGroup } from './DischargeGroup';
import { ChoiceField, QuantityField, WordsField } from './fields';
import { FloatsGroup } from './FloatsGroup';
import { Group, Row } from './Group';
import { InflowSketch, PumpSketch } from './sketches';
import { Sum } from './Sum';
import { TickField } from './Tick';
import { VesselGroup } from './VesselGroup';

function InflowGroup() {
  const inflow = useEditor((s) => s.document.inflow);
  const atLead = useEditor((s) => s.judged.judgement.context.atLead);
  return (
    <Group id="inflow" title="Inflow" sketch={<InflowSketch inflow={inflow} delivers={atLead.ok ? atLead.flow : null} />}>
      <Row>
        <QuantityField path="inflow.low" label="low" kind="flow" />
        <QuantityField path="inflow.design" label="design" kind="flow" />
        <QuantityField path="inflow.peak" label="peak" kind="flow" />
      </Row>
    </Group>
  );
}

function PumpGroup() {
  const pump = useEditor((s) => s.document.pumps[0]!);
  const stop = useEditor((s) => s.judged.judgement.context.stop);
  return (
    <Group id="pump" title="Pump" sketch={<PumpSketch pump={pump} stop={stop} />}>
      <WordsField path="pumps.0.name" label="name" />
      <Row>
        <QuantityField path="pumps.0.intake" label="intake" kind="height" hint="floor up" />
        <QuantityField path="pumps.0.volute" label="top of volute" kind="height" hint="floor up" />
        <QuantityField path="pumps.0.motorTop" label="top of motor" kind="height" hint="floor up" />
      </Row>
      <Row>
        <QuantityField path="pumps.0.startsPerHour" label="starts limit" kind="rate" />
        <QuantityField path="pumps.0.minimumRun" label="minimum run" kind="time" />
        <QuantityField path="pumps.0.ratedCurrent" label="rated current" kind="current" />
        <QuantityField path="pumps.0.headShare" label="head, at most" kind="share" hint="of shut-off" />
      </Row>
      <CurveField />
    </Group>
  );
}

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
        <ChoiceField path="profile" label="profile" choices={[['metric-230', '230 V 50 Hz, mm'], ['us-120', '120 V 60 Hz, in']]} hint="supply and units" onPick={(v) => edit((d) => withProfile(d, v === 'us-120' ? 'us-120' : 'metric-230'))} />
        <QuantityField path="supply.voltage" label="supply" kind="voltage" />
        <ChoiceField path="supply.frequency" label="frequency" choices={[[50, '50 Hz'], [60, '60 Hz']]} />
        <QuantityField path="supply.breaker" label="breaker" kind="current" />
      </Row>
      <TickField path="supply.residualCurrent" label="residual-current (ground-fault) protection on the pump" />
      <Typography variant="body2" color="text.secondary">
        Whether such protection must be there your local code decides: with it a nuisance trip can flood the pit, without it a fault can shock.
      </Typography>
    </Group>
  );
}

function SettingsGroup() {
  return (
    <Group id="settings" title="What the rules ask">
      <Row>
        <ChoiceField path="settings.submergence" label="at stop the water covers" choices={[['motor', 'the motor'], ['volute', 'the volute']]} hint="motor: cooling; volute: no air" />
        <ChoiceField path="settings.inlet" label="the bell rings" choices={[['free', 'below the inlet'], ['storage', 'pipe is storage']]} />
        <QuantityField path="settings.surcharge" label="surcharge as storage" kind="height" />
      </Row>
      <Row>
        <QuantityField path="settings.reserveTime" label="response time" kind="duration" hint="bell to overflow" />
        <ChoiceField path="settings.reserveInflow" label="promised at" choices={[['low', 'low inflow'], ['design', 'design inflow'], ['peak', 'peak inflow']]} />
        <QuantityField path="settings.keepUpFactor" label="pump over peak" kind="factor" />
        <QuantityField path="settings.drainbackMargin" label="drainback margin" kind="share" />
      </Row>
      <Row>
        <QuantityField path="settings.minimumGap" label="least gap of trips" kind="height" />
        <QuantityField path="settings.minimumTether" label="least tether" kind="height" />
        <QuantityField path="settings.hoseFlow" label="test hose" kind="flow" />
        <QuantityField path="settings.tightShare" label="tight below" kind="share" hint="of the need" />
      </Row>
      <Row>
        <QuantityField path="settings.waterTemperature" label="water" kind="temperature" />
        <QuantityField path="settings.weepCoefficient" label="weep-hole Cd" kind="factor" />
        <QuantityField path="settings.velocityMin" label="least velocity" kind="velocity" />
        <QuantityField path="settings.velocityMax" label="greatest velocity" kind="velocity" />
      </Row>
    </Group>
  );
}

const GROUPS = ['vessel', 'inflow', 'pump', 'discharge', 'floats', 'supply', 'settings', 'site'] as const;

/** The survey: short groups with small drawings, the shaft at the left, what it adds up to at the right. */
export function SurveyView() {
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', md: '380px minmax(0, 1fr) 380px' }, height: { md: '100%' } }}>
      <Box sx={{ height: { xs: 420, md: '100%' }, minHeight: 0, borderRight: { md: 1 }, borderColor: { md: 'divider' } }}>
        <StationShaft guess={{ width: 380, height: 660 }} />
      </Box>
      <Box sx={{ minHeight: 0, overflow: 'auto' }}>
        <Box component="nav" aria-label="groups of the survey" sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.25, px: 2, py: 1, borderBottom: 1, borderColor: 'divider', position: 'sticky', top: 0, bgcolor: 'background.default', zIndex: 2, '& a': { color: 'primary.main' } }}>
          {GROUPS.map((g) => (
            <a key={g} href={`#${g}`}>
              {g}
            </a>
          ))}
        </Box>
        <VesselGroup />
        <InflowGroup />
        <PumpGroup />
        <DischargeGroup />
        <FloatsGroup />
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
        <Sum />
      </Box>
    </Box>
  );
}
