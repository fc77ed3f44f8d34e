import * as z from 'zod';
import type { Spark } from '@/core/book';
import { ask } from '../parts/ask';

const sparkSchema = z.object({ weeks: z.array(z.number().nullable()), to: z.number() });
const answerSchema = z.object({ sparks: z.array(z.object({ id: z.number(), spark: sparkSchema.nullable() })) });

/** How often the pumps of stations started lately; nothing where the server does not answer. */
export async function askSparks(ids: readonly number[]): Promise<Readonly<Record<number, Spark | null>>> {
  const answer = await ask(`/api/sparks?ids=${ids.join(',')}`, answerSchema);
  return answer.ok ? Object.fromEntries(answer.value.sparks.map((s) => [s.id, s.spark])) : {};
}
