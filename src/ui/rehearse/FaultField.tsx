'use client';
import type { Rehearsable } from '@/core/rehearsal';
import { Pick } from '../parts/Pick';

interface Props {
  faults: Rehearsable['faults'];
  value: Rehearsable['faults'][number] | null;
  onChange(id: string): void;
  label: string;
}

/** The choice of a fault: by its part, with every kind that this station can have. */
export function FaultField({ faults, value, onChange, label }: Props) {
  const byId = new Map(faults.map((f) => [f.id, f]));
  return (
    <Pick
      label={label}
      value={value?.id ?? ''}
      empty={value ? undefined : 'choose…'}
      choices={faults.map((f) => [f.id, f.label] as const)}
      groupOf={(id) => byId.get(id)!.group}
      onPick={onChange}
      sx={{ width: 270 }}
    />
  );
}
