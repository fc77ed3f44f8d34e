import { checkStation } from '@/core/station';
import { database } from '@/server/db';
import { now, readJson, refuse } from '@/server/edge';
import { createStation } from '@/server/stations';

/** Keeps a document as a new station: one made here, or one brought in from a file. */
export async function POST(request: Request): Promise<Response> {
  const body = await readJson(request);
  if (!body.ok) return body.response;
  const checked = checkStation(body.value);
  if (!checked.ok) return refuse(422, checked.problems);
  return Response.json({ saved: createStation(database(), checked.station, now()) }, { status: 201 });
}
