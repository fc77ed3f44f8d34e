import { resultSchema } from '@/core/drill';
import { database } from '@/server/db';
import { drillResults, keepResult } from '@/server/drills';
import { keyOf, readAs, writing } from '@/server/edge';
import { signedBy } from '@/server/people/who';

/** Keeps what came of a drill under the name of whoever did it. */
export async function POST(request: Request): Promise<Response> {
  const body = await readAs(request, resultSchema);
  if (!body.ok) return body.response;
  return writing(() => {
    const by = signedBy(request, body.value.by);
    keepResult(database(), { ...body.value, by }, keyOf(request));
    return Response.json({ results: drillResults(database(), by) }, { status: 201 });
  });
}
