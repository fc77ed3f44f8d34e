'use client';
import { useCallback, useMemo, useState } from 'react';
import type { View } from './axis';

/** Nothing is looked at closer than this, s. */
const CLOSEST = 1;

/** The stretch of a rehearsal that is looked at: the whole of it until one looks closer. */
export function useView(length: number) {
  const [chosen, setChosen] = useState<View | null>(null);
  const view = useMemo(
    () =>
      chosen && chosen.from < length ? { from: chosen.from, to: Math.min(chosen.to, length) } : { from: 0, to: length },
    [chosen, length],
  );
  const zoom = useCallback(
    (times: number, about: number) =>
      setChosen((was) => {
        const { from, to } = was ?? { from: 0, to: length };
        const span = Math.max((to - from) / times, CLOSEST);
        if (span >= length) return null;
        const share = Math.min(Math.max((about - from) / (to - from), 0), 1);
        const start = Math.min(Math.max(about - share * span, 0), length - span);
        return { from: start, to: start + span };
      }),
    [length],
  );
  /** Goes along with a time that leaves the view. */
  const follow = useCallback(
    (time: number) =>
      setChosen((was) => {
        if (!was || (time >= was.from && time <= was.to)) return was;
        const span = was.to - was.from;
        const from = Math.min(Math.max(time - span * 0.1, 0), Math.max(length - span, 0));
        return { from, to: from + span };
      }),
    [length],
  );
  return { view, zoom, follow, whole: useCallback(() => setChosen(null), []) };
}

/** What is looked at, and what changes it. */
export type ViewDesk = ReturnType<typeof useView>;
