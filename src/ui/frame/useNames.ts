import { useEffect, useState } from 'react';
import * as z from 'zod';

/** What a station is called, where it stands among others. */
export interface StationName {
  readonly id: number;
  readonly name: string;
  readonly site: string;
}

const answerSchema = z.object({
  stations: z.array(z.object({ id: z.number(), name: z.string(), site: z.string() })),
});

/** What the stations are called, asked for when somebody wants to go to one. */
export function useNames(wanted: boolean): readonly StationName[] {
  const [names, setNames] = useState<readonly StationName[]>([]);
  useEffect(() => {
    if (!wanted) return;
    void import('../parts/ask')
      .then(({ ask }) => ask('/api/stations', answerSchema))
      .then((answer) => answer.ok && setNames(answer.value.stations));
  }, [wanted]);
  return names;
}
