import * as z from 'zod';
import { database } from '@/server/db';
import { dueEverywhere } from '@/server/due';
import { now, originOf, refuse } from '@/server/edge';
import { reminderFile } from '@/server/remind';

const querySchema = z.object({
  to: z.email('must be an address for mail').default('office@example.org'),
  days: z.coerce.number().min(0).max(400).default(14),
});

/** What is due as a letter that any program for mail opens: `?to=…&days=14`. */
export async function GET(request: Request): Promise<Response> {
  const { origin: own, searchParams } = new URL(request.url);
  const origin = originOf(request) ?? own;
  const query = querySchema.safeParse(Object.fromEntries(searchParams));
  if (!query.success)
    return refuse(
      422,
      query.error.issues.map((i) => ({ path: i.path.join('.'), message: i.message })),
    );
  const at = Date.parse(now());
  const letter = { from: 'pit-bell@localhost', address: origin, ...query.data };
  return new Response(new Uint8Array(await reminderFile(dueEverywhere(database(), at), letter, at)), {
    headers: { 'content-type': 'message/rfc822', 'content-disposition': 'attachment; filename="what-is-due.eml"' },
  });
}
