import * as z from 'zod';
import { jsonOf, type Act } from './act';

/*
 * A photograph over a bad line: sent in pieces, each small enough to come through, under the id of its act. What is there already is not sent
 * again: whoever was cut off goes on where it ended.
 */

/** What is no larger goes as one, bytes; and how much one piece is: over a line of 10 kB/s it takes 13 s. */
const SMALL = 192 * 1024;
const PIECE = 128 * 1024;

const hasSchema = z.object({ has: z.number() });

/** What of an act is sent in pieces; null where it goes as one. */
export const inPieces = ({ kind, body }: Pick<Act, 'kind' | 'body'>): Blob | null =>
  (kind === 'photo' || kind === 'page-photo') && body instanceof Blob && body.size > SMALL ? body : null;

/** The address of an act whose body was sent before. */
export const withoutBody = (url: string, { id }: Pick<Act, 'id'>): string =>
  `${url}${url.includes('?') ? '&' : '?'}pieces=${id}`;

/**
 * Sends what of a body is not at the server yet.
 * @returns what the server answered instead of taking it; null once all of it is there
 * @throws where the server does not answer
 */
export async function sendPieces(
  { id, by }: Pick<Act, 'id' | 'by'>,
  body: Blob,
  fetch: (url: string, init: RequestInit) => Promise<Response>,
  signal: () => AbortSignal,
): Promise<Response | null> {
  const url = `/api/pieces/${id}`;
  const headers = {
    'content-type': 'application/octet-stream',
    ...(by !== null && { 'act-by': encodeURIComponent(by) }),
  };
  let at: number | null = null;
  while (at === null || at < body.size) {
    const response: Response =
      at === null
        ? await fetch(url, { method: 'GET', signal: signal() })
        : await fetch(`${url}?at=${at}`, {
            method: 'POST',
            body: body.slice(at, at + PIECE, 'application/octet-stream'),
            headers,
            signal: signal(),
          });
    const read = hasSchema.safeParse(jsonOf(await response.clone().text()));
    if (!response.ok || !read.success) return response;
    at = read.data.has;
  }
  return null;
}
