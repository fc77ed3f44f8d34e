import canonicalize from 'canonicalize';
import { deleteDB, openDB, type IDBPDatabase } from 'idb';
import { askedOf, type Rows } from '@/core/trace';
import type { Station } from '@/core/station';

/*
 * What the suspects of a station would show, kept on this device: who looks at the panel and comes back, or goes on after a break, does not wait for
 * them again. Kept for speed alone: what is not here, or is of another program or another document, is asked anew.
 */

/** What the core was made from when this was built; empty while it is being developed: then nothing is kept. */
export const KEEPS = process.env.PITBELL_CORE ?? '';
const NAME = 'pitbell-suspects';
const STORE = 'rows';
/** So many stations are kept, those that were asked last: a round that is taken along whole, some 50 MB. */
const MOST = 40;

interface Kept {
  readonly name: string;
  readonly program: string;
  /** The document that was asked, as text. */
  readonly station: string;
  readonly rows: Rows;
  readonly at: number;
}

const open = (): Promise<IDBPDatabase> =>
  openDB(NAME, 1, {
    upgrade: (db) => void db.createObjectStore(STORE, { keyPath: 'name' }).createIndex('at', 'at'),
  });

/** What is asked of a station, as text: in whatever order its fields stand. */
export const textOf = (station: Station): string => canonicalize(askedOf(station))!;
const nameOf = ({ identity: { site, name } }: Station): string => `${site} ▸ ${name}`;

/** The rows of a station as this program made them; null where they are not here. Never throws. */
export async function keptRows(station: Station, program = KEEPS): Promise<Rows | null> {
  if (program === '') return null;
  try {
    const db = await open();
    const kept = (await db.get(STORE, nameOf(station))) as Kept | undefined;
    db.close();
    return kept?.program === program && kept.station === textOf(station) ? kept.rows : null;
  } catch {
    return null;
  }
}

/** Keeps the rows of a station, in the place of those of its older documents. Never throws: a device without room asks anew. */
export async function keepRows(station: Station, rows: Rows, program = KEEPS): Promise<void> {
  if (program === '') return;
  try {
    const db = await open();
    const kept: Kept = { name: nameOf(station), program, station: textOf(station), rows, at: Date.now() };
    await db.put(STORE, kept);
    const old = (await db.getAllKeysFromIndex(STORE, 'at')).slice(0, -MOST);
    await Promise.all(old.map((key) => db.delete(STORE, key)));
    db.close();
  } catch {
    // Asked anew the next time.
  }
}

/** Takes them all off this device. Never throws. */
export async function forgetRows(): Promise<void> {
  try {
    await deleteDB(NAME);
  } catch {
    // Nothing may be kept here, so nothing is.
  }
}
