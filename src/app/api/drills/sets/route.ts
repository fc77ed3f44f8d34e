import * as z from 'zod';
import { readDrill } from '@/core/drill';
import { database } from '@/server/db';
import { drillSets, setDrill, takeBack } from '@/server/drills';
import { doneAt, keyOf, notFound, readAs, refuse, writing } from '@/server/edge';
import { signedBy } from '@/server/people/who';

const bodySchema = z.union(
  [
    z.strictObject({
      by: z.string().trim().min(1, 'say who sets it').max(60),
      class: z.string().trim().min(1, 'say to which class').max(60),
      drill: z.unknown(),
    }),
    z.strictObject({ takeBack: z.number().int() }),
  ],
  'must be a drill for a class, or the number of one that is taken back',
);

/** Sets a drill to a class, or takes one back. */
export async function POST(request: Request): Promise<Response> {
  const body = await readAs(request, bodySchema);
  if (!body.ok) return body.response;
  const told = body.value;
  if ('takeBack' in told)
    return writing(() => {
      if (!takeBack(database(), told.takeBack, doneAt(request))) return notFound('drill that is set');
      return Response.json({ sets: drillSets(database()) });
    });
  const read = readDrill(told.drill);
  if (!read.ok) return refuse(422, read.problems);
  return writing(() => {
    setDrill(
      database(),
      { class: told.class, drill: read.drill },
      signedBy(request, told.by),
      doneAt(request),
      keyOf(request),
    );
    return Response.json({ sets: drillSets(database()) }, { status: 201 });
  });
}
