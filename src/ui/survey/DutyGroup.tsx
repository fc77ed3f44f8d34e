'use client';
import Typography from '@mui/material/Typography';
import { dutyOf, type DutyKind, type DutyName, type Duty } from '@/core/duties';
import { withDuty, withDutyChoice } from '@/core/editing';
import type { Station } from '@/core/station';
import { useEditor } from '../editor/StationProvider';
import { ChoiceField } from '../fields/fields';
import { SpecFields } from '../fields/SpecFields';
import { DutySketch } from './DutySketch';
import { Group } from './Group';

/** Another duty: of a station that nobody has touched yet its example, fetched when it is wanted; else what was surveyed stays, as far as it fits. */
async function changeDuty(edit: (how: (d: Station) => Station) => void, duty: DutyName): Promise<void> {
  const starting = await import('@/core/starting').catch(() => null);
  edit((d) => starting?.untouchedWithDuty(d, duty) ?? withDuty(d, duty));
}

/** What the station is for: it decides which rules apply and how the shaft is drawn. */
export function DutyGroup() {
  const duty = useEditor((s) => s.document.duty);
  const edit = useEditor((s) => s.edit);
  const { fields, about, hidden } = dutyOf(duty) as DutyKind<Duty>;
  return (
    <Group id="duty" title="What it is for" sketch={<DutySketch duty={duty} />}>
      <ChoiceField path="duty.kind" onPick={(v) => void changeDuty(edit, v as DutyName)} />
      {about && <Typography variant="body2">{about}</Typography>}
      <SpecFields
        at="duty"
        fields={fields}
        hidden={hidden?.(duty)}
        onChoice={(field, value) => edit((d) => withDutyChoice(d, field, value))}
      />
    </Group>
  );
}
