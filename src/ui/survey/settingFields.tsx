'use client';
import type { ReactElement } from 'react';
import type { Station } from '@/core/station';
import { ChoiceField, QuantityField } from './fields';

type Setting = keyof Station['settings'];

/** One field for every setting that a rule asks: in Survey they stand together, in Levels each with the rule that uses it. */
const FIELDS: Readonly<Partial<Record<Setting, ReactElement>>> = {
  submergence: (
    <ChoiceField
      path="settings.submergence"
      label="at stop the water covers"
      choices={[
        ['motor', 'the motor'],
        ['volute', 'the volute'],
      ]}
      hint="motor: cooling; volute: no air"
    />
  ),
  inlet: (
    <ChoiceField
      path="settings.inlet"
      label="the bell rings"
      choices={[
        ['free', 'below the inlet'],
        ['storage', 'pipe is storage'],
      ]}
    />
  ),
  surcharge: <QuantityField path="settings.surcharge" label="surcharge as storage" kind="height" />,
  reserveTime: (
    <QuantityField path="settings.reserveTime" label="response time" kind="duration" hint="bell to overflow" />
  ),
  reserveInflow: (
    <ChoiceField
      path="settings.reserveInflow"
      label="promised at"
      choices={[
        ['low', 'low inflow'],
        ['design', 'design inflow'],
        ['peak', 'peak inflow'],
      ]}
    />
  ),
  keepUpFactor: <QuantityField path="settings.keepUpFactor" label="pump over peak" kind="factor" />,
  drainbackMargin: <QuantityField path="settings.drainbackMargin" label="drainback margin" kind="share" />,
  minimumGap: <QuantityField path="settings.minimumGap" label="least gap of trips" kind="height" />,
  minimumTether: <QuantityField path="settings.minimumTether" label="least tether" kind="height" />,
  swingClearance: (
    <QuantityField path="settings.swingClearance" label="room to keep" kind="height" hint="round a float's swing" />
  ),
  sideSwingDeg: (
    <QuantityField path="settings.sideSwingDeg" label="swings aside by" kind="angle" hint="in moving water" />
  ),
  doseMultiple: (
    <QuantityField path="settings.doseMultiple" label="dose over laterals" kind="factor" hint="times what they hold" />
  ),
  lateralSpread: <QuantityField path="settings.lateralSpread" label="first over last" kind="share" hint="let pass" />,
  tubeBore: <QuantityField path="settings.tubeBore" label="least tube bore" kind="bore" />,
  tightShare: <QuantityField path="settings.tightShare" label="tight below" kind="share" hint="of the need" />,
};

/** What each rule can be told to ask, by its id; a maker's limit is told with the pump. */
const OF_RULE: Readonly<Record<string, readonly Setting[]>> = {
  submergence: ['submergence'],
  'dry-run': ['submergence'],
  gap: ['minimumGap'],
  drainback: ['drainbackMargin'],
  'keep-up': ['keepUpFactor'],
  inlet: ['inlet', 'surcharge'],
  reserve: ['reserveTime', 'reserveInflow'],
  reach: ['minimumTether'],
  swing: ['swingClearance', 'sideSwingDeg'],
  dose: ['doseMultiple'],
  squirt: ['lateralSpread'],
  'tube-bore': ['tubeBore'],
};

export const settingField = (setting: Setting): ReactElement | null => FIELDS[setting] ?? null;

/** The fields of the settings that a rule uses. */
export const settingsOfRule = (id: string): readonly { readonly setting: Setting; readonly field: ReactElement }[] =>
  (OF_RULE[id] ?? []).flatMap((setting) => {
    const field = FIELDS[setting];
    return field ? [{ setting, field }] : [];
  });
