import * as z from 'zod';
import { PAGE_KINDS, pageSentSchema, type PageKind } from '@/core/book';
import { listPages, writePage } from '@/server/book';
import { database } from '@/server/db';
import { doneAt, idFrom, keyOf, notFound, now, readAs, refuse, writing } from '@/server/edge';
import { signedBy } from '@/server/people/who';
import { findStation } from '@/server/stations';

interface Context {
  params: Promise<{ id: string }>;
}

const querySchema = z.object({
  kind: z.enum(PAGE_KINDS.map(([k]) => k) as [PageKind, ...PageKind[]]).optional(),
  before: z.coerce.number().int().positive().optional(),
  pump: z.coerce.number().int().min(1).max(9).optional(),
  part: z.coerce.number().int().positive().optional(),
});

/** Pages of the book, newest first, fifty at a time. */
export async function GET(request: Request, { params }: Context): Promise<Response> {
  const id = idFrom((await params).id);
  const query = querySchema.safeParse(Object.fromEntries(new URL(request.url).searchParams));
  if (!query.success) return refuse(422, [{ path: 'address', message: 'asks for pages that there are not' }]);
  if (id === null || !findStation(database(), id)) return notFound('station');
  return Response.json({ pages: listPages(database(), id, query.data) });
}

/** Writes a page, with what was read of meters. */
export async function POST(request: Request, { params }: Context): Promise<Response> {
  const id = idFrom((await params).id);
  const body = await readAs(request, pageSentSchema);
  if (!body.ok) return body.response;
  return writing(() => {
    const saved = id === null ? null : findStation(database(), id);
    if (!saved) return notFound('station');
    const written = writePage(
      database(),
      saved,
      {
        ...body.value,
        by: signedBy(request, body.value.by),
        // “Now” is the moment it was written, not what a clock without signal took it for.
        ...(request.headers.has('act-now') && { at: doneAt(request) }),
      },
      now(),
      keyOf(request),
    );
    return written.ok
      ? Response.json({ page: written.page }, { status: 201 })
      : refuse(422, [{ path: 'book', message: written.detail }]);
  });
}
