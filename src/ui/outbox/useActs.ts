'use client';
import { useSyncExternalStore } from 'react';
import type { Act } from './act';

/*
 * The acts as the screens see them. What reads them is fetched beside the page, not before it.
 */

export interface Box {
  readonly acts: readonly Act[];
  /** Acts that this version cannot read: they are kept. */
  readonly unread: number;
  /** Whether the outbox has been looked at. */
  readonly read: boolean;
}

const EMPTY: Box = { acts: [], unread: 0, read: false };
let box = EMPTY;
const hearing = new Set<() => void>();
let begun = false;

function begin(): void {
  if (begun) return;
  begun = true;
  void import('./store').then(({ canKeep, onOutbox, readActs }) => {
    if (!canKeep()) return;
    const load = () =>
      readActs().then(
        (now) => {
          box = { ...now, read: true };
          hearing.forEach((h) => h());
        },
        // A browser that keeps nothing has nothing to send.
        () => undefined,
      );
    onOutbox(() => void load());
    void load();
  });
}

function subscribe(hear: () => void): () => void {
  hearing.add(hear);
  begin();
  return () => void hearing.delete(hear);
}

/** What is in the outbox, as it changes. */
export const useActs = (): Box =>
  useSyncExternalStore(
    subscribe,
    () => box,
    () => EMPTY,
  );
