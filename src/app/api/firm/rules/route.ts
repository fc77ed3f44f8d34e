import * as z from 'zod';
import { ruleSchema } from '@/core/book';
import { database } from '@/server/db';
import { doneAt, keyOf, notFound, readAs, writing } from '@/server/edge';
import { addFirmRule, endFirmRule, firmRules } from '@/server/firmRules';
import { signedBy } from '@/server/people/who';

const by = z.string().trim().min(1, 'say who writes').max(60);
const bodySchema = z.union([
  z.strictObject({ by, rule: ruleSchema }),
  z.strictObject({ by, ends: z.number().int().positive() }),
]);

/** What the firm does again and again at every station. */
export const GET = (): Response => Response.json({ rules: firmRules(database()) });

/** Writes a rule for every station, or ends one. */
export async function POST(request: Request): Promise<Response> {
  const body = await readAs(request, bodySchema);
  if (!body.ok) return body.response;
  return writing(() => {
    const db = database();
    const { value } = body;
    const signed = [signedBy(request, value.by), doneAt(request), keyOf(request)] as const;
    if ('ends' in value) {
      if (!endFirmRule(db, value.ends, ...signed)) return notFound('rule of the firm');
    } else addFirmRule(db, value.rule, ...signed);
    return Response.json({ rules: firmRules(db) }, { status: 201 });
  });
}
