import { startTransition, useEffect, useState } from 'react';

/** A value as it was when it last stood still for `ms`: what is dear to draw waits until a drag pauses, and gives way where it goes on. */
export function useQuiet<T>(value: T, ms: number): T {
  const [quiet, setQuiet] = useState(value);
  useEffect(() => {
    if (value === quiet) return;
    const timer = setTimeout(() => startTransition(() => setQuiet(value)), ms);
    return () => clearTimeout(timer);
  }, [value, quiet, ms]);
  return quiet;
}
