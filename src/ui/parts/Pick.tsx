'use client';
import FormControl from '@mui/material/FormControl';
import FormHelperText from '@mui/material/FormHelperText';
import InputLabel from '@mui/material/InputLabel';
import NativeSelect from '@mui/material/NativeSelect';
import OutlinedInput from '@mui/material/OutlinedInput';
import type { SxProps, Theme } from '@mui/material/styles';
import { useId } from 'react';

interface Props<V extends string | number> {
  label: string;
  value: V | '';
  choices: readonly (readonly [value: V, words: string])[];
  /** Under which heading a choice stands; choices of one heading follow one another. */
  groupOf?(value: V): string;
  onPick(value: V): void;
  /** Stands there while nothing is picked; a list with it can stand empty. */
  empty?: string;
  problem?: string;
  help?: string;
  disabled?: boolean;
  sx?: SxProps<Theme>;
}

const Options = <V extends string | number>({ of }: { of: Props<V>['choices'] }) => (
  <>
    {of.map(([v, words]) => (
      <option key={v} value={String(v)}>
        {words}
      </option>
    ))}
  </>
);

/** One of a few, by the browser’s own list: quick to open, and made for fingers on a phone. */
export function Pick<V extends string | number>(props: Props<V>) {
  const { label, value, choices, onPick, groupOf, empty, problem, help, disabled, sx } = props;
  const id = useId();
  const beneath = problem ?? help;
  const pick = (text: string) => {
    const chosen = choices.find(([v]) => String(v) === text);
    if (chosen) onPick(chosen[0]);
  };
  return (
    <FormControl size="small" error={problem !== undefined} disabled={disabled} fullWidth sx={sx}>
      <InputLabel htmlFor={id}>{label}</InputLabel>
      <NativeSelect
        input={<OutlinedInput label={label} />}
        inputProps={{ id, 'aria-describedby': beneath ? `${id}-help` : undefined }}
        value={String(value)}
        onChange={(e) => pick(e.target.value)}
      >
        {empty !== undefined && <option value="">{empty}</option>}
        {groupOf ? (
          [...new Set(choices.map(([v]) => groupOf(v)))].map((group) => (
            <optgroup key={group} label={group}>
              <Options of={choices.filter(([v]) => groupOf(v) === group)} />
            </optgroup>
          ))
        ) : (
          <Options of={choices} />
        )}
      </NativeSelect>
      {beneath && <FormHelperText id={`${id}-help`}>{beneath}</FormHelperText>}
    </FormControl>
  );
}
