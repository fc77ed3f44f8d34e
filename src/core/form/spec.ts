import type { Format, Profile } from '../units';

/*
 * What a field of the document is: its name on the screen, what it must be, what it begins as. The validator, starting stations, the
 * upgrade of older documents and the fields on the screen are made from it. Nothing here needs a validator.
 */

interface Shown {
  readonly label: string;
  readonly hint?: string;
  /** What it is, for other programs that read the document. */
  readonly about?: string;
}

type Start<V> = Readonly<Record<Profile, V>>;

/** A number. */
export interface Figure extends Shown {
  readonly kind: 'figure';
  readonly format: Format;
  /** SI. */
  readonly start: Start<number>;
  /** Its least value, whether it may be just that, and what to say below it. */
  readonly least: { readonly at: number; readonly touch: boolean; readonly message: string };
  /** Its greatest, and what to say above it. */
  readonly most: { readonly at: number; readonly message: string };
}

/** One of a few words. */
export interface Choice<V extends string = string> extends Shown {
  readonly kind: 'choice';
  readonly choices: readonly (readonly [value: V, words: string])[];
  readonly start: Start<V>;
}

/** Yes or no. */
export interface Flag extends Shown {
  readonly kind: 'flag';
  readonly start: Start<boolean>;
}

/** Fields that are there together or not at all; null where they are not. */
export interface OptionalPart<F extends Fields = Fields> extends Shown {
  readonly kind: 'part';
  readonly fields: F;
}

/** One of a few sets of fields, told apart by their `kind`. */
export interface Variants<V extends Readonly<Record<string, Fields>> = Readonly<Record<string, Fields>>> extends Shown {
  readonly kind: 'variants';
  readonly words: Readonly<Record<keyof V & string, string>>;
  readonly of: V;
  readonly start: keyof V & string;
}

export type Spec = Figure | Choice | Flag | OptionalPart | Variants;
/** Fields by their name in the document. An interface, so that it may hold itself. */
export interface Fields {
  readonly [name: string]: Spec;
}

/** What a document holds of one field. */
export type ValueOf<S> = S extends Figure
  ? number
  : S extends Choice<infer V>
    ? V
    : S extends Flag
      ? boolean
      : S extends OptionalPart<infer F>
        ? ValuesOf<F> | null
        : S extends Variants<infer V>
          ? { [K in keyof V & string]: { kind: K } & ValuesOf<V[K]> }[keyof V & string]
          : never;

/** What a document holds of some fields. */
export type ValuesOf<F> = { -readonly [K in keyof F]: ValueOf<F[K]> };

type More = Omit<Shown, 'label'>;
type Both<V> = V | readonly [metric: V, us: V];

const BEYOND = 'is beyond anything this tool is for';

function both<V>(start: Both<V>): Start<V> {
  const [metric, us] = Array.isArray(start) ? (start as [V, V]) : [start as V, start as V];
  return { 'metric-230': metric, 'us-120': us };
}

const figure = (
  label: string,
  format: Format,
  start: Both<number>,
  least: Figure['least'],
  most: Figure['most'],
  more: More = {},
): Figure => ({ kind: 'figure', label, format, start: both(start), least, most, ...more });

/** A number above zero. @param what how messages name it, as `the least gap`; @param most past it they call it beyond this tool */
export const positive = (
  label: string,
  format: Format,
  start: Both<number>,
  what: string,
  most: number,
  more?: More,
): Figure =>
  figure(
    label,
    format,
    start,
    { at: 0, touch: false, message: `${what} must be more than zero` },
    { at: most, message: `${what} ${BEYOND}` },
    more,
  );

export const atLeastZero = (
  label: string,
  format: Format,
  start: Both<number>,
  what: string,
  most: number,
  more?: More,
): Figure =>
  figure(
    label,
    format,
    start,
    { at: 0, touch: true, message: `${what} cannot be negative` },
    { at: most, message: `${what} ${BEYOND}` },
    more,
  );

/** A height above the floor of the vessel. */
export const height = (label: string, start: Both<number>, what: string, more?: More): Figure =>
  atLeastZero(label, 'height', start, what, 30, more);

/** A number between two ends with words of their own beyond each. @param touch whether it may be the lower end itself */
export const between = (
  label: string,
  format: Format,
  start: Both<number>,
  least: readonly [at: number, message: string, touch?: false],
  most: readonly [at: number, message: string],
  more?: More,
): Figure =>
  figure(
    label,
    format,
    start,
    { at: least[0], touch: least[2] ?? true, message: least[1] },
    { at: most[0], message: most[1] },
    more,
  );

export const choice = <const V extends string>(
  label: string,
  choices: readonly (readonly [V, string])[],
  start: NoInfer<V>,
  more: More = {},
): Choice<V> => ({ kind: 'choice', label, choices, start: both<V>(start), ...more });

export const flag = (label: string, start: boolean, more: More = {}): Flag => ({
  kind: 'flag',
  label,
  start: both(start),
  ...more,
});

export const part = <const F extends Fields>(label: string, fields: F, more: More = {}): OptionalPart<F> => ({
  kind: 'part',
  label,
  fields,
  ...more,
});

export const variants = <const V extends Readonly<Record<string, Fields>>>(
  label: string,
  of: V,
  words: Readonly<Record<keyof V & string, string>>,
  start: keyof V & string,
  more: More = {},
): Variants<V> => ({ kind: 'variants', label, of, words, start, ...more });

function startOf(spec: Spec, profile: Profile): unknown {
  switch (spec.kind) {
    case 'part':
      return null;
    case 'variants':
      return { kind: spec.start, ...startsOf(spec.of[spec.start]!, profile) };
    default:
      return spec.start[profile];
  }
}

/** What fields begin as where the profile is at home; parts that need not be there are not. */
export const startsOf = <F extends Fields>(fields: F, profile: Profile): ValuesOf<F> =>
  Object.fromEntries(Object.entries(fields).map(([name, spec]) => [name, startOf(spec, profile)])) as ValuesOf<F>;
