import { database } from '@/server/db';
import { idFrom, notFound, refuse } from '@/server/edge';
import { documentAt, storedDocument } from '@/server/stations';

const nameOf = (document: unknown): string => {
  const { identity } = (document ?? {}) as { identity?: { name?: unknown } };
  return typeof identity?.name === 'string' ? identity.name : 'station';
};

/** What is stored, or null where it is damaged: then it is sent as it is. */
function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}

/** The text as it is stored, or the answer that the database cannot give it any more. */
function asStored(id: number, revision: number | null): string | Response | null {
  try {
    return revision === null ? storedDocument(database(), id) : documentAt(database(), id, revision);
  } catch (error) {
    const message = `the part of the database that holds it is damaged (${(error as Error).message}): take it from a backup`;
    return refuse(500, [{ path: 'document', message }]);
  }
}

/** The saved document, or one of its older revisions (`?revision=3`), as a file, to be carried to another machine: as it is stored, even where this version cannot read it. */
export async function GET(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const id = idFrom((await params).id);
  const asked = new URL(request.url).searchParams.get('revision');
  const revision = asked === null ? null : idFrom(asked);
  if (asked !== null && revision === null) return notFound('revision');
  const stored = id === null ? null : asStored(id, revision);
  if (stored === null) return notFound('station');
  if (typeof stored !== 'string') return stored;
  const document = parsed(stored);
  const name =
    nameOf(document)
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-') || 'station';
  return new Response(document === null ? stored : JSON.stringify(document, null, 2), {
    headers: { 'content-type': 'application/json', 'content-disposition': `attachment; filename="${name}.json"` },
  });
}
