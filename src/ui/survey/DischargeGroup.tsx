'use client';
import Typography from '@mui/material/Typography';
import { setAt } from '@/core/editing';
import { depthOf, type Laterals } from '@/core/station';
import { useEditor } from '../editor/StationProvider';
import { ChoiceField, QuantityField } from './fields';
import { Group, Row } from './Group';
import { SegmentList } from './SegmentList';
import { settingField } from './settingFields';
import { LiftSketch } from './sketches';
import { Tick, TickField } from './Tick';

const SCHOOLS = [
  ['darcy-weisbach', 'Darcy–Weisbach'],
  ['hazen-williams', 'Hazen–Williams'],
] as const;

const LATERALS: Laterals = {
  count: 4,
  length: 8,
  bore: 0.0272,
  roughness: 1.5e-6,
  hazenWilliams: 150,
  orifices: 8,
  orifice: 0.005,
  coefficient: 0.6,
  squirt: 0.9,
};

function LateralFields() {
  const at = 'discharge.laterals';
  return (
    <>
      <Row>
        <QuantityField path={`${at}.count`} label="laterals" kind="count" hint="all alike" />
        <QuantityField path={`${at}.length`} label="length of a lateral" kind="distance" />
        <QuantityField path={`${at}.bore`} label="bore of a lateral" kind="bore" />
      </Row>
      <Row>
        <QuantityField path={`${at}.orifices`} label="orifices on each" kind="count" hint="evenly spaced" />
        <QuantityField path={`${at}.orifice`} label="orifice" kind="bore" hint="diameter" />
        <QuantityField path={`${at}.coefficient`} label="orifice Cd" kind="factor" />
        <QuantityField path={`${at}.squirt`} label="jet wanted" kind="height" hint="at the last orifice" />
      </Row>
      <Row>
        {settingField('doseMultiple')}
        {settingField('lateralSpread')}
      </Row>
    </>
  );
}

/** Where the water must go: the line, its outlet and high point, check valve, weep hole, laterals, frost. */
export function DischargeGroup() {
  const discharge = useEditor((s) => s.document.discharge);
  const duty = useEditor((s) => s.document.duty);
  const depth = useEditor((s) => depthOf(s.document.vessel.shape));
  const stop = useEditor((s) => s.judged.judgement.context.stop);
  const pump = useEditor((s) => s.document.pumps[0]!);
  const edit = useEditor((s) => s.edit);
  const filling = duty.kind === 'fill';
  const fit = (part: string, made: unknown) => (fitted: boolean) =>
    edit((d) => setAt(d, `discharge.${part}`, fitted ? made : null));
  if (filling && duty.from.kind === 'valve') return null;
  return (
    <Group
      id="discharge"
      title={filling ? 'Fill line' : 'Discharge'}
      sketch={
        <LiftSketch
          depth={depth}
          outlet={discharge.outlet}
          stop={filling && duty.from.kind === 'pump' ? duty.from.level : stop}
        />
      }
    >
      <SegmentList
        path="discharge.segments"
        segments={discharge.segments}
        least={1}
        addLabel="add a length of another pipe"
        made={{ ...discharge.segments.at(-1)!, name: `length ${discharge.segments.length + 1}`, fittings: [] }}
      />
      <Row>
        <ChoiceField path="settings.friction" label="friction by" choices={SCHOOLS} hint="by roughness, or by C" />
        <QuantityField path="discharge.outlet" label="outlet height" kind="head" hint="above the floor of the pit" />
        <QuantityField path="discharge.exposed" label="in the open" kind="distance" hint="can freeze" />
      </Row>
      <Tick
        label="check valve fitted"
        checked={discharge.checkValve !== null}
        onChange={fit('checkValve', { pipeBefore: 1 })}
      />
      {discharge.checkValve && (
        <Row>
          <QuantityField
            path="discharge.checkValve.pipeBefore"
            label="pipe before the check valve"
            kind="distance"
            hint="it drains back at every stop"
          />
        </Row>
      )}
      {!filling && (
        <Tick
          label="weep hole below the check valve (lets trapped air out)"
          checked={discharge.weepHole !== null}
          onChange={fit('weepHole', { diameter: 0.005, height: Number((pump.volute + 0.1).toFixed(3)) })}
        />
      )}
      {discharge.weepHole && !filling && (
        <Row>
          <QuantityField path="discharge.weepHole.diameter" label="weep hole, diameter" kind="bore" />
          <QuantityField path="discharge.weepHole.height" label="weep hole, floor up" kind="height" />
        </Row>
      )}
      <Tick
        label="the line has a high point above its outlet"
        checked={discharge.highPoint !== null}
        onChange={fit('highPoint', { height: discharge.outlet + 1, along: 1, vented: true })}
      />
      {discharge.highPoint && (
        <>
          <Row>
            <QuantityField
              path="discharge.highPoint.height"
              label="high point"
              kind="head"
              hint="above the floor of the pit"
            />
            <QuantityField path="discharge.highPoint.along" label="pipe up to it" kind="distance" />
          </Row>
          <TickField path="discharge.highPoint.vented" label="vented there: no siphon pulls beyond it" />
        </>
      )}
      {!filling && (
        <Tick
          label="laterals with orifices at its end (a dosed bed)"
          checked={discharge.laterals !== null}
          onChange={fit('laterals', LATERALS)}
        />
      )}
      {discharge.laterals && <LateralFields />}
      {!discharge.checkValve && !filling && (
        <Typography variant="body2">
          No check valve: {discharge.highPoint ? 'the line up to its high point' : 'the whole line'} runs back into the
          pit at every stop.
        </Typography>
      )}
    </Group>
  );
}
