'use client';
import { useEffect, useState } from 'react';

interface Storage {
  /** Whether the browser opens pages without signal here; null while nobody knows. */
  readonly able: boolean | null;
  /** Room that is left, bytes; null where the browser does not say. */
  readonly free: number | null;
  /** Whether the browser has promised to keep it; null where it does not say. */
  readonly kept: boolean | null;
}

/** What the browser can keep of this page. @param after asked anew when it is another */
export function useStorage(after: unknown): Storage {
  const [storage, setStorage] = useState<Storage>({ able: null, free: null, kept: null });
  useEffect(() => {
    let left = false;
    const look = async (): Promise<Storage> => {
      const able = 'serviceWorker' in navigator && typeof caches !== 'undefined';
      if (!('storage' in navigator)) return { able, free: null, kept: null };
      const [{ quota, usage }, kept] = await Promise.all([navigator.storage.estimate(), navigator.storage.persisted()]);
      return { able, free: quota === undefined ? null : quota - (usage ?? 0), kept };
    };
    void look().then(
      (now) => left || setStorage(now),
      () => undefined,
    );
    return () => void (left = true);
  }, [after]);
  return storage;
}
