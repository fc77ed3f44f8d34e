import * as z from 'zod';
import { jsonOf, numberOf, type Act } from './act';
import { inPieces, sendPieces, withoutBody } from './pieces';

/*
 * Sending what is in the outbox, in the order in which it was done. What the server takes is sent; what it will never take is refused, with its
 * reason; where it does not answer, or somebody has to sign in, all waits. Nothing is dropped here.
 */

/** The outbox, and the way to the server. */
export interface Post {
  readonly acts: () => Promise<readonly Act[]>;
  readonly set: (act: Act) => Promise<void>;
  readonly fetch: (url: string, init: RequestInit) => Promise<Response>;
  readonly clock: () => number;
}

/** How long a server may take with one act, ms. */
const PATIENCE = 20_000;

/** Answers after which the same act may well be taken later. */
const LATER: ReadonlySet<number> = new Set([401, 408, 425, 429, 500, 502, 503, 504, 507]);

const problemsSchema = z.object({ problems: z.array(z.object({ message: z.string() })) });
const saysTheirs = z.object({ theirs: z.unknown() });

const reasonIn = (json: unknown, status: number): string => {
  const read = problemsSchema.safeParse(json);
  return read.success ? read.data.problems.map((p) => p.message).join('; ') : `the server answered ${status}`;
};

type Fate = Pick<Act, 'state' | 'why' | 'answer'>;

/** What becomes of an act by an answer. */
async function fateOf(response: Response, act: Act): Promise<Fate> {
  const answer = await response.text();
  const json = jsonOf(answer);
  if (response.ok)
    return json === undefined
      ? { state: 'waiting', why: 'the server answered without words that can be read', answer: null }
      : { state: 'sent', why: null, answer };
  const why = reasonIn(json, response.status);
  // A station that was saved elsewhere in between: both versions are kept, and shown.
  if (response.status === 409 && act.kind === 'station' && saysTheirs.safeParse(json).success)
    return { state: 'differs', why, answer };
  return LATER.has(response.status) ? { state: 'waiting', why, answer: null } : { state: 'refused', why, answer };
}

/** A run is of what its station is: it waits until that has been sent, or somebody has decided which of two versions it is. */
const ofUndecided = ({ kind, stationId }: Act, acts: ReadonlyMap<string, Act>): boolean =>
  kind === 'run' &&
  [...acts.values()].some(
    (a) => a.kind === 'station' && a.stationId === stationId && (a.state === 'waiting' || a.state === 'differs'),
  );

/** Where an act goes; null while what it belongs to has no number; undefined where that was refused. */
function addressOf(act: Act, acts: ReadonlyMap<string, Act>): string | null | undefined {
  const { url, after } = act;
  if (after === null) return ofUndecided(act, acts) ? null : url;
  const before = acts.get(after);
  if (!before || before.state === 'refused') return undefined;
  if (before.state !== 'sent') return null;
  const id = numberOf(before);
  return id === null ? undefined : url.replace('{id}', String(id));
}

/** What hangs on a new station is of that station, once it has its number. */
function ofItsStation(act: Act, url: string, acts: ReadonlyMap<string, Act>): Act {
  const before = act.after === null ? undefined : acts.get(act.after);
  const id = before?.kind === 'new-station' ? numberOf(before) : null;
  if (id === null) return act;
  return { ...act, stationId: id, about: act.about?.replace(before!.id, String(id)) ?? null, url, after: null };
}

async function sendOne(act: Act, url: string, { fetch, clock }: Post): Promise<Fate> {
  const signal = () => AbortSignal.timeout(PATIENCE);
  try {
    const pieces = inPieces(act);
    const stopped = pieces ? await sendPieces(act, pieces, fetch, signal) : null;
    if (stopped) return await fateOf(stopped, act);
    const response = await fetch(pieces ? withoutBody(url, act) : url, {
      method: act.method,
      body: pieces ? '' : act.body,
      headers: {
        'content-type': act.type,
        'idempotency-key': act.id,
        'act-age': String(Math.max(clock() - act.at, 0)),
        ...(act.now && { 'act-now': '1' }),
        ...(act.by !== null && { 'act-by': encodeURIComponent(act.by) }),
      },
      signal: signal(),
    });
    return await fateOf(response, act);
  } catch (error) {
    const hangs = (error as Error).name === 'TimeoutError';
    const why = hangs ? `the server has not answered for ${PATIENCE / 1000} seconds` : 'the server does not answer';
    return { state: 'waiting', why, answer: null };
  }
}

const LOST = 'what it belongs to was not taken';

/**
 * Sends what waits, oldest first, until all is sent or nothing more goes.
 * @returns the stations of which something was taken
 */
export async function sendAll(post: Post): Promise<ReadonlySet<number>> {
  const acts = new Map((await post.acts()).map((a) => [a.id, a]));
  const taken = new Set<number>();
  /** Once through all that waits. @returns whether something that waited for another may go now */
  const round = async (): Promise<boolean> => {
    let [passed, sent] = [false, false];
    for (const waits of acts.values()) {
      if (waits.state !== 'waiting') continue;
      const url = addressOf(waits, acts);
      if (url === null) {
        passed = true;
        continue;
      }
      const act = url === undefined ? waits : ofItsStation(waits, url, acts);
      const fate: Fate =
        url === undefined ? { state: 'refused', why: LOST, answer: null } : await sendOne(act, url, post);
      const now = { ...act, ...fate };
      acts.set(act.id, now);
      if (now.state !== waits.state || now.why !== waits.why || act !== waits) await post.set(now);
      // Where one is not heard, the next is not either.
      if (now.state === 'waiting') return false;
      if (now.state === 'sent' && act.stationId !== null) taken.add(act.stationId);
      sent = true;
    }
    return passed && sent;
  };
  while (await round());
  return taken;
}
