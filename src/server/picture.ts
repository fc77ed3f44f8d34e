import { readBytes, refuse } from './edge';
import { LARGEST_PHOTO } from './photos';
import { dropPieces, isWord, piecesOf } from './pieces';

type Picture =
  { readonly ok: true; readonly bytes: Uint8Array; done(): void } | { readonly ok: false; readonly response: Response };

/** The photograph of a request: its body, or what was sent in pieces under a word before. `done` is called once it is kept. */
export async function pictureOf(request: Request): Promise<Picture> {
  const word = new URL(request.url).searchParams.get('pieces');
  if (word === null) {
    const body = await readBytes(request, LARGEST_PHOTO, 'a photograph');
    return body.ok ? { ok: true, bytes: body.value, done: () => {} } : body;
  }
  const bytes = isWord(word) ? piecesOf(word) : null;
  // Whoever sends it begins again.
  if (!bytes)
    return {
      ok: false,
      response: refuse(425, [{ path: 'photo', message: 'its pieces are not here any more: they are sent again' }]),
    };
  return { ok: true, bytes, done: () => dropPieces(word) };
}
