import { database } from '@/server/db';
import { idFrom } from '@/server/edge';
import { headsWorkedOut } from '@/server/figures';

/** Most that are answered at once: what a screen shows. */
const MOST = 60;

/** What is shown first of some stations: `?ids=1,2,3`. Those that are still being worked out are waited for. */
export async function GET(request: Request): Promise<Response> {
  const ids = (new URL(request.url).searchParams.get('ids') ?? '')
    .split(',')
    .flatMap((text) => idFrom(text) ?? [])
    .slice(0, MOST);
  const heads = await headsWorkedOut(database(), ids);
  return Response.json({ heads: heads.map(({ id, figures }) => ({ id, figures })) });
}
