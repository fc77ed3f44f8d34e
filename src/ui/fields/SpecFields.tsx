'use client';
import type { ReactNode } from 'react';
import { getAt } from '@/core/editing';
import type { Fields, Spec } from '@/core/form';
import { useEditor } from '../editor/StationProvider';
import { Row } from '../parts/Row';
import { TickBox } from '../parts/TickBox';
import { ChoiceAt, FigureAt, FlagAt } from './fields';

interface Props {
  /** Where the fields are in the document, as `duty` or `sensors.2`. */
  at: string;
  fields: Fields;
  /** Fields that have nothing to say now. */
  hidden?: readonly string[];
  /** What a choice does, where it does more than set the value. */
  onChoice?(field: string, value: string): void;
  /** What ticking a part that need not be there does. */
  onPart?(field: string, fitted: boolean): void;
}

/** The fields of one set that a choice between sets leads to. */
function VariantFields({ path, of }: { path: string; of: Readonly<Record<string, Fields>> }) {
  const kind = useEditor((s) => getAt(s.document, `${path}.kind`)) as string;
  return <>{Object.entries(of[kind] ?? {}).map(([name, spec]) => fieldOf(`${path}.${name}`, name, spec, {}))}</>;
}

/** A part’s fields, while it is there. */
function PartFields({ path, fields }: { path: string; fields: Fields }) {
  const there = useEditor((s) => getAt(s.document, path) ?? null) !== null;
  return there ? <>{Object.entries(fields).map(([name, spec]) => fieldOf(`${path}.${name}`, name, spec, {}))}</> : null;
}

function PartTick({ path, label, onChange }: { path: string; label: string; onChange(fitted: boolean): void }) {
  const there = useEditor((s) => getAt(s.document, path) ?? null) !== null;
  return <TickBox label={label} checked={there} onChange={onChange} />;
}

function fieldOf(path: string, name: string, spec: Spec, { onChoice }: Pick<Props, 'onChoice'>): ReactNode {
  const { label, hint } = spec;
  const picked = onChoice && ((value: string | number) => onChoice(name, String(value)));
  switch (spec.kind) {
    case 'figure':
      return <FigureAt key={path} path={path} label={label} hint={hint} format={spec.format} />;
    case 'choice':
      return <ChoiceAt key={path} path={path} label={label} hint={hint} choices={spec.choices} onPick={picked} />;
    case 'variants':
      return [
        <ChoiceAt
          key={path}
          path={`${path}.kind`}
          label={label}
          hint={hint}
          choices={Object.entries(spec.words)}
          onPick={picked}
        />,
        <VariantFields key={`${path}.of`} path={path} of={spec.of} />,
      ];
    case 'part':
      return <PartFields key={path} path={path} fields={spec.fields} />;
    case 'flag':
      return null;
  }
}

/** The fields that a duty or a kind of sensor describes: figures and choices side by side, ticks beneath. */
export function SpecFields({ at, fields, hidden = [], onChoice, onPart }: Props) {
  const shown = Object.entries(fields).filter(([name]) => !hidden.includes(name));
  return (
    <>
      {shown.some(([, spec]) => spec.kind !== 'flag') && (
        <Row>{shown.map(([name, spec]) => fieldOf(`${at}.${name}`, name, spec, { onChoice }))}</Row>
      )}
      {shown.map(([name, spec]) =>
        spec.kind === 'flag' ? (
          <FlagAt key={name} path={`${at}.${name}`} label={spec.label} />
        ) : spec.kind === 'part' ? (
          <PartTick
            key={name}
            path={`${at}.${name}`}
            label={spec.label}
            onChange={(fitted) => onPart?.(name, fitted)}
          />
        ) : null,
      )}
    </>
  );
}
