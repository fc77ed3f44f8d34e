export const CURRENT_VERSION = 2;

type Json = Record<string, unknown>;

const isObject = (value: unknown): value is Json => typeof value === 'object' && value !== null && !Array.isArray(value);

/** Fields added to an object, or to each object of a list; anything else is left for the schema to refuse. */
function adding(value: unknown, fields: (item: Json) => Json): unknown {
  if (Array.isArray(value)) return value.map((item) => adding(item, fields));
  return isObject(value) ? { ...value, ...fields(value) } : value;
}

/** One step: a document of version N to the same document in version N + 1. Keyed by N. */
const STEPS: Readonly<Record<number, (document: Json) => Json>> = {
  /**
   * Version 2 knows equipment that displaces water, ranges of floats as measured, a second school of pipe friction, and a
   * maker's limit on head: a document of version 1 had none of these, and its figures stay as they were.
   */
  1: (document) => ({
    ...document,
    version: 2,
    vessel: adding(document.vessel, () => ({ displacement: [] })),
    pumps: adding(document.pumps, () => ({ headShare: 1 })),
    discharge: adding(document.discharge, (d) => ({ segments: adding(d.segments, () => ({ hazenWilliams: 150 })) })),
    sensors: adding(document.sensors, (s) => (s.kind === 'tilt' ? { measured: null } : {})),
    settings: adding(document.settings, () => ({ friction: 'darcy-weisbach' })),
  }),
};

/**
 * Brings a document of an older version up to the current one, step by step. What is not a station document at all
 * is passed through for the schema to refuse; a newer version is refused here, for nothing of it may be lost.
 */
export function upgrade(input: unknown): { ok: true; document: unknown } | { ok: false; reason: string } {
  if (typeof input !== 'object' || input === null || !('version' in input) || typeof input.version !== 'number') return { ok: true, document: input };
  if (input.version > CURRENT_VERSION) {
    return { ok: false, reason: `the file is of version ${input.version}; this program knows versions up to ${CURRENT_VERSION}: update the program to open it` };
  }
  let document = { ...input } as Record<string, unknown>;
  for (let v = input.version; v < CURRENT_VERSION; v++) {
    const step = STEPS[v];
    if (!step) break;
    document = step(document);
  }
  return { ok: true, document };
}
