'use client';
import type { SettingName } from '@/core/settings';
import { useEditor } from '../editor/StationProvider';
import { SettingField } from '../fields/SettingField';
import { Row } from '../parts/Row';
import { FirmSettings } from './FirmSettings';
import { Group } from './Group';

const ROWS: readonly (readonly SettingName[])[] = [
  ['submergence', 'inlet', 'surcharge'],
  ['reserveTime', 'reserveInflow', 'keepUpFactor', 'drainbackMargin'],
  ['minimumGap', 'minimumTether', 'tightShare', 'hoseFlow'],
];
const WATER: readonly SettingName[] = ['waterTemperature', 'frostAir', 'weepCoefficient', 'velocityMin', 'velocityMax'];

/** What the rules ask: each figure is a default with its reason in the rule that uses it, where it can be set too. */
export function SettingsGroup() {
  const condensate = useEditor((s) => s.document.duty.kind === 'condensate');
  return (
    <Group id="settings" title="What the rules ask">
      {[...ROWS, condensate ? [...WATER, 'tubeBore' as const] : WATER].map((row) => (
        <Row key={row[0]}>
          {row.map((name) => (
            <SettingField key={name} name={name} />
          ))}
        </Row>
      ))}
      <FirmSettings />
    </Group>
  );
}
