'use client';
import { useEditor } from '../editor/StationProvider';
import { ChoiceField, QuantityField } from './fields';
import { Group, Row } from './Group';

/** What the rules ask: each figure is a default with its reason in the rule that uses it. */
export function SettingsGroup() {
  const kind = useEditor((s) => s.document.duty.kind);
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
        <QuantityField path="settings.frostAir" label="lasting frost" kind="temperature" />
        <QuantityField path="settings.weepCoefficient" label="weep-hole Cd" kind="factor" />
        <QuantityField path="settings.velocityMin" label="least velocity" kind="velocity" />
        <QuantityField path="settings.velocityMax" label="greatest velocity" kind="velocity" />
        {kind === 'condensate' && <QuantityField path="settings.tubeBore" label="least tube bore" kind="bore" />}
      </Row>
    </Group>
  );
}
