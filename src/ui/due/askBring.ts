import * as z from 'zod';
import { ask } from '../parts/ask';

const answerSchema = z.object({ bring: z.array(z.object({ what: z.string(), where: z.array(z.string()) })) });

/** What to bring for the stops of a route; null where the server does not say. */
export async function askBring(of: string) {
  const answer = await ask(`/api/due/bring?of=${encodeURIComponent(of)}`, answerSchema);
  return answer.ok ? answer.value.bring : null;
}
