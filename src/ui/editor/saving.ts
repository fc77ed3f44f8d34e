import * as z from 'zod';
import { checkStation, type Problem, type Station } from '@/core/station';
import { jsonOf, type Act } from '../outbox/act';
import { canKeep, dropAct, readActs } from '../outbox/store';
import { through } from '../outbox/through';
import { newKey } from '../parts/browserKeep';
import type { SavedState } from './editorStore';

export type SaveOutcome =
  | { state: 'saved'; saved: SavedState }
  | { state: 'stale'; theirs: SavedState }
  | { state: 'refused'; problems: readonly Problem[] }
  | { state: 'kept'; key: string; why: string }
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

const aboutOf = (id: number): string => `station:${id}`;

/** Takes out of the outbox what was saved of a station before and not sent: what is saved now holds it. */
export async function dropSavedHere(id: number): Promise<void> {
  if (!canKeep()) return;
  const { acts } = await readActs();
  const older = acts.filter((a) => a.about === aboutOf(id) && (a.state === 'waiting' || a.state === 'differs'));
  await Promise.all(older.map((a) => dropAct(a)));
}

/** Saves a document made from revision `base`: at the server, or on this device until it is reached. Never throws. */
export async function saveDocument(id: number, base: number, document: Station): Promise<SaveOutcome> {
  await dropSavedHere(id).catch(() => undefined);
  const key = keyOf(document);
  const answer = await through(
    {
      id: key,
      kind: 'station',
      what: `${document.identity.name}: saved`,
      stationId: id,
      about: aboutOf(id),
      url: `/api/stations/${id}`,
      method: 'PUT',
      body: JSON.stringify({ base, document }),
    },
    answerSchema,
  );
  if (answer.ok === 'kept') return { state: 'kept', key, why: answer.why };
  if (answer.ok === null) return { state: 'unreachable', why: answer.why };
  if (answer.ok) return { state: 'saved', saved: answer.value.saved };
  const stale = staleSchema.safeParse(answer.rest);
  return stale.success
    ? { state: 'stale', theirs: stale.data.theirs }
    : { state: 'refused', problems: answer.problems };
}

const sentSchema = z.object({ base: z.number(), document: z.unknown() });

/** A station as it was saved here: the document, from which revision, and what the server has made of it. Null where it cannot be read. */
export function savedHere({ body, answer }: Pick<Act, 'body' | 'answer'>): {
  base: number;
  document: Station;
  saved: SavedState | null;
  theirs: SavedState | null;
} | null {
  const sent = sentSchema.safeParse(jsonOf(typeof body === 'string' ? body : null));
  const checked = sent.success ? checkStation(sent.data.document) : null;
  if (!sent.success || !checked?.ok) return null;
  const saved = answerSchema.safeParse(jsonOf(answer));
  const stale = staleSchema.safeParse(jsonOf(answer));
  return {
    base: sent.data.base,
    document: checked.station,
    saved: saved.success ? saved.data.saved : null,
    theirs: stale.success ? stale.data.theirs : null,
  };
}
