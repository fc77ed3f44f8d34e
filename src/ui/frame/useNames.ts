import { useEffect, useState } from 'react';
import type { StationName } from './askNames';

/** What the stations are called, asked for when somebody wants to go to one; what asks is fetched then too. */
export function useNames(wanted: boolean): readonly StationName[] {
  const [names, setNames] = useState<readonly StationName[]>([]);
  useEffect(() => {
    if (!wanted) return;
    void import('./askNames').then(({ askNames }) => askNames()).then((told) => told && setNames(told));
  }, [wanted]);
  return names;
}
