import * as z from 'zod';
import { feedSchema } from '@/core/feeds';
import { database } from '@/server/db';
import { idFrom, notFound, now, readAs, writing } from '@/server/edge';
import { feedOf, keepFeed, rawOf, shownOf, wordOf } from '@/server/feeds/feeds';
import { findStation } from '@/server/stations';
import { signedBy } from '@/server/people/who';

interface Context {
  params: Promise<{ id: string }>;
}

const bodySchema = z.strictObject({
  by: z.string().trim().min(1, 'say who sets it').max(60),
  feed: feedSchema,
});

/** How the station’s panel is read, how it stands, and its last answers as they came. */
export async function GET(request: Request, { params }: Context): Promise<Response> {
  const id = idFrom((await params).id);
  const db = database();
  if (id === null || !findStation(db, id)) return notFound('station');
  const kept = feedOf(db, id);
  const raw = new URL(request.url).searchParams.has('raw');
  return Response.json({
    kept,
    shown: kept && shownOf(db, kept, Date.parse(now())),
    word: kept && wordOf(db, id),
    ...(raw && { raw: rawOf(db, id, 20) }),
  });
}

/** Keeps how the panel is read from now on. */
export async function POST(request: Request, { params }: Context): Promise<Response> {
  const id = idFrom((await params).id);
  const body = await readAs(request, bodySchema);
  if (!body.ok) return body.response;
  return writing(() => {
    const db = database();
    if (id === null || !findStation(db, id)) return notFound('station');
    const kept = keepFeed(db, id, body.value.feed, signedBy(request, body.value.by), now());
    return Response.json({ kept, shown: shownOf(db, kept, Date.parse(now())), word: wordOf(db, id) }, { status: 201 });
  });
}
