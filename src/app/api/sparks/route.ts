import { database } from '@/server/db';
import { idFrom } from '@/server/edge';
import { sparkAt } from '@/server/sparks';

/** Most that are answered at once: what a screen shows. */
const MOST = 60;

/** How often the pumps of some stations started lately: `?ids=1,2,3`. */
export function GET(request: Request): Response {
  const ids = (new URL(request.url).searchParams.get('ids') ?? '')
    .split(',')
    .flatMap((text) => idFrom(text) ?? [])
    .slice(0, MOST);
  return Response.json({ sparks: ids.map((id) => ({ id, spark: sparkAt(database(), id) })) });
}
