'use client';
import { getAt, setAt } from '@/core/editing';
import {
  fieldAt,
  type ChoicePath,
  type DocumentPath,
  type FigurePath,
  type FlagPath,
  type WordsPath,
} from '@/core/station';
import { figureOf, standingOf, withConfirmed } from '@/core/surveyed';
import { withoutType } from '@/core/papers';
import type { Format } from '@/core/units';
import { useEditor, useProblem, useStationSystem } from '../editor/StationProvider';
import { useEntering } from '../parts/entering';
import { Pick } from '../parts/Pick';
import { QuantityInput } from '../parts/QuantityInput';
import { TextBox } from '../parts/TextBox';
import { TickBox } from '../parts/TickBox';

/** How a field is called here: as the document says, with its number in a list, or otherwise where its place asks for it. */
interface Called {
  n?: number;
  label?: string;
  hint?: string;
}

const called = (field: { label: string; hint?: string }, { n, label, hint }: Called) => ({
  label: `${label ?? field.label}${n === undefined ? '' : ` ${n}`}`,
  hint: hint ?? field.hint,
});

/** What stands in the field of a path and is not in the document yet: part of what is kept, whatever view is shown. */
export function useTyped(path: string): { typed: string | null; onTyped(text: string | null): void } {
  const typed = useEditor((s) => s.typed[path] ?? null);
  const setTyped = useEditor((s) => s.setTyped);
  return { typed, onTyped: (text) => setTyped(path, text) };
}

/** A number of the document that is called as given: for fields that a duty or a kind of sensor describes. */
export function FigureAt({
  path,
  label,
  hint,
  format,
  nullable = false,
}: {
  path: string;
  label: string;
  hint?: string;
  format: Format;
  /** Left empty it is not said: null. */
  nullable?: boolean;
}) {
  const value = useEditor((s) => getAt(s.document, path));
  const edit = useEditor((s) => s.edit);
  const system = useStationSystem();
  const problem = useProblem(path);
  const figure = useEditor((s) => figureOf(s.document, path));
  const assumed = useEditor((s) => figure !== null && standingOf(s.document, figure) === 'assumed');
  const typing = useTyped(path);
  return (
    <QuantityInput
      {...typing}
      label={label}
      format={format}
      system={system}
      name={path}
      value={typeof value === 'number' ? value : null}
      problem={problem?.message}
      hint={assumed && figure === path ? ['assumed', hint].filter(Boolean).join('; ') : hint}
      assumed={assumed}
      onConfirm={assumed ? () => edit((d) => withConfirmed(d, (p) => p === figure)) : undefined}
      onCommit={(v) => edit((d) => setAt(d, path as DocumentPath, v))}
      onClear={nullable ? () => edit((d) => setAt(d, path as DocumentPath, null)) : undefined}
    />
  );
}

/** One of a few values of the document. `onPick`: what a pick does, where it does more than set the value. */
export function ChoiceAt({
  path,
  label,
  hint,
  choices,
  onPick,
}: {
  path: string;
  label: string;
  hint?: string;
  choices: readonly (readonly [value: string | number, words: string])[];
  onPick?(value: string | number): void;
}) {
  const value = useEditor((s) => getAt(s.document, path));
  const edit = useEditor((s) => s.edit);
  const problem = useProblem(path);
  return (
    <Pick
      label={label}
      value={value as string | number}
      choices={choices}
      problem={problem?.message}
      help={hint}
      onPick={(chosen) => (onPick ? onPick(chosen) : edit((d) => setAt(d, path as DocumentPath, chosen)))}
    />
  );
}

export function FlagAt({ path, label }: { path: string; label: string }) {
  const value = useEditor((s) => getAt(s.document, path)) === true;
  const edit = useEditor((s) => s.edit);
  return <TickBox label={label} checked={value} onChange={(c) => edit((d) => setAt(d, path as DocumentPath, c))} />;
}

/** A quantity of the document, by its path. */
export function QuantityField({ path, nullable, ...as }: { path: FigurePath; nullable?: boolean } & Called) {
  const field = fieldAt(path);
  return <FigureAt path={path} format={field.format} nullable={nullable} {...called(field, as)} />;
}

/** One of a few values of the document, by its path. */
export function ChoiceField({
  path,
  onPick,
  ...as
}: { path: ChoicePath; onPick?(value: string | number): void } & Called) {
  const field = fieldAt(path);
  return <ChoiceAt path={path} choices={field.choices} onPick={onPick} {...called(field, as)} />;
}

/** A yes or no of the document, by its path. */
export function TickField({ path, ...as }: { path: FlagPath } & Called) {
  return <FlagAt path={path} label={called(fieldAt(path), as).label} />;
}

/** A field of the document by its path, whatever is typed in it. */
export function Field({ path }: { path: FigurePath | ChoicePath | FlagPath }) {
  switch (fieldAt(path).kind) {
    case 'figure':
      return <QuantityField path={path as FigurePath} />;
    case 'choice':
      return <ChoiceField path={path as ChoicePath} />;
    case 'flag':
      return <TickField path={path as FlagPath} />;
  }
}

/** Letters that the papers have no type for, said where they are typed; null where there are none. */
function typeless(words: string): string | null {
  const letters = withoutType(words);
  return letters.length === 0
    ? null
    : `the door card’s PDF has no type for ${letters.slice(0, 6).join(' ')}: print the card from the screen, which shows them`;
}

/** A line of words of the document, by its path. */
export function WordsField({ path, multiline = false, ...as }: { path: WordsPath; multiline?: boolean } & Called) {
  const value = useEditor((s) => getAt(s.document, path)) as string;
  const edit = useEditor((s) => s.edit);
  const problem = useProblem(path);
  const { typed, onTyped } = useTyped(path);
  const { label, hint } = called(fieldAt(path), as);
  const enter = () => {
    if (typed !== null && typed !== value) edit((d) => setAt(d, path, typed));
    onTyped(null);
  };
  useEntering(typed === null ? null : enter);
  return (
    <TextBox
      label={label}
      name={path}
      autoComplete="off"
      multiline={multiline}
      value={typed ?? value}
      problem={problem?.message}
      help={
        path.startsWith('identity.') ? [hint, typeless(typed ?? value)].filter(Boolean).join('; ') || undefined : hint
      }
      onChange={(e) => onTyped(e.target.value)}
      onBlur={enter}
    />
  );
}
