import * as z from 'zod';
import type { Rate } from '@/core/trace';
import { forFirm } from '../outbox/ofFirm';
import { wentWrong } from '../parts/ask';

const answerSchema = z.object({ rates: z.array(z.object({ cause: z.string(), years: z.number() })) });

/**
 * Keeps how often a kind of fault comes, for the whole firm; `years` null: as it is assumed. Never throws.
 * @returns every figure of the firm; null: it is kept on this device only, until it is sent
 */
export async function sendRate(
  by: string,
  cause: string,
  years: number | null,
): Promise<{ ok: true; rates: readonly Rate[] | null } | { ok: false; why: string }> {
  const answer = await forFirm(
    `how often it comes, ${cause}`,
    { url: '/api/firm/rates', method: 'POST', body: { by, cause, years } },
    answerSchema,
  );
  if (answer.ok === 'kept') return { ok: true, rates: null };
  return answer.ok ? { ok: true, rates: answer.value.rates } : { ok: false, why: wentWrong(answer) };
}
