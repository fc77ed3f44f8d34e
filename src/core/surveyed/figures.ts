import { kindOf, type Sensor } from '../sensors';
import type { Station } from '../station';

/*
 * Which figures of a station are taken on site: what is measured there, read off a plate or told by its owner. Heights at which floats are
 * set, schools and choices are decided, and are none of them. A table or a list is one figure: nobody confirms a curve point by point.
 */

/** The groups of the survey in which figures are taken. */
export const SURVEY_GROUPS = ['vessel', 'inflow', 'pump', 'discharge', 'floats', 'plan', 'supply'] as const;
export type SurveyGroup = (typeof SURVEY_GROUPS)[number];

export interface SurveyFigure {
  /** Dotted, as in `pumps.0.intake`. */
  readonly path: string;
  readonly group: SurveyGroup;
}

/** Lists whose items are parts of their own; every other list is one figure. */
const PARTS = /^(pumps|sensors|discharge\.segments|pumps\.\d+\.riser)$/;

export const isPartList = (path: string): boolean => PARTS.test(path);

/** Figures by where they are; the first that fits. What fits none is decided, not surveyed. */
const GROUPS: readonly (readonly [RegExp, SurveyGroup])[] = [
  [/^(obstacles$|pole\.|pumps\.\d+\.(diameter|bearing|offset|riserBearing|riserOffset)$)/, 'plan'],
  [/^vessel\./, 'vessel'],
  [/^inflow\./, 'inflow'],
  [/^pumps\./, 'pump'],
  [/^discharge\./, 'discharge'],
  [/^(cordRun$|sensors\.)/, 'floats'],
  [
    /^(supply\.(voltage|breaker|feederBreaker|breakerTrips|loop)|wiring\.(feeder|motor|field)\.(length|area))$/,
    'supply',
  ],
];

/** A class of relay is chosen. */
const CHOSEN = /\.overloadClass$/;

const groupOf = (path: string): SurveyGroup | null =>
  CHOSEN.test(path) ? null : (GROUPS.find(([at]) => at.test(path))?.[1] ?? null);

/** What a sensor is, apart from where it is set: the fields of its kind that no tape sets, its cord and its contact. */
export function takenOf(sensor: Sensor): (field: string) => boolean {
  const kind = kindOf(sensor);
  const set = new Set(kind.measures(sensor).map((m) => m.field));
  const own = new Set([...Object.keys(kind.fields), 'cordLength', 'contactRating']);
  return (field) => own.has(field) && !set.has(field);
}

const isObject = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null;

function* walk(node: unknown, path: string): Generator<string> {
  if (typeof node === 'number') yield path;
  else if (Array.isArray(node)) {
    if (isPartList(path)) for (const [i, item] of node.entries()) yield* walk(item, `${path}.${i}`);
    else if (node.length > 0) yield path;
  } else if (isObject(node)) for (const [key, value] of Object.entries(node)) yield* walk(value, `${path}.${key}`);
}

/** Every figure of a station that is taken on site, in the order of the document. */
export function surveyFigures(station: Station): SurveyFigure[] {
  const { vessel, inflow, pumps, discharge, sensors, obstacles, pole, supply, wiring, cordRun } = station;
  const roots = { vessel, inflow, pumps, discharge, sensors, cordRun, obstacles, pole, supply, wiring };
  const taken = sensors.map(takenOf);
  return Object.entries(roots).flatMap(([root, node]) =>
    [...walk(node, root)].flatMap((path): SurveyFigure[] => {
      const group = groupOf(path);
      if (group === null) return [];
      const [, index, field] = path.split('.');
      return root === 'sensors' && !taken[Number(index)]!(field!) ? [] : [{ path, group }];
    }),
  );
}

/** The figure taken on site that a field belongs to: its own path, or that of the table it is in; null where the field is none. */
export function figureOf(station: Station, path: string): string | null {
  const steps = path.split('.');
  let node: unknown = station;
  for (const [i, step] of steps.entries()) {
    const here = steps.slice(0, i).join('.');
    if (Array.isArray(node) && !isPartList(here)) return groupOf(here) === null ? null : here;
    node = isObject(node) ? node[step] : undefined;
  }
  if (groupOf(path) === null) return null;
  if (steps[0] !== 'sensors') return path;
  const sensor = station.sensors[Number(steps[1])];
  return sensor && takenOf(sensor)(steps[2]!) ? path : null;
}
