import { createServer, type IncomingMessage, type Server, type ServerResponse } from 'node:http';
import { createServer as createSecure } from 'node:https';
import { readFileSync } from 'node:fs';
import { networkInterfaces } from 'node:os';
import path from 'node:path';
import { Worker } from 'node:worker_threads';
import next from 'next';
import sirv from 'sirv';
import { closeDatabase, database, DataTrouble, openDataFolder } from './db';
import { accountsOf, secretIn } from './people/accounts';
import { gateOf } from './people/gate';
import { invite, nobodyIn } from './people/people';
import { PERSON } from './people/who';
import { contentPolicy, GUARDS, LOOPBACK, METHODS, newNonce, refused } from './door';
import { listNames } from './heads';
import { askedHourly } from './asked';
import { nightlyCopies } from './nightly';
import { dropLeft } from './pieces';
import { onAlone } from './switching';
import { emptyBin } from './rest';

export interface Serving {
  readonly folder: string;
  readonly port: number;
  readonly host: string;
  /** Further names that it answers to. */
  readonly names: readonly string[];
  /** Whether people sign in. */
  readonly people: boolean;
  /** Whether an owner is asked in though there are people: nobody knows his passphrase any more. */
  readonly invite: boolean;
  /** How many copies of the night are kept. */
  readonly copies: number;
  /** What TLS is made with; null: none. */
  readonly tls: { readonly cert: string; readonly key: string } | null;
  /** Proxies that say truly who stands before them, and that take TLS. */
  readonly proxies: readonly string[];
}

/** Something that keeps the server from starting, in one line. */
export class CannotStart extends Error {}

const WILD = ['0.0.0.0', '::'];
const inAddress = (address: string) => (address.includes(':') ? `[${address}]` : address);

/** Hosts that this server answers to: itself, where it was told to listen, and what it was told it is called. */
export function namesOf({ host, names }: Pick<Serving, 'host' | 'names'>): ReadonlySet<string> {
  const own = WILD.includes(host)
    ? Object.values(networkInterfaces()).flatMap((all) => (all ?? []).map((a) => inAddress(a.address)))
    : [inAddress(host)];
  return new Set([...LOOPBACK, ...own, ...names].map((n) => n.toLowerCase()));
}

/** Looks at the data folder before anything is started on it. @throws CannotStart where it cannot be used */
function tryData(): void {
  try {
    openDataFolder().close();
  } catch (error) {
    if (error instanceof DataTrouble) throw new CannotStart(error.message);
    throw error;
  }
}

function answer(response: ServerResponse, status: number, message: string): void {
  const headers = { 'content-type': 'application/json', 'cache-control': 'no-store', ...GUARDS };
  if (status === 204 || status === 405) response.setHeader('allow', METHODS.join(', '));
  response.writeHead(status, headers);
  response.end(status === 204 ? undefined : JSON.stringify({ problems: [{ path: 'address', message }] }));
}

type Handler = (request: IncomingMessage, response: ServerResponse) => Promise<void>;

const BUILT = '/_next/static/';

/**
 * What the build wrote, as small as it was written and for good, its name being made of what is in it; all else goes on to the application.
 * The application alone would pack it anew for every browser, and a fifth larger.
 */
function builtFirst(folder: string, handle: Handler): Handler {
  const files = sirv(path.join(folder, '.next/static'), {
    brotli: true,
    gzip: true,
    immutable: true,
    maxAge: 31_536_000,
  });
  return async (request, response) => {
    const { url } = request;
    if (!url?.startsWith(BUILT)) return handle(request, response);
    request.url = url.slice(BUILT.length - 1);
    files(request, response, () => {
      request.url = url;
      void handle(request, response);
    });
  };
}

/** Lets in what may come in, with the word that its page’s scripts are known by. */
function letIn(
  handle: Handler,
  names: ReadonlySet<string>,
  gate: ReturnType<typeof gateOf> | null,
  tls: boolean,
  secure: boolean,
  build: string,
) {
  return (request: IncomingMessage, response: ServerResponse): void => {
    // Nobody says of himself who he is, or how he came here.
    delete request.headers[PERSON];
    request.headers['x-forwarded-proto'] = secure ? 'https' : 'http';
    const no = refused(request, names, gate !== null);
    if (no) {
      answer(response, no.status, no.message);
      // What was being sent is not read.
      if (no.status !== 204) request.resume();
      return;
    }
    const policy = contentPolicy(newNonce());
    // The application reads the word from the policy that it is asked with, and so does the browser from that of the answer.
    request.headers['content-security-policy'] = policy;
    response.setHeader('content-security-policy', policy);
    for (const [name, value] of Object.entries(GUARDS)) response.setHeader(name, value);
    response.setHeader('pitbell-build', build);
    if (tls) response.setHeader('strict-transport-security', 'max-age=31536000');
    if (request.url?.startsWith('/api/')) response.setHeader('cache-control', 'no-store');
    const passed = gate ? gate(request, response) : Promise.resolve(true);
    passed
      .then((on) => (on ? handle(request, response) : undefined))
      .catch((error: unknown) => {
        process.stderr.write(`${(error as Error).message}\n`);
        if (response.headersSent) response.destroy();
        else answer(response, 500, 'the server could not answer this');
      });
  };
}

const listening = (server: Server, port: number, host: string): Promise<void> =>
  new Promise((resolve, reject) => {
    server.once('error', (error: NodeJS.ErrnoException) =>
      reject(
        error.code === 'EADDRINUSE'
          ? new CannotStart(
              `Port ${port} on ${host} is taken: is Pit Bell running already? Another port: --port ${port + 1}`,
            )
          : new CannotStart(`Cannot listen on ${host}, port ${port}: ${error.message}`),
      ),
    );
    server.listen(port, host, resolve);
  });

/** The thread that reads the panels, as the build writes it. */
const PANELS = 'dist/panels.mjs';
/** A thread that has ended by itself is begun again after so long, ms. */
const AGAIN = 30_000;

/** Reads the panels of all stations beside all else. @returns ends it, and tells when its connection is closed */
function readPanels(folder: string): () => Promise<void> {
  let worker: Worker | null = null;
  let ended = false;
  const begin = () => {
    if (ended) return;
    worker = new Worker(path.join(folder, PANELS));
    worker.on('error', (error) => process.stderr.write(`reading the panels: ${error.message}\n`));
    worker.once('exit', () => setTimeout(begin, AGAIN).unref());
  };
  begin();
  return () => {
    ended = true;
    const last = worker;
    if (!last || last.threadId === -1) return Promise.resolve();
    return new Promise((resolve) => {
      last.once('exit', () => resolve());
      last.postMessage('end');
    });
  };
}

/** How often the bin is looked at, ms. */
const DAY = 86_400_000;

/** Deletes for good what has rested in the bin long enough, and what nobody went on sending; where that fails it rests on. */
function emptyBinNow(): void {
  try {
    dropLeft(Date.now());
    emptyBin(database(), Date.now());
  } catch (error) {
    process.stderr.write(`the bin was not emptied: ${(error as Error).message}\n`);
  }
}

/** How long answers that are under way may take when the server is stopped, ms. */
const GRACE = 3000;

/** Ends the server: nothing new is let in, what is under way is given a moment, the database is folded up. */
function stopper(server: Server, also: () => Promise<void>): () => void {
  let stopping = false;
  return () => {
    if (stopping) return;
    stopping = true;
    const end = () => {
      closeDatabase();
      process.exit(0);
    };
    // The database is folded up by whoever closes it last: that is this thread.
    const others = also();
    server.close(() => void others.then(end));
    server.closeIdleConnections();
    setTimeout(end, GRACE);
  };
}

/** Asks each kind of page once, so that the first person who opens one does not wait until its code is read. */
async function warmUp(address: string, station: number): Promise<void> {
  const views = station
    ? ['survey', 'levels', 'panel', 'rehearse', 'prove', 'book', 'card'].map((v) => `/stations/${station}/${v}`)
    : [];
  for (const path of ['/', ...views]) {
    try {
      await (await fetch(address + path)).arrayBuffer();
    } catch {
      return;
    }
  }
}

/** What stands at the door where people sign in; null where nobody does. */
async function gateFor({ people, tls, proxies }: Serving): Promise<ReturnType<typeof gateOf> | null> {
  if (!people) return null;
  const secure = tls !== null || proxies.length > 0;
  return gateOf({ accounts: await accountsOf(database(), secretIn(), secure), proxies });
}

/** The word by which an owner comes in: the first of all, or another where that is wished; null where nobody has to be asked in. */
const firstWord = ({ people, invite: wished }: Serving): string | null =>
  people && (wished || nobodyIn(database())) ? invite(database(), 'owner', null, new Date().toISOString()) : null;

/**
 * Serves the built application until it is told to stop.
 * @returns the word by which an owner comes in, where nobody has an account yet or another is wished
 * @throws CannotStart with what is in the way
 */
export async function serveBuilt(serving: Serving): Promise<{ firstWord: string | null }> {
  const { folder, port, host, names, tls, proxies } = serving;
  tryData();
  const app = next({ dev: false, dir: folder, hostname: host, port });
  // The port first: a second start must not get as far as the application.
  let handle: Handler | null = null;
  let gate = await gateFor(serving);
  const all = namesOf({ host, names });
  const build = readFileSync(path.join(folder, '.next/BUILD_ID'), 'utf8').trim();
  const listener = (request: IncomingMessage, response: ServerResponse) => {
    if (handle) letIn(handle, all, gate, tls !== null, tls !== null || proxies.length > 0, build)(request, response);
    else answer(response, 503, 'starting');
  };
  const server = tls ? secured(tls, listener) : createServer(listener);
  server.requestTimeout = 60_000;
  server.headersTimeout = 20_000;
  await listening(server, port, host);
  emptyBinNow();
  setInterval(emptyBinNow, DAY).unref();
  let noPanels: () => Promise<void> = () => Promise.resolve();
  const say = (line: string) => void process.stderr.write(`${line}\n`);
  const [noCopies, noAsking] = [nightlyCopies(serving.copies, say), askedHourly(say)];
  const stop = stopper(server, () => (noCopies(), noAsking(), noPanels()));
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const) process.on(signal, stop);
  await app.prepare();
  noPanels = readPanels(folder);
  const answers = builtFirst(folder, app.getRequestHandler() as Handler);
  handle = answers;
  onAlone(async (work) => {
    handle = null;
    try {
      await noPanels();
      work();
    } finally {
      gate = await gateFor(serving);
      noPanels = readPanels(folder);
      handle = answers;
      // A backup in which nobody has an account yet would let nobody in.
      const word = firstWord({ ...serving, invite: false });
      if (word !== null)
        process.stdout.write(`\nNobody has an account any more. Who opens /join/${word} first becomes an owner.\n`);
    }
  });
  const own = inAddress(WILD.includes(host) ? '127.0.0.1' : host);
  // Behind a gate nobody is asked in to warm it.
  if (!gate && !tls) void warmUp(`http://${own}:${port}`, listNames(database())[0]?.id ?? 0);
  return { firstWord: firstWord(serving) };
}

/** A server over TLS. @throws CannotStart where certificate and key do not belong together, or are none */
function secured(tls: NonNullable<Serving['tls']>, listener: (q: IncomingMessage, r: ServerResponse) => void): Server {
  try {
    return createSecure({ cert: tls.cert, key: tls.key, minVersion: 'TLSv1.2' }, listener);
  } catch (error) {
    throw new CannotStart(`--cert and --key are no certificate with its key: ${(error as Error).message}`);
  }
}
