import { useEffect } from 'react';

/*
 * Fields in which something stands that has not been entered. Saving enters it, as leaving the field would.
 */

const waiting = new Set<() => void>();

/** Enters what stands in every field of the screen, as far as it can be read. */
export const enterFields = (): void => [...waiting].forEach((enter) => enter());

/** Has a field entered with the others. @param enter null while nothing stands in it */
export function useEntering(enter: (() => void) | null): void {
  useEffect(() => {
    if (!enter) return;
    waiting.add(enter);
    return () => void waiting.delete(enter);
  });
}
