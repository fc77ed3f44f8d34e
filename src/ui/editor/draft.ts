import { drop, keep, kept, keysUnder, type Keeping } from '../parts/browserKeep';
import type { Draft } from './draftForm';

/*
 * Unsaved work is kept in the browser until it is saved or thrown away, so that a closed tab or a flat battery loses nothing: each tab under
 * its own name. What a tab that is gone has left is taken up by the next; what cannot be read is set aside and offered.
 */

const under = (id: number) => `pitbell.draft.${id}`;
const keyOf = (id: number, tab: string) => `${under(id)}.${tab}`;

export const keepDraft = (id: number, tab: string, draft: Draft): Keeping =>
  keep(keyOf(id, tab), JSON.stringify(draft));

export const dropDraft = (id: number, tab: string): void => drop(keyOf(id, tab));

/** Work that is kept beside what is on the screen: readable, or as it stands there. */
export interface Aside {
  readonly key: string;
  readonly text: string;
  /** null where it has not the form of a draft, or not of this version. */
  readonly draft: Draft | null;
}

export const dropAside = ({ key }: Pick<Aside, 'key'>): void => drop(key);

/** The keys of a station’s drafts that no open tab holds: `pitbell.draft.3`, as it was once kept, and `pitbell.draft.3.name`. */
function leftOf(id: number, open: ReadonlySet<string>): string[] {
  return keysUnder(under(id)).filter((key) => {
    const rest = key.slice(under(id).length);
    return rest === '' || (rest.startsWith('.') && !open.has(rest.slice(1)));
  });
}

/**
 * What is kept of a station for this tab: its own draft, or else the newest that a closed tab left; and what else is kept beside it.
 * @param open names of the other tabs that are open: what is theirs is left to them
 */
export async function draftsOf(
  id: number,
  tab: string,
  open: ReadonlySet<string>,
): Promise<{ draft: Draft | null; aside: Aside[] }> {
  const keys = leftOf(id, open);
  if (keys.length === 0) return { draft: null, aside: [] };
  const { draftFrom } = await import('./draftForm');
  const all = keys.map((key): Aside => {
    const text = kept(key) ?? '';
    return { key, text, draft: draftFrom(text) };
  });
  const own = all.find((a) => a.key === keyOf(id, tab) && a.draft);
  const newest = own ?? all.filter((a) => a.draft).sort((a, b) => (b.draft!.at ?? 0) - (a.draft!.at ?? 0))[0];
  // One’s own that cannot be read must not be written over by what is typed now.
  const aside = all.filter((a) => a !== newest).map((a) => (a.key === keyOf(id, tab) ? movedAside(id, a) : a));
  if (newest && newest.key !== keyOf(id, tab)) {
    keepDraft(id, tab, newest.draft!);
    drop(newest.key);
  }
  return { draft: newest?.draft ?? null, aside };
}

/** Gives what is kept a place of its own. */
export function movedAside(id: number, { key, text, draft }: Aside): Aside {
  const to = keyOf(id, `aside-${Date.now()}`);
  if (keep(to, text) !== 'kept') return { key, text, draft };
  drop(key);
  return { key: to, text, draft };
}
