import { alongOf } from '@/server/along';
import { database } from '@/server/db';
import { idFrom } from '@/server/edge';

/** What a device fetches to have some stations without signal: `?stations=3,4`. */
export function GET(request: Request): Response {
  const asked = new URL(request.url).searchParams.get('stations') ?? '';
  const ids = asked.split(',').flatMap((text) => idFrom(text) ?? []);
  return Response.json(alongOf(database(), ids));
}
