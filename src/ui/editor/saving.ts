import * as z from 'zod';
import { checkStation, type Problem, type Station } from '@/core/station';
import { ask } from '../parts/ask';
import { newKey } from '../parts/browserKeep';
import type { SavedState } from './editorStore';

export type SaveOutcome =
  | { state: 'saved'; saved: SavedState }
  | { state: 'stale'; theirs: SavedState }
  | { state: 'refused'; problems: readonly Problem[] }
  | { state: 'unreachable'; why: string };

/** A station as the server keeps it: its document is checked here as anywhere. */
const savedSchema = z
  .object({ id: z.number(), revision: z.number(), savedAt: z.string(), station: z.unknown() })
  .transform((saved, context): SavedState & { id: number } => {
    const checked = checkStation(saved.station);
    if (checked.ok) return { ...saved, station: checked.station };
    context.addIssue({ code: 'custom', message: 'a station that this page cannot read' });
    return z.NEVER;
  });

/** What another tab says it has saved; null where it cannot be read. */
export function savedFrom(told: unknown): SavedState | null {
  const read = savedSchema.safeParse(told);
  return read.success ? read.data : null;
}

const answerSchema = z.object({ saved: savedSchema });
const staleSchema = z.object({ theirs: savedSchema });

/** Each document is saved under a key of its own: sent again after a lost answer, it is kept once. */
const keys = new WeakMap<Station, string>();
const keyOf = (document: Station): string => {
  const key = keys.get(document) ?? newKey();
  keys.set(document, key);
  return key;
};

/** Sends a document made from revision `base` to be saved. Never throws: a server that cannot be reached is an outcome. */
export async function saveDocument(id: number, base: number, document: Station): Promise<SaveOutcome> {
  const answer = await ask(`/api/stations/${id}`, answerSchema, {
    method: 'PUT',
    body: JSON.stringify({ base, document }),
    key: keyOf(document),
  });
  if (answer.ok === null) return { state: 'unreachable', why: answer.why };
  if (answer.ok) return { state: 'saved', saved: answer.value.saved };
  const stale = staleSchema.safeParse(answer.rest);
  return stale.success
    ? { state: 'stale', theirs: stale.data.theirs }
    : { state: 'refused', problems: answer.problems };
}
