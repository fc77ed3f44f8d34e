import * as z from 'zod';
import { database } from '@/server/db';
import { notFound, now, readAs, refuse, writing } from '@/server/edge';
import { endSession, invite, peopleIn, setRole, triedLately } from '@/server/people/people';
import { ROLES } from '@/server/people/roles';
import { holdTo } from '@/server/people/sees';
import { personFrom } from '@/server/people/who';

const DAY = 86_400_000;

const nobodySignsIn = (): Response =>
  refuse(409, [{ path: 'people', message: 'nobody signs in here: this server serves its own machine alone' }]);

/** Everybody with the sessions that are open, and wrong passphrases of the last day. */
export function GET(request: Request): Response {
  if (!personFrom(request.headers)) return nobodySignsIn();
  const db = database();
  return Response.json({ people: peopleIn(db, now()), tried: triedLately(db, Date.now() - DAY) });
}

/** Numbers of stations that a reader is held to; null: he sees all. */
const stations = z.array(z.number().int().positive()).max(1000).nullable();

const asked = z.union([
  z.strictObject({ invite: z.enum(ROLES), sees: stations.optional() }),
  z.strictObject({ person: z.string().max(100), sees: stations }),
  z.strictObject({ end: z.string().max(100) }),
  z.strictObject({ person: z.string().max(100), role: z.enum(ROLES).nullable() }),
]);

/** Invites somebody, ends a session, gives somebody another role, or takes an account away. */
export async function POST(request: Request): Promise<Response> {
  const owner = personFrom(request.headers);
  if (!owner) return nobodySignsIn();
  const body = await readAs(request, asked);
  if (!body.ok) return body.response;
  return writing(() => {
    const db = database();
    const wish = body.value;
    if ('invite' in wish) {
      const sees = wish.invite === 'reader' ? (wish.sees ?? null) : null;
      return Response.json({ word: invite(db, wish.invite, owner.name, now(), sees) }, { status: 201 });
    }
    if ('end' in wish) return endSession(db, wish.end) ? Response.json({ ended: true }) : notFound('session');
    if ('sees' in wish) {
      const person = peopleIn(db, now()).find((p) => p.id === wish.person);
      if (!person) return notFound('person');
      if (person.role !== 'reader')
        return refuse(409, [
          { path: 'people', message: 'only a reader is held to some stations: whoever works sees all' },
        ]);
      holdTo(db, person.id, wish.sees);
      return Response.json({ set: true });
    }
    const hindered = setRole(db, wish.person, wish.role);
    if (hindered === 'nobody') return notFound('person');
    if (hindered === 'last owner')
      return refuse(409, [{ path: 'people', message: 'the last owner stays one: make somebody else an owner first' }]);
    return Response.json({ set: true });
  });
}
