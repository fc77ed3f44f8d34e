import * as z from 'zod';
import { stationSchema, upgrade, type Station } from '@/core/station';

export interface Draft {
  readonly base: number;
  readonly document: Station;
  /** What stands in fields and could not be read yet, by the path of the field. */
  readonly typed?: Readonly<Record<string, string>>;
  /** When it was kept, ms since 1970. */
  readonly at?: number;
}

const draftSchema = z.object({
  base: z.number().int(),
  document: z.unknown(),
  typed: z.record(z.string(), z.string()).optional(),
  at: z.number().optional(),
});

/** A draft from the text that was kept of it; null where it has not the form of one. */
export function draftFrom(text: string): Draft | null {
  try {
    const draft = draftSchema.parse(JSON.parse(text));
    const upgraded = upgrade(draft.document);
    return upgraded.ok && hasForm(upgraded.document) ? { ...draft, document: upgraded.document } : null;
  } catch {
    return null;
  }
}

/** Whether every field of a document is there; its numbers may still be wrong, and the screen says so beside each. */
function hasForm(document: unknown): document is Station {
  const parsed = stationSchema.safeParse(document);
  return (
    parsed.success ||
    parsed.error.issues.every(
      (i) => i.code !== 'invalid_type' && i.code !== 'unrecognized_keys' && i.code !== 'invalid_union',
    )
  );
}
