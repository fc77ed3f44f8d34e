import type * as z from 'zod';
import { newKey } from '../parts/browserKeep';
import type { Act } from './act';
import { through, type Through } from './through';

/** Keeps something for the whole firm, through the outbox. Never throws. @param what it is, in words, as it is listed */
export const forFirm = <T>(
  what: string,
  { url, method, body }: Pick<Act, 'url' | 'method'> & { readonly body: unknown },
  schema: z.ZodType<T>,
): Promise<Through<T>> =>
  through({ id: newKey(), kind: 'firm', what, stationId: null, url, method, body: JSON.stringify(body) }, schema);
