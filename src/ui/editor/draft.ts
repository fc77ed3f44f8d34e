import type { Draft } from './draftForm';

/*
 * Unsaved work is kept in the browser until it is saved or thrown away, so that a closed tab or a flat battery loses nothing.
 */

const key = (id: number) => `pitbell.draft.${id}`;

export function keepDraft(id: number, draft: Draft): void {
  localStorage.setItem(key(id), JSON.stringify(draft));
}

export function dropDraft(id: number): void {
  localStorage.removeItem(key(id));
}

/** The draft kept for a station, if there is one that has the form of a document. What reads it is fetched only where one is kept. */
export async function readDraft(id: number): Promise<Draft | null> {
  const text = localStorage.getItem(key(id));
  return text === null ? null : (await import('./draftForm')).draftFrom(text);
}
