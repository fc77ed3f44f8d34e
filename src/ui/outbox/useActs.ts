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
  /** Whether the room for it runs out. */
  readonly tight: boolean;
}

/** Some photographs, bytes. */
const TIGHT = 30 * 1024 * 1024;

/** Whether the browser has little room left for this page. */
async function runsOut(): Promise<boolean> {
  const { quota, usage } = (await (navigator.storage as Partial<StorageManager> | undefined)?.estimate?.()) ?? {};
  return quota !== undefined && quota - (usage ?? 0) < TIGHT;
}

const EMPTY: Box = { acts: [], unread: 0, read: false, tight: false };
let box = EMPTY;
const hearing = new Set<() => void>();
let begun = false;

function begin(): void {
  if (begun) return;
  begun = true;
  void import('./store').then(({ canKeep, onOutbox, readActs }) => {
    if (!canKeep()) return;
    const load = () =>
      Promise.all([readActs(), runsOut()]).then(
        ([now, tight]) => {
          box = { ...now, read: true, tight };
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
