import * as z from 'zod';
import { checkStation, type Problem, type Station } from '../station';
import { METER_MODES } from '../circuit';
import { SETTINGS } from '../tests';
import { DRILL_LEVELS, type LevelName } from './level';

export const DRILL_VERSION = 2;

const levelSchema = z.enum(Object.keys(DRILL_LEVELS) as [LevelName, ...LevelName[]], 'must be a level of the drill');
const point = z.string().min(1).max(80);

/** What a learner does at the bench. */
const actSchema = z.discriminatedUnion(
  'do',
  [
    z.strictObject({ do: z.literal('look'), round: z.enum(['round', 'cycles']) }),
    z.strictObject({ do: z.literal('isolate') }),
    z.strictObject({ do: z.literal('prove dead') }),
    z.strictObject({ do: z.literal('give back') }),
    z.strictObject({ do: z.literal('water'), to: z.enum(SETTINGS).exclude(['dead']) }),
    z.strictObject({ do: z.literal('test'), id: z.string().min(1).max(200) }),
    z.strictObject({
      do: z.literal('meter'),
      a: point,
      b: point,
      mode: z.enum(METER_MODES, 'must be a mode of the meter'),
    }),
    z.strictObject({ do: z.literal('clamp'), core: point }),
    z.strictObject({ do: z.literal('put'), device: point, to: point }),
    z.strictObject({ do: z.literal('let go'), device: point }),
    z.strictObject({ do: z.literal('press'), device: point }),
    z.strictObject({ do: z.literal('land'), core: point, to: point.nullable() }),
    z.strictObject({ do: z.literal('bridge'), a: point, b: point, fitted: z.boolean() }),
    z.strictObject({ do: z.literal('plug'), straight: z.boolean() }),
    z.strictObject({ do: z.literal('ask') }),
    z.strictObject({ do: z.literal('test air') }),
    z.strictObject({ do: z.literal('drain pipe') }),
    z.strictObject({ do: z.literal('open pipe') }),
    z.strictObject({
      do: z.literal('hose'),
      minutes: z.number().min(1, 'a minute at least').max(60, 'an hour at most'),
    }),
    z.strictObject({
      do: z.literal('wait'),
      minutes: z.number().min(1, 'a minute at least').max(600, 'ten hours at most'),
    }),
    z.strictObject({
      do: z.literal('name'),
      faults: z.array(z.string().min(1).max(200)).min(1).max(2),
      /** What one would do about each, in the words of the catalogue; `` where it was not said. */
      mends: z.array(z.string().max(400)).max(2).optional(),
    }),
  ],
  'is nothing that can be done at the bench',
);
export type DrillAct = z.infer<typeof actSchema>;

/** A drill as it is handed on: a station, how hard, and the seed by which the same is hidden on any machine; and what a learner did. */
const drillSchema = z.strictObject({
  format: z.literal('pit-bell/drill', 'this is not a Pit Bell drill'),
  version: z.literal(DRILL_VERSION, 'this version of the drill is not known here'),
  title: z.string().max(120),
  by: z.string().max(60),
  level: levelSchema,
  seed: z
    .number()
    .int('must be a whole number')
    .min(0, 'must not be negative')
    .max(2 ** 31 - 1, 'is too large'),
  /** What is hidden, where somebody chose it; null: what level and seed hide. */
  faults: z.array(z.string().min(1).max(200)).min(1).max(2, 'more than two at once').nullable(),
  /** The lesson that it is of; null: none. */
  lesson: z.string().max(60).nullable(),
  station: z.unknown(),
  acts: z.array(actSchema).max(500, 'more than 500 acts'),
});

/** A drill: what is hidden follows from its station, level and seed, or was chosen. */
export interface Drill {
  readonly title: string;
  readonly by: string;
  readonly level: LevelName;
  readonly seed: number;
  readonly faults: readonly string[] | null;
  readonly lesson: string | null;
  readonly station: Station;
  readonly acts: readonly DrillAct[];
}

/** A drill as this version writes it: in the first one nobody chose what is hidden. */
function upgraded(json: unknown): unknown {
  const first = typeof json === 'object' && json !== null && 'version' in json && json.version === 1;
  return first ? { ...json, version: DRILL_VERSION, faults: null, lesson: null } : json;
}

/** Reads a drill from a file. @returns every problem, where it is none */
export function readDrill(json: unknown): { ok: true; drill: Drill } | { ok: false; problems: readonly Problem[] } {
  const read = drillSchema.safeParse(upgraded(json));
  if (!read.success)
    return {
      ok: false,
      problems: read.error.issues.map((i) => ({ path: i.path.join('.') || 'file', message: i.message })),
    };
  const { station, format: _, version: __, ...drill } = read.data;
  const checked = checkStation(station);
  if (!checked.ok) return { ok: false, problems: checked.problems.map((p) => ({ ...p, path: `station.${p.path}` })) };
  return { ok: true, drill: { ...drill, station: checked.station } };
}

/** A drill as a file. */
export const drillFile = (drill: Drill): z.input<typeof drillSchema> => ({
  format: 'pit-bell/drill',
  version: DRILL_VERSION,
  ...drill,
  faults: drill.faults && [...drill.faults],
  acts: [...drill.acts],
});
