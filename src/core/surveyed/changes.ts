import { kindOf, ROLE } from '../sensors';
import { SETTINGS, type Setting } from '../settings';
import { fieldAt, type FigurePath, type Station } from '../station';
import { phrase, quantity, type Format, type Phrase } from '../units';
import { isPartList } from './figures';
import { figureName } from './names';

/** One thing in which a station is otherwise than it was. */
export interface DocumentChange {
  /** Dotted, as in the later document, or in the earlier one where the later has it no more. */
  readonly path: string;
  /** What it is, and from what to what. */
  readonly sentence: Phrase;
}

/** How a field is called and written, as far as that is known. */
interface Known {
  readonly label: string;
  readonly format?: Format;
  readonly choices?: readonly (readonly [string | number, string])[];
}

const isObject = (v: unknown): v is Readonly<Record<string, unknown>> =>
  typeof v === 'object' && v !== null && !Array.isArray(v);

/** What a document says of itself, and how its figures were come by, is no change of the station. */
const BESIDE = new Set(['format', 'version', 'surveyed']);

const GROUPS: Readonly<Record<string, string>> = {
  landings: 'how cores and links are landed',
  interlocks: 'what high water stops',
  obstacles: 'posts, pipes and ladders in the way',
};

function known(station: Station, path: string): Known {
  const [top = '', name = '', field = '', part] = path.split('.');
  if (top in GROUPS) return { label: GROUPS[top]! };
  if (top === 'settings') return (SETTINGS as Readonly<Record<string, Setting>>)[name] ?? { label: path };
  if (top === 'sensors' && station.sensors[Number(name)]) {
    const sensor = station.sensors[Number(name)]!;
    const spec = kindOf(sensor).fields[field];
    const own = spec?.kind === 'part' && part !== undefined ? spec.fields[part] : spec;
    if (own) return { ...own, label: `${ROLE[sensor.role].word} ${kindOf(sensor).noun}: ${own.label}` };
  }
  const at = fieldAt(path as FigurePath) as Known | undefined;
  if (!at) return { label: path };
  return { ...at, label: figureName(station, path) };
}

function worded(value: unknown, { format, choices }: Known): Phrase {
  if (value === null || value === undefined) return phrase`none`;
  if (typeof value === 'boolean') return value ? phrase`yes` : phrase`no`;
  const chosen = choices?.find(([v]) => v === value);
  if (chosen) return phrase`${chosen[1]}`;
  if (typeof value === 'number') return format ? phrase`${quantity(format, value)}` : phrase`${String(value)}`;
  return typeof value === 'string' ? phrase`“${value}”` : phrase`another`;
}

/** Two values at one place; what has parts is told part by part. */
function* between(station: Station, path: string, a: unknown, b: unknown): Generator<DocumentChange> {
  if (Object.is(a, b) || BESIDE.has(path)) return;
  const list = Array.isArray(a) || Array.isArray(b);
  if ((isObject(a) && isObject(b)) || (list && isPartList(path))) {
    const [from, to] = [a, b] as Record<string, unknown>[];
    if (!(path in GROUPS)) {
      for (const key of new Set([...Object.keys(from!), ...Object.keys(to!)]))
        yield* between(station, path ? `${path}.${key}` : key, from![key], to![key]);
      return;
    }
  }
  if (JSON.stringify(a) === JSON.stringify(b)) return;
  const field = known(station, path);
  // A list, or a part that is another one altogether, is told as changed: from what to what is for the eye.
  const whole = list || isObject(a) || isObject(b);
  yield {
    path,
    sentence: whole
      ? phrase`${field.label}: changed`
      : phrase`${field.label}: ${worded(a, field)} → ${worded(b, field)}`,
  };
}

/** Sensors are known by what they are called, wherever they stand in the list. */
function* ofSensors(before: Station, after: Station): Generator<DocumentChange> {
  for (const [i, now] of after.sensors.entries()) {
    const was = before.sensors.find((s) => s.id === now.id);
    const path = `sensors.${i}`;
    if (was && was.kind === now.kind) yield* between(after, path, was, now);
    else
      yield {
        path,
        sentence: was
          ? phrase`${ROLE[now.role].word}: a ${kindOf(was).noun} → a ${kindOf(now).noun}`
          : phrase`${ROLE[now.role].word} ${kindOf(now).noun}: fitted`,
      };
  }
  for (const [i, was] of before.sensors.entries())
    if (!after.sensors.some((s) => s.id === was.id))
      yield { path: `sensors.${i}`, sentence: phrase`${ROLE[was.role].word} ${kindOf(was).noun}: taken out` };
}

/** In what a station is otherwise than it was, in the trade's words, in the order of the document; none where nothing of it changed. */
export const changesBetween = (before: Station, after: Station): DocumentChange[] =>
  Object.keys(after).flatMap((key) => [
    ...(key === 'sensors'
      ? ofSensors(before, after)
      : between(after, key, before[key as keyof Station], after[key as keyof Station])),
  ]);
