import * as z from 'zod';
import { database } from './db';
import { idFrom, notFound, now, readAs, writing } from './edge';
import { signedBy } from './people/who';
import { restOf, setRest, type Rest } from './rest';

const bodySchema = z.strictObject({ on: z.boolean(), by: z.string().trim().max(60).default('') });

/** Answers a request that puts a station to rest somewhere, or brings it back. */
export const puts =
  (to: Rest) =>
  async (request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> => {
    const id = idFrom((await params).id);
    const body = await readAs(request, bodySchema);
    if (!body.ok) return body.response;
    const { on, by } = body.value;
    return writing(() => {
      const done = id !== null && setRest(database(), id, on ? to : null, signedBy(request, by), now());
      return done ? Response.json({ resting: restOf(database(), id) }) : notFound('station');
    });
  };
