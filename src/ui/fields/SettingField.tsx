'use client';
import { SETTINGS, type SettingName } from '@/core/settings';
import { ChoiceAt, FigureAt } from './fields';

/** A setting: in Survey they stand together, in Levels each with the rule that asks by it. */
export function SettingField({ name }: { name: SettingName }) {
  const setting = SETTINGS[name];
  const { label, hint } = setting as { label: string; hint?: string };
  const path = `settings.${name}`;
  return setting.kind === 'choice' ? (
    <ChoiceAt path={path} label={label} hint={hint} choices={setting.choices} />
  ) : (
    <FigureAt path={path} label={label} hint={hint} format={setting.format} />
  );
}
