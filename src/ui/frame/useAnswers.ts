import { useEffect } from 'react';

/** Marks in the browser's own record when a page begins to answer, for measuring. */
export function useAnswers(): void {
  useEffect(() => {
    performance.mark('pitbell-answers');
  }, []);
}
