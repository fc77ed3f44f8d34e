import * as z from 'zod';
import { feedSchema } from '@/core/feeds';
import { readAs } from '@/server/edge';
import { linkTo } from '@/server/feeds/links';

/** Asks a panel once, and says what it answered; nothing is kept. */
export async function POST(request: Request): Promise<Response> {
  const body = await readAs(request, z.strictObject({ feed: feedSchema }));
  if (!body.ok) return body.response;
  const link = linkTo(body.value.feed);
  try {
    const answer = await link.ask();
    return Response.json(answer.ok ? { ok: true, values: answer.values } : { ok: false, why: answer.why });
  } finally {
    link.close();
  }
}
