import * as z from 'zod';
import { database } from '@/server/db';
import { idFrom, notFound, now, readAs, writing } from '@/server/edge';
import { signedBy } from '@/server/people/who';
import { restOf, setRest } from '@/server/rest';

const bodySchema = z.strictObject({ on: z.boolean(), by: z.string().trim().max(60).default('') });

/** Puts a station into the archive, or brings it back from there. */
export async function POST(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const id = idFrom((await params).id);
  const body = await readAs(request, bodySchema);
  if (!body.ok) return body.response;
  const { on, by } = body.value;
  return writing(() => {
    const done = id !== null && setRest(database(), id, on ? 'archive' : null, signedBy(request, by), now());
    return done ? Response.json({ resting: restOf(database(), id) }) : notFound('station');
  });
}
