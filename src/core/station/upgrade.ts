export const CURRENT_VERSION = 2;

/** One step: a document of version N to the same document in version N + 1. Keyed by N. */
const STEPS: Readonly<Record<number, (document: Record<string, unknown>) => Record<string, unknown>>> = {
  /** Version 2 knows equipment that displaces water; version 1 had none. What is not a vessel is left for the schema to refuse. */
  1: (document) => ({
    ...document,
    version: 2,
    ...(typeof document.vessel === 'object' && document.vessel !== null && { vessel: { ...document.vessel, displacement: [] } }),
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
