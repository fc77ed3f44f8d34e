import { alongOf } from '@/server/along';
import { database } from '@/server/db';
import { idFrom } from '@/server/edge';
import { leastFor, mayPass } from '@/server/people/roles';
import { personFrom } from '@/server/people/who';

/** What a device fetches to have some stations without signal: `?stations=3,4`. */
export function GET(request: Request): Response {
  const asked = new URL(request.url).searchParams.get('stations') ?? '';
  const ids = asked.split(',').flatMap((text) => idFrom(text) ?? []);
  const person = personFrom(request.headers);
  const may = (path: string) => person === null || mayPass(person.role, leastFor('GET', path) ?? 'owner');
  return Response.json(alongOf(database(), ids, may));
}
