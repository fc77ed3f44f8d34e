'use client';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { getAt, setAt } from '@/core/editing';
import type { Format } from '@/core/units';
import { useEditor, useProblem, useStationSystem } from '../editor/StationProvider';
import { QuantityInput } from '../parts/QuantityInput';

/** A quantity of the document, by its path. */
export function QuantityField({
  path,
  label,
  kind,
  hint,
}: {
  path: string;
  label: string;
  kind: Format;
  hint?: string;
}) {
  const value = useEditor((s) => getAt(s.document, path));
  const edit = useEditor((s) => s.edit);
  const system = useStationSystem();
  const problem = useProblem(path);
  return (
    <QuantityInput
      label={label}
      kind={kind}
      system={system}
      name={path}
      value={typeof value === 'number' ? value : null}
      problem={problem?.message}
      hint={hint}
      onCommit={(v) => edit((d) => setAt(d, path, v))}
    />
  );
}

/** A line of words of the document, by its path. */
export function WordsField({
  path,
  label,
  hint,
  multiline = false,
}: {
  path: string;
  label: string;
  hint?: string;
  multiline?: boolean;
}) {
  const value = useEditor((s) => getAt(s.document, path)) as string;
  const edit = useEditor((s) => s.edit);
  const problem = useProblem(path);
  const [typed, setTyped] = useState<string | null>(null);
  return (
    <TextField
      label={label}
      multiline={multiline}
      value={typed ?? value}
      error={problem !== undefined}
      helperText={problem?.message ?? hint}
      onChange={(e) => setTyped(e.target.value)}
      onBlur={() => {
        if (typed !== null && typed !== value) edit((d) => setAt(d, path, typed));
        setTyped(null);
      }}
      slotProps={{ htmlInput: { name: path, autoComplete: 'off' } }}
      fullWidth
    />
  );
}

interface ChoiceProps {
  path: string;
  label: string;
  choices: readonly (readonly [value: string | number, words: string])[];
  hint?: string;
  /** What a pick does, where it does more than set the value. */
  onPick?(value: string | number): void;
}

/** One of a few values of the document, by its path. */
export function ChoiceField({ path, label, choices, hint, onPick }: ChoiceProps) {
  const value = useEditor((s) => getAt(s.document, path));
  const edit = useEditor((s) => s.edit);
  const problem = useProblem(path);
  const pick = (text: string) => {
    const [chosen] = choices.find(([v]) => String(v) === text)!;
    if (onPick) onPick(chosen);
    else edit((d) => setAt(d, path, chosen));
  };
  return (
    <TextField
      select
      label={label}
      value={String(value)}
      error={problem !== undefined}
      helperText={problem?.message ?? hint}
      onChange={(e) => pick(e.target.value)}
      fullWidth
    >
      {choices.map(([v, words]) => (
        <MenuItem key={v} value={String(v)}>
          {words}
        </MenuItem>
      ))}
    </TextField>
  );
}
