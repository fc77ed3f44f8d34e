import { checkStation } from '@/core/station';
import { database } from '@/server/db';
import { keyOf, now, readJson, refuse, writing } from '@/server/edge';
import { headsNow } from '@/server/figures';
import { namesSeen } from '@/server/heads';
import { personFrom } from '@/server/people/who';
import { createStation } from '@/server/stations';

/** Every station that whoever asks may see, by site and name: what they are called. */
export function GET(request: Request): Response {
  return Response.json({ stations: namesSeen(database(), personFrom(request.headers)?.sees ?? null) });
}

/** Keeps a document as a new station: one made here, or one brought in from a file. */
export async function POST(request: Request): Promise<Response> {
  const body = await readJson(request);
  if (!body.ok) return body.response;
  const checked = checkStation(body.value);
  if (!checked.ok) return refuse(422, checked.problems);
  return writing(() => {
    const saved = createStation(database(), checked.station, now(), keyOf(request), personFrom(request.headers)?.name);
    headsNow(database(), [saved.id]);
    return Response.json({ saved }, { status: 201 });
  });
}
