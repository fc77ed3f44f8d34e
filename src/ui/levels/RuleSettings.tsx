'use client';
import Box from '@mui/material/Box';
import { settingsOfRule, type RuleId } from '@/core/levels';
import { SettingField } from '../fields/SettingField';

/** The settings that a rule uses, to be set where it is read. */
export function RuleSettings({ id }: { id: RuleId }) {
  const names = settingsOfRule(id);
  if (names.length === 0) return null;
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fill, minmax(150px, 190px))', gap: 1.5, mt: 1.5 }}>
      {names.map((name) => (
        <SettingField key={name} name={name} />
      ))}
    </Box>
  );
}
