import * as z from 'zod';
import { METER_MODES } from '../circuit';
import { SETTINGS, ownId, type OwnReading, type Setting } from '../tests';
import type { Evidence } from './belief';
import { LATELY, type Lately } from './past';

const TRACE_VERSION = 1;

const text = z.string().min(1).max(200);
const found = z.union([
  z.number('must be a figure').min(-1e12).max(1e12),
  z.literal('open'),
  z.string().min(1).max(400),
  z.array(z.string().min(1).max(80)).max(60),
]);

const evidence = z.discriminatedUnion(
  'kind',
  [
    z.strictObject({
      kind: z.literal('symptom'),
      symptom: text,
      shown: z.boolean('must be true or false'),
      /** How sure, where it comes from the book and not from eyes. */
      sure: z.number().min(0).max(1).optional(),
    }),
    z.strictObject({
      kind: z.literal('reading'),
      test: text,
      observation: text,
      found,
      /** The person doubts it: it is kept, and counts for nothing. */
      doubted: z.literal(true).optional(),
    }),
    /** A reading between any two points, taken of one's own: which, in which mode, and how the station stood. */
    z.strictObject({
      kind: z.literal('probe'),
      a: text,
      b: text,
      mode: z.enum(METER_MODES, 'must be a mode of the meter'),
      setting: z.enum(SETTINGS, `must be one of ${SETTINGS.join(', ')}`),
      found,
      doubted: z.literal(true).optional(),
    }),
    /** The clamp round one core: what it showed, A, and how the station stood. */
    z.strictObject({
      kind: z.literal('clamp'),
      core: text,
      setting: z.enum(SETTINGS, `must be one of ${SETTINGS.join(', ')}`),
      found,
      doubted: z.literal(true).optional(),
    }),
  ],
  'must be a symptom, a reading, a probe or a clamp',
);

/** A trace as it is kept, handed on and read by the command line: what was told, in an open form. */
const toldSchema = z.strictObject({
  format: z.literal('pit-bell/trace', 'this is not a Pit Bell trace'),
  version: z.literal(TRACE_VERSION, 'this version of the trace is not known here'),
  /** Which station it is of: its name and place, and the revision that was looked at. */
  station: z.strictObject({
    name: z.string().max(200),
    site: z.string().max(200),
    revision: z.number().int().nullable(),
  }),
  lately: z.array(z.enum(Object.keys(LATELY) as [Lately, ...Lately[]], 'is not one of what is done lately')).max(20),
  /** How the station stands: where the water is, or everything dead; null where nobody has said. */
  setting: z.enum(SETTINGS, `must be one of ${SETTINGS.join(', ')}`).nullable(),
  evidence: z.array(evidence).max(2000, 'more than 2000 answers'),
  /** Questions that were skipped, and that cannot be asked there. */
  skipped: z.array(text).max(500),
  impossible: z.array(text).max(500),
  /** What was confirmed at the end: the suspect, by its id. */
  confirmed: z.string().max(400).nullable(),
});

export type Told = z.infer<typeof toldSchema>;

export const nothingTold = (station: Told['station']): Told => ({
  format: 'pit-bell/trace',
  version: TRACE_VERSION,
  station,
  lately: [],
  setting: null,
  evidence: [],
  skipped: [],
  impossible: [],
  confirmed: null,
});

/** Reads anything as a trace, or says every problem as `path: what`. */
export function readTold(input: unknown): { ok: true; told: Told } | { ok: false; problems: string[] } {
  const parsed = toldSchema.safeParse(input);
  if (parsed.success) return { ok: true, told: parsed.data };
  return {
    ok: false,
    problems: parsed.error.issues.map(
      (i) => `${i.path.map(String).join('.') || 'trace'}: ${i.message.replace(/^Invalid input: /, '')}`,
    ),
  };
}

/** The trace as JSON Schema (2020-12), for other programs. */
export const traceJsonSchema = (): object => z.toJSONSchema(toldSchema, { io: 'input' });

/** What counts of what was told: what is doubted does not; `open` is a figure without end. */
export const countedOf = ({ evidence: all }: Told): Evidence[] =>
  all.flatMap((e): Evidence[] => {
    if (e.kind === 'symptom') return [e];
    if (e.doubted) return [];
    const is = e.found === 'open' ? Infinity : e.found;
    return e.kind === 'reading'
      ? [{ ...e, found: is }]
      : [{ kind: 'reading', test: ownId(e, e.setting), observation: PROBED, found: is }];
  });

/** What the one observation of a reading of one's own is called. */
export const PROBED = 'read';

/** Readings of one's own: of what, and how the station stood. */
export const ownTold = ({ evidence: all }: Told): { of: OwnReading; setting: Setting }[] =>
  all.flatMap((e): { of: OwnReading; setting: Setting }[] =>
    e.kind === 'probe'
      ? [{ of: { a: e.a, b: e.b, mode: e.mode }, setting: e.setting }]
      : e.kind === 'clamp'
        ? [{ of: { core: e.core }, setting: e.setting }]
        : [],
  );

/** Questions that are closed: answered, skipped or impossible. */
export const closedOf = ({ evidence: all, skipped, impossible }: Told): ReadonlySet<string> =>
  new Set([...skipped, ...impossible, ...all.flatMap((e) => (e.kind === 'reading' ? [e.test] : []))]);

export const seenOf = ({ evidence: all }: Told): ReadonlySet<string> =>
  new Set(all.flatMap((e) => (e.kind === 'symptom' ? [e.symptom] : [])));

export type { Setting };
