import * as z from 'zod';
import type { Rate } from '@/core/trace';
import { ask, wentWrong } from '../parts/ask';

const answerSchema = z.object({ rates: z.array(z.object({ cause: z.string(), years: z.number() })) });

/** Keeps how often a kind of fault comes, for the whole firm; `years` null: as it is assumed. Never throws. */
export async function sendRate(
  by: string,
  cause: string,
  years: number | null,
): Promise<{ ok: true; rates: readonly Rate[] } | { ok: false; why: string }> {
  const answer = await ask('/api/firm/rates', answerSchema, {
    method: 'POST',
    body: JSON.stringify({ by, cause, years }),
  });
  return answer.ok ? { ok: true, rates: answer.value.rates } : { ok: false, why: wentWrong(answer) };
}
