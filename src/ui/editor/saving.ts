import * as z from 'zod';
import type { Problem, Station } from '@/core/station';
import type { SavedState } from './editorStore';

export type SaveOutcome =
  | { state: 'saved'; saved: SavedState }
  | { state: 'stale'; theirs: SavedState }
  | { state: 'refused'; problems: readonly Problem[] }
  | { state: 'unreachable' };

const savedSchema = z.object({
  id: z.number(),
  revision: z.number(),
  savedAt: z.string(),
  station: z.custom<Station>(),
});
const answerSchema = z.object({
  saved: savedSchema.optional(),
  theirs: savedSchema.optional(),
  problems: z.array(z.object({ path: z.string(), message: z.string() })).optional(),
});

/** Sends a document made from revision `base` to be saved. Never throws: a server that cannot be reached is an outcome. */
export async function saveDocument(id: number, base: number, document: Station): Promise<SaveOutcome> {
  try {
    const response = await fetch(`/api/stations/${id}`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ base, document }),
    });
    const answer = answerSchema.parse(await response.json());
    if (answer.saved) return { state: 'saved', saved: answer.saved };
    if (answer.theirs) return { state: 'stale', theirs: answer.theirs };
    return {
      state: 'refused',
      problems: answer.problems ?? [{ path: 'server', message: `answered ${response.status}` }],
    };
  } catch {
    return { state: 'unreachable' };
  }
}
