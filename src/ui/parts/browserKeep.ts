/*
 * What a page keeps in its browser. Storage may be full, forbidden or cleared under us: then it says so, and never throws.
 */

/** How it stands with keeping: kept, no room, or the browser lets this page keep nothing. */
export type Keeping = 'kept' | 'full' | 'forbidden';

/** Something that is kept: under which key, and its text. */
export interface Kept {
  readonly key: string;
  readonly text: string;
}

export function keep(key: string, text: string): Keeping {
  try {
    localStorage.setItem(key, text);
    return 'kept';
  } catch (error) {
    return (error as Error).name === 'SecurityError' || typeof localStorage === 'undefined' ? 'forbidden' : 'full';
  }
}

/** What is kept under a key; null where nothing is, or nothing may be. */
export function kept(key: string): string | null {
  try {
    return localStorage.getItem(key);
  } catch {
    return null;
  }
}

export function drop(key: string): void {
  try {
    localStorage.removeItem(key);
  } catch {
    // Nothing may be kept, so nothing is.
  }
}

/** What is said where a page cannot keep what is typed. */
export const KEEPING: Readonly<Record<Exclude<Keeping, 'kept'>, string>> = {
  full: 'not kept in this browser, whose storage is full: save before you leave',
  forbidden: 'not kept in this browser, which forbids it: save before you leave',
};

/** The keys that begin so. */
export function keysUnder(prefix: string): string[] {
  try {
    return Array.from({ length: localStorage.length }, (_, i) => localStorage.key(i) ?? '').filter((k) =>
      k.startsWith(prefix),
    );
  } catch {
    return [];
  }
}

/** A word that nobody else has: works on plain http too, where browsers give no better. */
export function newKey(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(16));
  return Array.from(bytes, (b) => b.toString(16).padStart(2, '0')).join('');
}
