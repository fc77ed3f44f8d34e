import { statfsSync } from 'node:fs';
import { dataFolder } from '@/server/db';
import { idFrom, notFound, readBytes, refuse, writing } from '@/server/edge';
import { addPiece, isWord, piecesHere } from '@/server/pieces';

/** No piece is larger, bytes. */
const LARGEST_PIECE = 8 * 1024 * 1024;
/** What a backup needs beside itself until it is switched: itself once more, and room to breathe. */
const ROOM = 3;

/** The largest backup that there is room for. */
function largest(here: number): number {
  const { bavail, bsize } = statfsSync(dataFolder());
  return (here * ROOM + bavail * bsize) / ROOM;
}

/** How much of a backup is here. */
export async function GET(_: Request, { params }: { params: Promise<{ word: string }> }): Promise<Response> {
  const { word } = await params;
  return isWord(word) ? Response.json({ has: piecesHere(word) }) : notFound('backup');
}

/** A piece of a backup, from the place that is named; it is told how much is here then. `of`: how large all of it is. */
export async function POST(request: Request, { params }: { params: Promise<{ word: string }> }): Promise<Response> {
  const { word } = await params;
  const asked = new URL(request.url).searchParams;
  const [at, of] = ['at', 'of'].map((k) => (asked.get(k) === '0' ? 0 : idFrom(asked.get(k) ?? '')));
  if (!isWord(word) || at === null || at === undefined || !of) return notFound('backup');
  const most = largest(piecesHere(word));
  if (of > most)
    return refuse(507, [
      { path: 'file', message: 'there is no room for it on the disk of the server: it takes three times its size' },
    ]);
  const body = await readBytes(request, LARGEST_PIECE, 'a piece');
  if (!body.ok) return body.response;
  return writing(() => {
    const has = addPiece(word, at, body.value, of);
    return has === null
      ? refuse(422, [{ path: 'file', message: 'this piece goes past the end that was said' }])
      : Response.json({ has });
  });
}
