import { closeDatabase } from './db';

/* While one database takes the place of another nobody may have it open: whoever serves says how that is brought about. */

type Alone = (work: () => void) => Promise<void>;

const holder = globalThis as { pitBellAlone?: Alone };

/** Says how everything that has the database open lets go of it, and takes it up again afterwards. */
export const onAlone = (alone: Alone): void => void (holder.pitBellAlone = alone);

/** Does something while nobody has the database open. @throws what the work throws; it is opened again all the same */
export async function whileAlone<T>(work: () => T): Promise<T> {
  let done: { is: T } | null = null;
  const now = () => {
    closeDatabase();
    done = { is: work() };
  };
  if (holder.pitBellAlone) await holder.pitBellAlone(now);
  else now();
  return done!.is;
}
