import * as z from 'zod';
import { ask, wentWrong } from '../parts/ask';

const answerSchema = z.object({ resting: z.object({ rest: z.enum(['archive', 'bin']) }).nullable() });

/** Puts a station into the archive or the bin, or brings it back. Never throws; why it was not done, or null. */
export async function sendRest(id: number, to: 'archive' | 'bin', on: boolean, by: string): Promise<string | null> {
  const answer = await ask(`/api/stations/${id}/${to}`, answerSchema, {
    method: 'POST',
    body: JSON.stringify({ on, by }),
  });
  return answer.ok ? null : wentWrong(answer);
}
