import * as z from 'zod';
import { kept } from '../parts/browserKeep';

/** Where it is written down what is along. */
export const TAKEN = 'pitbell.along';

const takenSchema = z.object({
  /** Of which build the pages are. */
  build: z.string(),
  /** ms since 1970 */
  at: z.number(),
  /** What the build wrote, bytes. */
  program: z.number(),
  stations: z.array(
    z.object({ id: z.number(), name: z.string(), at: z.number(), bytes: z.number(), pages: z.array(z.string()) }),
  ),
});
export type Taken = z.infer<typeof takenSchema>;

/** What is along on this device; null where nothing is, or nobody can tell. */
export function takenNow(): Taken | null {
  try {
    const read = takenSchema.safeParse(JSON.parse(kept(TAKEN) ?? 'null'));
    return read.success ? read.data : null;
  } catch {
    return null;
  }
}
