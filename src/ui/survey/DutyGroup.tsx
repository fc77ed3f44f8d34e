'use client';
import Typography from '@mui/material/Typography';
import { withDoseMode, withDuty, withFilling } from '@/core/editing';
import type { Duty } from '@/core/station';
import { useEditor } from '../editor/StationProvider';
import { ChoiceField, QuantityField } from './fields';
import { Group, Row } from './Group';
import { DutySketch } from './DutySketch';
import { TickField } from './Tick';

const DUTIES: readonly (readonly [Duty['kind'], string])[] = [
  ['empty', 'to be kept empty: sump, ejector, grinder'],
  ['dose', 'to dose from: a bed, a sewer'],
  ['fill', 'to be kept full: header or storage tank'],
  ['transfer', 'to draw from: cistern, basin, pond'],
  ['condensate', 'condensate, with a cut-off'],
];

/** The figures that only this duty has. */
function DutyFields({ duty }: { duty: Duty }) {
  const edit = useEditor((s) => s.edit);
  switch (duty.kind) {
    case 'empty':
      return <Typography variant="body2">Water that comes is to go: the pump starts high and stops low.</Typography>;
    case 'condensate':
      return (
        <Typography variant="body2">
          Appliances make the water; a cut-off float stops them before the reservoir spills.
        </Typography>
      );
    case 'transfer':
      return (
        <Row>
          <QuantityField
            path="duty.usefulRun"
            label="one useful run"
            kind="volume"
            hint="restart leaves at least so much"
          />
        </Row>
      );
    case 'fill':
      return (
        <>
          <Row>
            <ChoiceField
              path="duty.from.kind"
              label="filled"
              choices={[
                ['valve', 'through a valve'],
                ['pump', 'by a pump'],
              ]}
              onPick={(v) => edit((d) => withFilling(d, v === 'pump' ? 'pump' : 'valve'))}
            />
            {duty.from.kind === 'valve' ? (
              <QuantityField path="duty.from.flow" label="flow of the valve" kind="flow" />
            ) : (
              <QuantityField
                path="duty.from.level"
                label="water at the source"
                kind="head"
                hint="above this tank's floor; below is −"
              />
            )}
          </Row>
          <Row>
            <QuantityField path="duty.runOn" label="runs on for" kind="time" hint="after the call to stop" />
            <QuantityField path="duty.keep" label="must stay stored" kind="height" hint="floor up" />
          </Row>
          <TickField path="duty.drowned" label="fills from below, against the water in the tank" />
        </>
      );
    case 'dose':
      return (
        <>
          <Row>
            <ChoiceField
              path="duty.mode"
              label="dosed"
              choices={[
                ['timed', 'by a timer'],
                ['demand', 'on demand'],
              ]}
              hint="timed for beds, demand for sewers"
              onPick={(v) => edit((d) => withDoseMode(d, v === 'demand' ? 'demand' : 'timed'))}
            />
            <QuantityField path="duty.dosesPerDay" label="doses a day" kind="count" hint="at least" />
            <QuantityField path="duty.minimumRest" label="least rest" kind="time" hint="of the bed" />
          </Row>
          {duty.mode === 'timed' && (
            <Row>
              <QuantityField path="duty.on" label="timer on" kind="time" />
              <QuantityField path="duty.off" label="timer off" kind="time" />
              <QuantityField path="duty.peakOff" label="off at peak" kind="time" hint="while the peak float is up" />
            </Row>
          )}
          <Row>
            <QuantityField path="duty.peakDay" label="peak day" kind="factor" hint="in design days" />
            <QuantityField path="duty.surge" label="peak lasts" kind="time" hint="where no pattern tells" />
          </Row>
        </>
      );
  }
}

/** What the station is for: it decides which rules apply and how the shaft is drawn. */
export function DutyGroup() {
  const duty = useEditor((s) => s.document.duty);
  const edit = useEditor((s) => s.edit);
  return (
    <Group id="duty" title="What it is for" sketch={<DutySketch duty={duty} />}>
      <ChoiceField
        path="duty.kind"
        label="duty"
        choices={DUTIES}
        onPick={(v) => edit((d) => withDuty(d, v as Duty['kind']))}
      />
      <DutyFields duty={duty} />
    </Group>
  );
}
