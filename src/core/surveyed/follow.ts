import type { Station } from '../station';
import type { Sensor } from '../sensors';
import { isPartList, surveyFigures, takenOf } from './figures';
import { standingOf, withStandings, type Standing } from './standing';

/*
 * What an edit does to how figures stand, by looking at the document before and after it: a figure that was given another value was typed; one
 * that came with a part, another shape or another profile is assumed. So no edit has to say it of itself.
 */

const isObject = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

const same = (a: unknown, b: unknown): boolean => a === b || JSON.stringify(a) === JSON.stringify(b);

/** Where an item of a list of parts was before: the same one, or the one with its name, or, where none was added or taken out, the one in its place; −1: nowhere. */
function placeBefore(before: readonly unknown[], after: readonly unknown[], index: number): number {
  const item = after[index];
  const known = before.indexOf(item);
  if (known >= 0) return known;
  if (isObject(item) && typeof item.id === 'string') return before.findIndex((b) => isObject(b) && b.id === item.id);
  return before.length === after.length ? index : -1;
}

/** The step that leads to the same thing in the document before; null where it was not there. @param here the path so far, after */
function stepBefore(old: unknown, now: unknown, here: string, step: string): string | null {
  if (Array.isArray(old) && Array.isArray(now) && isPartList(here)) {
    const place = placeBefore(old, now, Number(step));
    return place < 0 ? null : String(place);
  }
  return isObject(old) && Object.hasOwn(old, step) ? step : null;
}

interface Was {
  /** Where it was before; null: nowhere. */
  readonly path: string | null;
  readonly before: unknown;
  readonly after: unknown;
  /** It came with something else: another kind of thing, another profile. */
  readonly came: boolean;
}

/** Follows a path from both documents down to the figure at its end. */
function whatItWas(before: Station, after: Station, path: string): Was {
  let [old, now]: [unknown, unknown] = [before, after];
  const steps = path.split('.');
  const was: string[] = [];
  let came = before.profile !== after.profile;
  for (const [i, step] of steps.entries()) {
    if (isObject(old) && isObject(now) && old.kind !== now.kind) came = true;
    const key = stepBefore(old, now, steps.slice(0, i).join('.'), step);
    if (key === null) return { path: null, before: undefined, after: getStep(now, step), came };
    was.push(key);
    old = getStep(old, key);
    now = getStep(now, step);
  }
  return { path: was.join('.'), before: old, after: now, came };
}

const getStep = (node: unknown, step: string): unknown => (node as Readonly<Record<string, unknown>>)[step];

function standingAfter(before: Station, { path, before: old, after: now, came }: Was): Standing {
  if (path === null) return 'assumed';
  if (same(old, now)) return standingOf(before, path);
  if (came) return 'assumed';
  // A field that was empty and has a number was typed; a table that comes into being comes with figures to be typed over.
  return old === null && Array.isArray(now) ? 'assumed' : 'confirmed';
}

/** The parts of a document that hold figures taken on site. */
const HOLDS = [
  'vessel',
  'inflow',
  'pumps',
  'discharge',
  'sensors',
  'cordRun',
  'obstacles',
  'pole',
  'supply',
  'wiring',
] as const;

/** A sensor that was set elsewhere and is else as it was: so it is many times a second while it is dragged. */
function setOnly(before: Sensor | undefined, after: Sensor): boolean {
  if (before === after) return true;
  if (!before || before.id !== after.id || before.kind !== after.kind) return false;
  const taken = takenOf(after);
  const [old, now]: Readonly<Record<string, unknown>>[] = [{ ...before }, { ...after }];
  return Object.keys(now!).every((field) => old![field] === now![field] || !taken(field));
}

/** Nothing that is taken on site is other than before. */
const asBefore = (before: Station, after: Station): boolean =>
  HOLDS.every((part) =>
    part === 'sensors'
      ? before.sensors.length === after.sensors.length && after.sensors.every((s, i) => setOnly(before.sensors[i], s))
      : before[part] === after[part],
  );

/**
 * The document after an edit, with how its figures stand. An edit that says so itself is believed.
 * @example
 * const s = exampleStation('Sump', 'Yard', 'metric-230', 'empty');
 * standingOf(followSurvey(s, setAt(s, 'pumps.0.intake', 0.06)), 'pumps.0.intake') // → 'confirmed'
 */
export function followSurvey(before: Station, after: Station): Station {
  if (after.surveyed !== before.surveyed || asBefore(before, after)) return after;
  const standings = new Map(
    surveyFigures(after).map(({ path }) => [path, standingAfter(before, whatItWas(before, after, path))]),
  );
  const changed = withStandings(after, (path) => standings.get(path)!);
  return same(changed.surveyed, after.surveyed) ? after : changed;
}
