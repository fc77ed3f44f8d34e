import type { IncomingMessage, ServerResponse } from 'node:http';
import type * as z from 'zod';
import { enterSchema, joinSchema, type Accounts, type Coming, type Said } from './accounts';
import type { Person } from './people';
import { leastFor, mayPass, type Least } from './roles';
import { PERSON } from './who';

/*
 * Who stands at the door: every request of a network is asked for its person before anything answers it. Coming in, being invited and leaving
 * are answered here; all else goes on with the name of whoever asks.
 */

/** Requests of one account, and of one address without one, in a minute. */
const EACH_MINUTE = 1200;
/** Nobody who comes in sends more, bytes. */
const LARGEST = 4096;

export interface Gate {
  readonly accounts: Accounts;
  /** Addresses of proxies that say truly who stands before them. */
  readonly proxies: readonly string[];
  readonly clock?: () => number;
}

/** The address that a request comes from: of whoever stands before a proxy that is trusted, else of the other end of the line. */
export function comesFrom(request: Pick<IncomingMessage, 'headers' | 'socket'>, proxies: readonly string[]): string {
  const plain = (a: string) => a.replace(/^::ffff:/, '');
  const other = plain(request.socket.remoteAddress ?? '');
  if (!proxies.includes(other)) return other;
  // The last that is none of the proxies: what stands before it anybody may have written.
  const said = String(request.headers['x-forwarded-for'] ?? '')
    .split(',')
    .map((a) => plain(a.trim()))
    .filter((a) => a !== '');
  return said.findLast((a) => !proxies.includes(a)) ?? other;
}

const comingOf = (request: IncomingMessage, proxies: readonly string[]): Coming => ({
  address: comesFrom(request, proxies),
  device: String(request.headers['user-agent'] ?? '').slice(0, 200),
  cookie: request.headers.cookie ?? '',
});

const problem = (response: ServerResponse, status: number, message: string, path = 'door'): void => {
  response.writeHead(status, { 'content-type': 'application/json', 'cache-control': 'no-store' });
  response.end(JSON.stringify({ problems: [{ path, message }] }));
};

async function bodyOf(request: IncomingMessage): Promise<unknown> {
  let text = '';
  for await (const chunk of request) {
    text += String(chunk);
    if (text.length > LARGEST) return undefined;
  }
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}

/** So many requests in a minute, by who asks. */
function limits(clock: () => number) {
  let [minute, counts] = [0, new Map<string, number>()];
  return (who: string): boolean => {
    const now = Math.floor(clock() / 60_000);
    if (now !== minute) [minute, counts] = [now, new Map()];
    const count = (counts.get(who) ?? 0) + 1;
    counts.set(who, count);
    return count <= EACH_MINUTE;
  };
}

async function atDoor<T>(
  request: IncomingMessage,
  response: ServerResponse,
  schema: z.ZodType<T>,
  say: (value: T) => Promise<Said>,
): Promise<void> {
  const parsed = schema.safeParse(await bodyOf(request));
  if (!parsed.success) {
    const first = parsed.error.issues[0]!;
    return problem(response, 422, first.message, first.path.join('.') || 'door');
  }
  const said = await say(parsed.data);
  if (!said.ok) {
    if (said.wait !== undefined) response.setHeader('retry-after', String(said.wait));
    return problem(response, said.status, said.why);
  }
  response.setHeader('set-cookie', [...said.cookies]);
  response.writeHead(200, { 'content-type': 'application/json', 'cache-control': 'no-store' });
  response.end('{"in":true}');
}

/** Sends whoever asks for a page and is not in to where one comes in, and back afterwards. */
function toSignIn(request: IncomingMessage, response: ServerResponse): void {
  const to = request.url === '/' ? '' : `?to=${encodeURIComponent(request.url!)}`;
  response.writeHead(303, { location: `/sign-in${to}`, 'cache-control': 'no-store' });
  response.end();
}

/** Says no to somebody who is in and may not, or is not in. */
function refuse(request: IncomingMessage, response: ServerResponse, person: Person | null, least: Least | null): void {
  if (person && least === null) problem(response, 404, 'there is nothing at this address', 'address');
  else if (person)
    problem(
      response,
      403,
      `this is for ${least === 'owner' ? 'an owner' : `an ${least}`}: you are ${person.role} here`,
    );
  else if (request.url!.startsWith('/api/'))
    problem(response, 401, 'you are signed out: sign in again, nothing of what you wrote is lost');
  else toSignIn(request, response);
}

/** Sends a reader who is held to stations of his own away from another’s: what he may see hangs in Round. */
function toHisOwn(request: IncomingMessage, response: ServerResponse): false {
  request.resume();
  if (request.url!.startsWith('/api/'))
    problem(response, 403, 'this is not of the stations that you were asked in to see');
  else {
    response.writeHead(303, { location: '/', 'cache-control': 'no-store' });
    response.end();
  }
  return false;
}

/** Whether a change was written by somebody else on the same device, before whoever is in now came in: it is not theirs to send. */
function foreign(request: IncomingMessage, person: Person | null): string | null {
  const said = request.headers['act-by'];
  if (person === null || typeof said !== 'string') return null;
  try {
    const name = decodeURIComponent(said);
    return name === person.name ? null : name;
  } catch {
    return said;
  }
}

/** What is asked of the door itself. */
async function doorAsked(
  path: string,
  request: IncomingMessage,
  response: ServerResponse,
  accounts: Accounts,
  from: Coming,
): Promise<void> {
  if (path === '/api/door/enter') return atDoor(request, response, enterSchema, (v) => accounts.enter(v, from));
  if (path === '/api/door/join') return atDoor(request, response, joinSchema, (v) => accounts.join(v, from));
  response.setHeader('set-cookie', [...(await accounts.leave(from))]);
  response.writeHead(200, { 'content-type': 'application/json', 'cache-control': 'no-store' });
  response.end('{"in":false}');
}

/**
 * Lets requests pass with the name of their person.
 * @returns whether it goes on; otherwise it has been answered
 */
export function gateOf({ accounts, proxies, clock = Date.now }: Gate) {
  const within = limits(clock);
  return async (request: IncomingMessage, response: ServerResponse): Promise<boolean> => {
    const { method = 'GET' } = request;
    const path = request.url!.split('?')[0]!;
    // What the build wrote is the same for everybody, and holds nothing of any station.
    if (path.startsWith('/_next/static/')) return true;
    const from = comingOf(request, proxies);
    const person = await accounts.personAt(from);
    if (!within(person?.id ?? from.address)) {
      response.setHeader('retry-after', '60');
      problem(response, 429, 'more than a person asks for: wait a minute');
      return false;
    }
    const least = leastFor(method, path);
    if (least === null || !mayPass(person?.role ?? null, least)) {
      request.resume();
      refuse(request, response, person, least);
      return false;
    }
    if (least !== 'anyone' && !accounts.maySee(person, request.url!)) return toHisOwn(request, response);
    const other = foreign(request, person);
    if (other !== null) {
      request.resume();
      problem(response, 401, `this was written by ${other}: it is sent when ${other} signs in here again`);
      return false;
    }
    if (path.startsWith('/api/door/')) {
      await doorAsked(path, request, response, accounts, from);
      return false;
    }
    if (person) request.headers[PERSON] = encodeURIComponent(JSON.stringify(person));
    return true;
  };
}
