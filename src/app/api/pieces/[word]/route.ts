import { idFrom, notFound, readBytes, refuse, writing } from '@/server/edge';
import { LARGEST_PHOTO } from '@/server/photos';
import { addPiece, isWord, piecesHere } from '@/server/pieces';

/** No piece is larger, bytes. */
const LARGEST_PIECE = 1024 * 1024;

/** How much of a photograph is here. */
export async function GET(_: Request, { params }: { params: Promise<{ word: string }> }): Promise<Response> {
  const { word } = await params;
  return isWord(word) ? Response.json({ has: piecesHere(word) }) : notFound('photograph');
}

/** A piece of a photograph, from the place that is named; it is told how much is here then. */
export async function POST(request: Request, { params }: { params: Promise<{ word: string }> }): Promise<Response> {
  const { word } = await params;
  const from = new URL(request.url).searchParams.get('at') ?? '';
  const at = from === '0' ? 0 : idFrom(from);
  if (!isWord(word) || at === null) return notFound('photograph');
  const body = await readBytes(request, LARGEST_PIECE, 'a piece');
  if (!body.ok) return body.response;
  return writing(() => {
    const has = addPiece(word, at, body.value, LARGEST_PHOTO);
    return has === null
      ? refuse(413, [
          { path: 'photo', message: `a photograph of more than ${LARGEST_PHOTO / 1024 / 1024} MB is not taken` },
        ])
      : Response.json({ has });
  });
}
