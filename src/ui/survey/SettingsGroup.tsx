'use client';
import { Fragment } from 'react';
import type { Station } from '@/core/station';
import { useEditor } from '../editor/StationProvider';
import { QuantityField } from './fields';
import { Group, Row } from './Group';
import { settingField } from './settingFields';

type Setting = keyof Station['settings'];

const ROWS: readonly (readonly Setting[])[] = [
  ['submergence', 'inlet', 'surcharge'],
  ['reserveTime', 'reserveInflow', 'keepUpFactor', 'drainbackMargin'],
  ['minimumGap', 'minimumTether', 'tightShare'],
];

/** What the rules ask: each figure is a default with its reason in the rule that uses it, where it can be set too. */
export function SettingsGroup() {
  const kind = useEditor((s) => s.document.duty.kind);
  return (
    <Group id="settings" title="What the rules ask">
      {ROWS.map((row) => (
        <Row key={row[0]}>
          {row.map((setting) => (
            <Fragment key={setting}>{settingField(setting)}</Fragment>
          ))}
          {row[0] === 'minimumGap' && <QuantityField path="settings.hoseFlow" label="test hose" kind="flow" />}
        </Row>
      ))}
      <Row>
        <QuantityField path="settings.waterTemperature" label="water" kind="temperature" />
        <QuantityField path="settings.frostAir" label="lasting frost" kind="temperature" />
        <QuantityField path="settings.weepCoefficient" label="weep-hole Cd" kind="factor" />
        <QuantityField path="settings.velocityMin" label="least velocity" kind="velocity" />
        <QuantityField path="settings.velocityMax" label="greatest velocity" kind="velocity" />
        {kind === 'condensate' && settingField('tubeBore')}
      </Row>
    </Group>
  );
}
