import type { Person } from './people';

/** How the door tells the application who asks: nothing of this name comes in from outside. */
export const PERSON = 'x-pitbell-person';

/** Whoever asks; null where nobody signs in here. */
export function personFrom(headers: Headers): Person | null {
  const said = headers.get(PERSON);
  return said === null ? null : (JSON.parse(decodeURIComponent(said)) as Person);
}

/** Who is written beside a change: whoever is signed in, whatever was said; where nobody signs in, what was said. */
export const signedBy = <T extends string | undefined>(request: Request, said: T): T | string =>
  personFrom(request.headers)?.name ?? said;
