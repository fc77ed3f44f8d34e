import type { StationFigures } from '@/pool/figures';
import type { Db } from './db';
import { headsOf, keepFigures, type Head } from './heads';
import { Busy, coreStamp, work } from './pool';
import { readStation, storedDocument } from './stations';

/** Figures of another program are worked out anew. */
const fresh = ({ byCore }: Pick<Head, 'byCore'>): boolean => byCore === coreStamp();

async function workOut(db: Db, { id, revision }: Head): Promise<StationFigures> {
  const found = readStation(db, id);
  const figures =
    found === null || !found.ok
      ? {
          failed:
            found?.unreadable.problems
              .slice(0, 3)
              .map((p) => `${p.path}: ${p.message}`)
              .join('; ') ?? 'there is no such station',
        }
      : await work('figures', storedDocument(db, id)!).catch((error: unknown): StationFigures => {
          if (error instanceof Busy) throw error;
          return { failed: (error as Error).message };
        });
  keepFigures(db, id, revision, coreStamp(), figures);
  return figures;
}

/** One after the other: what is looked at waits for few others, and the pool has room for what is asked at once. */
let last: Promise<unknown> = Promise.resolve();
const underway = new Map<string, Promise<StationFigures>>();

function queued(db: Db, head: Head): Promise<StationFigures> {
  const key = `${head.id}.${head.revision}`;
  const going = underway.get(key);
  if (going) return going;
  const done = last.then(() => workOut(db, head)).finally(() => underway.delete(key));
  underway.set(key, done);
  last = done.catch(() => {});
  return done;
}

/** Stations with their figures as far as they are known now; what is not known is worked out meanwhile. */
export function headsNow(db: Db, ids: readonly number[]): Head[] {
  return headsOf(db, ids).map((head) => {
    if (fresh(head)) return head;
    void queued(db, head).catch(() => {});
    return { ...head, figures: null };
  });
}

/** Stations with their figures, waited for. What is busy is left null, to be asked again. */
export async function headsWorkedOut(db: Db, ids: readonly number[]): Promise<Head[]> {
  return Promise.all(
    headsOf(db, ids).map(async (head) =>
      fresh(head) ? head : { ...head, figures: await queued(db, head).catch(() => null) },
    ),
  );
}
