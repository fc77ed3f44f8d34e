import type * as z from 'zod';
import { ask, readProblems, type Answer } from '../parts/ask';
import { jsonOf, type Act, type NewAct } from './act';
import { moveToNumbers } from './moved';
import { sendAll } from './send';
import { canKeep, dropAct, putAct, readActs, setAct } from './store';

/** What came of an act: the server’s answer to it, or that it is kept on this device until it can be sent. */
export type Through<T> = Answer<T> | { ok: 'kept'; why: string };

/** Whoever is signed in, as the page says; null where nobody is. */
export const signedIn = (): string | null => document.body.dataset.person ?? null;

const LOCK = 'pitbell.outbox';

/** What is told when something of a station was taken by the server. */
const taken = new Set<(stations: ReadonlySet<number>) => void>();
export const onTaken = (hear: (stations: ReadonlySet<number>) => void): (() => void) => {
  taken.add(hear);
  return () => void taken.delete(hear);
};

/** Does something while no tab sends. */
export async function alone(run: () => Promise<void>): Promise<void> {
  // A page of plain HTTP has no locks; there the keys keep two tabs from doing one thing twice.
  const locks = (globalThis.navigator as Navigator | undefined)?.locks as LockManager | undefined;
  await (locks ? locks.request(LOCK, run) : run());
}

/** Sends what waits; one tab at a time. Never throws. */
export async function sendWaiting(): Promise<void> {
  const send = async () => {
    const stations = await sendAll({
      acts: async () => (await readActs()).acts,
      set: setAct,
      fetch: (url, init) => fetch(url, init),
      clock: Date.now,
    });
    moveToNumbers((await readActs()).acts);
    if (stations.size > 0) taken.forEach((hear) => hear(stations));
  };
  try {
    await alone(send);
  } catch {
    // What the browser does not give now it may give later: nothing was dropped.
  }
}

const problemsOf = ({ answer, why }: Act) =>
  readProblems(jsonOf(answer)) ?? [{ path: 'server', message: why ?? 'was not taken' }];

const NO_ROOM = 'this device has no room left: make room, or leave this page open until it is sent';
const NOTHING_KEPT = 'this browser keeps nothing: leave this page open until it is sent';

/** What an act came to, as whoever asked hears it; one that was refused at once goes back to its form. */
async function heard<T>(act: Act | undefined, schema: z.ZodType<T>): Promise<Through<T>> {
  if (act?.state === 'refused') {
    await dropAct(act);
    return { ok: false, problems: problemsOf(act), rest: null };
  }
  if (act?.state === 'differs') return { ok: false, problems: problemsOf(act), rest: jsonOf(act.answer) };
  if (act?.state !== 'sent') return { ok: 'kept', why: act?.why ?? 'others are sent before it' };
  const read = schema.safeParse(jsonOf(act.answer));
  return read.success
    ? { ok: true, value: read.data }
    : { ok: null, why: 'the server took it, and answered without words that can be read' };
}

/** Puts an act in the outbox and tries to send it. Never throws. Where the browser keeps nothing it is sent as it is, or not at all. */
export async function through<T>(act: NewAct, schema: z.ZodType<T>): Promise<Through<T>> {
  try {
    if (!canKeep()) throw new Error(NOTHING_KEPT);
    await putAct(act, signedIn());
  } catch (error) {
    const { url, method, body, id } = act;
    const why = (error as Error).name === 'QuotaExceededError' ? NO_ROOM : NOTHING_KEPT;
    if (act.after !== undefined && act.after !== null) return { ok: null, why };
    const file = body instanceof Blob ? new File([body], 'sent', { type: body.type }) : body;
    const sent = await ask(url, schema, { method, body: file, key: id });
    return sent.ok === null ? { ok: null, why: `${sent.why}, and ${why}` } : sent;
  }
  await sendWaiting();
  return heard(
    (await readActs()).acts.find((a) => a.id === act.id),
    schema,
  );
}
