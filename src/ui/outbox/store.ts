import { openDB, type IDBPDatabase } from 'idb';
import { actSchema, isHere, type Act, type NewAct } from './act';

/*
 * The outbox in the browser’s own database: it outlives a closed tab, a restart and a new version of the application. What cannot be read
 * (of a version that is newer) stays where it is and is counted.
 */

const CHANNEL = 'pitbell.outbox';
/** So many that were sent are remembered; of the others none is dropped by itself. */
const REMEMBERED = 60;

let opened: Promise<IDBPDatabase> | null = null;

const open = (): Promise<IDBPDatabase> =>
  (opened ??= openDB('pitbell', 1, {
    upgrade: (db) => void db.createObjectStore('acts', { keyPath: 'n', autoIncrement: true }).createIndex('id', 'id'),
    terminated: () => void (opened = null),
  }).catch((error: unknown) => {
    opened = null;
    throw error;
  }));

const channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel(CHANNEL);
const listeners = new Set<() => void>();

/** Hears when something of the outbox is otherwise, in this tab or another. @returns ends it */
export function onOutbox(hear: () => void): () => void {
  listeners.add(hear);
  if (channel) channel.onmessage = () => listeners.forEach((l) => l());
  return () => void listeners.delete(hear);
}

function tell(): void {
  listeners.forEach((l) => l());
  channel?.postMessage('changed');
}

/** Puts an act in. @throws where the browser keeps nothing, or is full */
export async function putAct(act: NewAct, by: string | null, at = Date.now()): Promise<void> {
  const { body, about = null, after = null, now = false } = act;
  const kept: Omit<Act, 'n'> = {
    ...act,
    ...{ about, after, now, by, at },
    type: body instanceof Blob && body.type.startsWith('image/') ? body.type : 'application/json',
    state: 'waiting',
    why: null,
    answer: null,
  };
  const db = await open();
  if ((await db.getFromIndex('acts', 'id', act.id)) === undefined) await db.add('acts', kept);
  tell();
}

/** All acts, oldest first; and how many are kept that this version cannot read. */
export async function readActs(): Promise<{ acts: Act[]; unread: number }> {
  const all: unknown[] = await (await open()).getAll('acts');
  const read = all.map((a) => actSchema.safeParse(a));
  return { acts: read.flatMap((r) => (r.success ? [r.data] : [])), unread: read.filter((r) => !r.success).length };
}

/** Writes how it stands with an act. */
export async function setAct(act: Act): Promise<void> {
  const db = await open();
  // What the server has taken need not be carried about: a picture is large.
  await db.put('acts', act.state === 'sent' && act.body instanceof Blob ? { ...act, body: '' } : act);
  if (act.state === 'sent') await forgetOld(db);
  tell();
}

async function forgetOld(db: IDBPDatabase): Promise<void> {
  const { acts } = await readActs();
  const needed = new Set(acts.filter(isHere).map((a) => a.after));
  const old = acts.filter((a) => !isHere(a) && !needed.has(a.id)).slice(0, -REMEMBERED);
  await Promise.all(old.map((a) => db.delete('acts', a.n)));
}

/** Takes an act out: thrown away by a person, or its form has it again. */
export async function dropAct({ n }: Pick<Act, 'n'>): Promise<void> {
  await (await open()).delete('acts', n);
  tell();
}

/** Whether the browser has an outbox. */
export const canKeep = (): boolean => typeof indexedDB !== 'undefined';
