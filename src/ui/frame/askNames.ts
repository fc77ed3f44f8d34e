import * as z from 'zod';
import { ask } from '../parts/ask';

const answerSchema = z.object({
  stations: z.array(z.object({ id: z.number(), name: z.string(), site: z.string() })),
});

/** What a station is called, where it stands among others. */
export type StationName = Readonly<z.infer<typeof answerSchema>['stations'][number]>;

/** What the stations are called; null where the server does not say. */
export async function askNames(): Promise<readonly StationName[] | null> {
  const answer = await ask('/api/stations', answerSchema);
  return answer.ok ? answer.value.stations : null;
}
