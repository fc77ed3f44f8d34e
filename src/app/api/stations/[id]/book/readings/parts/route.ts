import * as z from 'zod';
import { database } from '@/server/db';
import { idFrom, notFound, now, readAs, readBytes, refuse, writing } from '@/server/edge';
import { drop, layBy, partNumberSchema, partSchema, takeBeside, wordSchema } from '@/server/importParts';
import { findStation } from '@/server/stations';
import { signedBy } from '@/server/people/who';

interface Context {
  params: Promise<{ id: string }>;
}

const LARGEST = 8 * 1024 * 1024;
const whereSchema = z.object({ word: wordSchema, part: partNumberSchema });

const refusedBy = (error: z.ZodError): Response =>
  refuse(
    422,
    error.issues.slice(0, 50).map((i) => ({ path: i.path.join('.') || 'body', message: i.message })),
  );

/** Lays one part of a table of readings by: `?word=…&part=0`. Nothing of it is in the book yet. */
export async function POST(request: Request, { params }: Context): Promise<Response> {
  const id = idFrom((await params).id);
  const where = whereSchema.safeParse(Object.fromEntries(new URL(request.url).searchParams));
  if (!where.success) return refusedBy(where.error);
  const bytes = await readBytes(request, LARGEST, 'a part of a table');
  if (!bytes.ok) return bytes.response;
  let json: unknown = null;
  try {
    json = JSON.parse(new TextDecoder().decode(bytes.value));
  } catch {
    return refuse(400, [{ path: 'body', message: 'is not JSON' }]);
  }
  const part = partSchema.safeParse(json);
  if (!part.success) return refusedBy(part.error);
  return writing(() => {
    if (id === null || !findStation(database(), id)) return notFound('station');
    layBy(database(), id, where.data.word, where.data.part, part.data, Date.parse(now()));
    return Response.json({ laid: part.data.rows.length }, { status: 201 });
  });
}

const takeSchema = z.discriminatedUnion('do', [
  z.strictObject({
    do: z.literal('take'),
    word: wordSchema,
    parts: z.number().int().min(1).max(100),
    by: z.string().trim().min(1, 'say who imports').max(60),
    file: z.string().max(200),
  }),
  z.strictObject({ do: z.literal('drop'), word: wordSchema }),
]);

/** Takes all parts of a table into the book, all or none; or drops what has come of it. */
export async function PUT(request: Request, { params }: Context): Promise<Response> {
  const id = idFrom((await params).id);
  const body = await readAs(request, takeSchema);
  if (!body.ok) return body.response;
  return writing(async () => {
    const saved = id === null ? null : findStation(database(), id);
    if (!saved) return notFound('station');
    if (body.value.do === 'drop') {
      drop(database(), saved.id, body.value.word);
      return Response.json({ added: 0, double: 0 });
    }
    const { word, parts, by, file } = body.value;
    const taken = await takeBeside(database(), saved, { word, parts, by: signedBy(request, by), file }, now());
    return taken.ok
      ? Response.json({ added: taken.added, double: taken.double }, { status: 201 })
      : refuse(409, [{ path: 'parts', message: taken.detail }]);
  });
}
