'use client';
import { useEffect, useState } from 'react';
import type { Drill } from '@/core/drill';
import type { Keeping } from '../parts/browserKeep';
import { drillIn, dropDrill, keepDrill, keptDrill, keyOfDrill } from './keptDrill';

/** Whether two drills hide the same, whatever was done in them. */
const isSame = (a: Drill, b: Drill): boolean =>
  JSON.stringify({ ...a, acts: [] }) === JSON.stringify({ ...b, acts: [] });

/** A drill that is kept in this browser; where another tab goes on with it, this one follows. @param at under which name */
export function useKeptDrill(at: string) {
  const [drill, setDrill] = useState<Drill | null>(null);
  const [keeping, setKeeping] = useState<Keeping>('kept');
  const [elsewhere, setElsewhere] = useState(false);
  useEffect(() => {
    // What the browser keeps is known only after the page.
    // eslint-disable-next-line react-hooks/set-state-in-effect
    setDrill(keptDrill(at));
    const other = (e: StorageEvent) => {
      if (e.key !== keyOfDrill(at)) return;
      setElsewhere(true);
      const next = drillIn(e.newValue);
      // The same drill further on is gone on with; another is begun anew.
      setDrill((was) => (was && next && isSame(was, next) ? { ...was, acts: next.acts } : next));
    };
    window.addEventListener('storage', other);
    return () => window.removeEventListener('storage', other);
  }, [at]);
  const put = (next: Drill | null) => {
    setDrill(next);
    setElsewhere(false);
    if (next) setKeeping(keepDrill(at, next));
    else dropDrill(at);
  };
  return { drill, put, keeping, elsewhere };
}
