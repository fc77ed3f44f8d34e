'use client';
import { traitsOf } from '@/core/duties';
import Typography from '@mui/material/Typography';
import { setAt } from '@/core/editing';
import { depthOf, type Laterals } from '@/core/station';
import { useEditor } from '../editor/StationProvider';
import { QuantityField, TickField } from '../fields/fields';
import { Row } from '../parts/Row';
import { Group } from './Group';
import { SegmentList } from './SegmentList';
import { SettingField } from '../fields/SettingField';
import { LiftSketch } from './sketches';
import { TickBox } from '../parts/TickBox';

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
        <QuantityField path={`${at}.count`} />
        <QuantityField path={`${at}.length`} />
        <QuantityField path={`${at}.bore`} />
      </Row>
      <Row>
        <QuantityField path={`${at}.orifices`} />
        <QuantityField path={`${at}.orifice`} />
        <QuantityField path={`${at}.coefficient`} />
        <QuantityField path={`${at}.squirt`} />
      </Row>
      <Row>
        <SettingField name="doseMultiple" />
        <SettingField name="lateralSpread" />
      </Row>
    </>
  );
}

/** What the line has: check valve and weep hole, high point, laterals. */
function Fitted({ inVessel }: { inVessel: boolean }) {
  const discharge = useEditor((s) => s.document.discharge);
  const volute = useEditor((s) => s.document.pumps[0]!.volute);
  const edit = useEditor((s) => s.edit);
  const fit = (part: 'checkValve' | 'weepHole' | 'highPoint' | 'laterals', made: unknown) => (fitted: boolean) =>
    edit((d) => setAt(d, `discharge.${part}`, fitted ? made : null));
  return (
    <>
      <TickBox
        label="check valve fitted"
        checked={discharge.checkValve !== null}
        onChange={fit('checkValve', { pipeBefore: 1 })}
      />
      {discharge.checkValve && (
        <Row>
          <QuantityField path="discharge.checkValve.pipeBefore" />
        </Row>
      )}
      {inVessel && (
        <TickBox
          label="weep hole below the check valve (lets trapped air out)"
          checked={discharge.weepHole !== null}
          onChange={fit('weepHole', { diameter: 0.005, height: Number((volute + 0.1).toFixed(3)) })}
        />
      )}
      {discharge.weepHole && inVessel && (
        <Row>
          <QuantityField path="discharge.weepHole.diameter" />
          <QuantityField path="discharge.weepHole.height" />
        </Row>
      )}
      <Row>
        <QuantityField path="discharge.rating" nullable />
      </Row>
      <TickBox
        label="the line has a high point above its outlet"
        checked={discharge.highPoint !== null}
        onChange={fit('highPoint', { height: discharge.outlet + 1, along: 1, vented: true })}
      />
      {discharge.highPoint && (
        <>
          <Row>
            <QuantityField path="discharge.highPoint.height" />
            <QuantityField path="discharge.highPoint.along" />
          </Row>
          <TickField path="discharge.highPoint.vented" />
        </>
      )}
      {inVessel && (
        <TickBox
          label="laterals with orifices at its end (a dosed bed)"
          checked={discharge.laterals !== null}
          onChange={fit('laterals', LATERALS)}
        />
      )}
      {discharge.laterals && <LateralFields />}
      {!discharge.checkValve && inVessel && (
        <Typography variant="body2">
          No check valve: {discharge.highPoint ? 'the line up to its high point' : 'the whole line'} runs back into the
          pit at every stop.
        </Typography>
      )}
    </>
  );
}

/** Where the water must go: the line, its outlet and high point, check valve, weep hole, laterals, frost. */
export function DischargeGroup() {
  const discharge = useEditor((s) => s.document.discharge);
  const duty = useEditor((s) => s.document.duty);
  const depth = useEditor((s) => depthOf(s.document.vessel.shape));
  const stop = useEditor((s) => s.judged.context.stop);
  const { mover, words } = traitsOf({ duty });
  if (mover.kind === 'valve') return null;
  return (
    <Group
      id="discharge"
      title={words.line}
      sketch={
        <LiftSketch
          depth={depth}
          outlet={discharge.outlet}
          stop={mover.stands === 'at-source' ? mover.sourceLevel : stop}
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
        <SettingField name="friction" />
        <QuantityField path="discharge.outlet" />
        <QuantityField path="discharge.exposed" />
      </Row>
      <Fitted inVessel={mover.stands === 'in-vessel'} />
    </Group>
  );
}
