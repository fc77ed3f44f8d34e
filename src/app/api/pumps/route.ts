import { pumpModelSchema } from '@/core/station';
import { database } from '@/server/db';
import { doneAt, keyOf, readAs, writing } from '@/server/edge';
import { keepPumpModel, listPumpModels } from '@/server/pumps';

/** The pump library of this server, by name. */
export function GET(): Response {
  return Response.json({ models: listPumpModels(database()) });
}

/** Keeps a pump in the library, in place of one of the same name, whose words stay kept. */
export async function PUT(request: Request): Promise<Response> {
  const body = await readAs(request, pumpModelSchema);
  if (!body.ok) return body.response;
  return writing(() => {
    keepPumpModel(database(), body.value, doneAt(request), keyOf(request));
    return Response.json({ models: listPumpModels(database()) });
  });
}
