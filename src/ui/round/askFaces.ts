import * as z from 'zod';
import { ask } from '../parts/ask';
import type { Face, Faces } from './face';

const faceSchema = z.custom<Face>((v) => typeof v === 'object' && v !== null && ('scene' in v || 'failed' in v));
const answerSchema = z.object({ heads: z.array(z.object({ id: z.number(), figures: faceSchema.nullable() })) });

/** The gauges of stations, those that are worked out by now; null where the server does not answer. */
export async function askFaces(ids: string): Promise<Faces | null> {
  const answer = await ask(`/api/figures?ids=${ids}`, answerSchema);
  return answer.ok
    ? Object.fromEntries(answer.value.heads.flatMap((h) => (h.figures ? [[h.id, h.figures]] : [])))
    : null;
}
