import * as z from 'zod';
import { meterOf } from '@/core/book';
import { addReadings, readingsCsv } from '@/server/bookReadings';
import { database } from '@/server/db';
import { idFrom, keyOf, notFound, now, readBytes, refuse, writing } from '@/server/edge';
import { findStation } from '@/server/stations';
import { signedBy } from '@/server/people/who';

interface Context {
  params: Promise<{ id: string }>;
}

const LARGEST = 24 * 1024 * 1024;
const MOST = 400_000;

const bodySchema = z.strictObject({
  by: z.string().trim().min(1, 'say who imports').max(60),
  file: z.string().max(200),
  meters: z.array(z.string().refine((m) => meterOf(m) !== null, 'is no meter known here')).max(60),
  /** Meter by its place among them, ms since 1970, what stood on it. */
  rows: z
    .array(z.tuple([z.number().int().min(0), z.number().int(), z.number().finite()]))
    .max(MOST, `more than ${MOST} readings at once: import them in parts`),
});

/** All readings of a station as CSV, in the form that is read back. */
export async function GET(_: Request, { params }: Context): Promise<Response> {
  const id = idFrom((await params).id);
  const saved = id === null ? null : findStation(database(), id);
  if (!saved) return notFound('station');
  return new Response(readingsCsv(database(), saved.id), {
    headers: {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': 'attachment; filename="readings.csv"',
    },
  });
}

/** Takes readings that were read in from a table, all or none; those that are here already are left out and counted. */
export async function POST(request: Request, { params }: Context): Promise<Response> {
  const id = idFrom((await params).id);
  const bytes = await readBytes(request, LARGEST, 'a table');
  if (!bytes.ok) return bytes.response;
  const parsed = bodySchema.safeParse(
    (() => {
      try {
        return JSON.parse(new TextDecoder().decode(bytes.value)) as unknown;
      } catch {
        return null;
      }
    })(),
  );
  if (!parsed.success)
    return refuse(
      422,
      parsed.error.issues.slice(0, 50).map((i) => ({ path: i.path.join('.') || 'body', message: i.message })),
    );
  const { by, file, meters, rows } = parsed.data;
  if (rows.some(([m]) => m >= meters.length)) return refuse(422, [{ path: 'rows', message: 'a reading of no meter' }]);
  return writing(() => {
    const saved = id === null ? null : findStation(database(), id);
    if (!saved) return notFound('station');
    const readings = rows.map(([m, at, value]) => ({ meter: meters[m]!, at, value }));
    return Response.json(
      addReadings(database(), saved, { by: signedBy(request, by), file, readings }, now(), keyOf(request)),
      {
        status: 201,
      },
    );
  });
}
