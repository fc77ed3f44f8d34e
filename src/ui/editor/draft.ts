import * as z from 'zod';
import { stationSchema, upgrade, type Station } from '@/core/station';

/*
 * Unsaved work is kept in the browser until it is saved or thrown away, so that a closed tab or a flat battery loses nothing.
 */

const key = (id: number) => `pitbell.draft.${id}`;
const draftSchema = z.object({ base: z.number().int(), document: z.unknown() });

export interface Draft {
  readonly base: number;
  readonly document: Station;
}

export function keepDraft(id: number, draft: Draft): void {
  localStorage.setItem(key(id), JSON.stringify(draft));
}

export function dropDraft(id: number): void {
  localStorage.removeItem(key(id));
}

/** The draft kept for a station, if there is one that has the form of a document. */
export function readDraft(id: number): Draft | null {
  const text = localStorage.getItem(key(id));
  if (!text) return null;
  try {
    const draft = draftSchema.parse(JSON.parse(text));
    const upgraded = upgrade(draft.document);
    return upgraded.ok && hasForm(upgraded.document) ? { base: draft.base, document: upgraded.document } : null;
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
