import * as z from 'zod';
import { database } from '@/server/db';
import { doneAt, keyOf, readAs, writing } from '@/server/edge';
import { signedBy } from '@/server/people/who';
import { keepRate, ratesOf } from '@/server/rates';

const bodySchema = z.strictObject({
  by: z.string().trim().min(1, 'say who writes').max(60),
  cause: z.string().min(1, 'say which kind').max(400),
  /** Once in so many years of one such part; null: as it is assumed. */
  years: z
    .number('must be years')
    .min(0.05, 'what comes more than twenty times a year is no fault but a state')
    .max(10_000, 'is longer than anything lasts')
    .nullable(),
});

/** How often kinds of faults come, as the firm says. */
export const GET = (): Response => Response.json({ rates: ratesOf(database()) });

/** Says how often a kind comes, or that it comes as it is assumed. */
export async function POST(request: Request): Promise<Response> {
  const body = await readAs(request, bodySchema);
  if (!body.ok) return body.response;
  const { by, ...rate } = body.value;
  return writing(() => {
    keepRate(database(), rate, signedBy(request, by), doneAt(request), keyOf(request));
    return Response.json({ rates: ratesOf(database()) }, { status: 201 });
  });
}
