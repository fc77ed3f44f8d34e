import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { createServer, type AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';

/** What is left when the program ends, however it does. */
const folders: string[] = [];
const servers = new Set<ChildProcess>();
process.on('exit', () => {
  for (const server of servers) server.kill('SIGKILL');
  for (const folder of folders) rmSync(folder, { recursive: true, force: true });
});

/** A data folder of this torment’s own, gone when the program ends. */
export function ownFolder(name: string): string {
  const folder = mkdtempSync(path.join(tmpdir(), `pitbell-${name}-`));
  folders.push(folder);
  return folder;
}

const freePort = (): Promise<number> =>
  new Promise((resolve) => {
    const probe = createServer();
    probe.listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as AddressInfo;
      probe.close(() => resolve(port));
    });
  });

export interface Running {
  readonly address: string;
  readonly pid: number;
  /** Asks it, as one of the people that it knows where it knows any. */
  ask(path: string, init?: RequestInit, who?: number): Promise<Response>;
  /** What one of the people is known by, where it knows any. */
  cookieOf(who: number): Readonly<Record<string, string>>;
  /** Ends when the process does. */
  readonly ended: Promise<number | null>;
  kill(signal: NodeJS.Signals): Promise<number | null>;
}

/** The built server on a data folder, waited for until it answers. @param within what the shell does before, such as a limit */
async function started(folder: string, args: string, within = ''): Promise<Running & { readonly said: () => string }> {
  const port = await freePort();
  const child: ChildProcess = spawn(
    'bash',
    ['-c', `${within} exec "${process.execPath}" scripts/serve.mjs --port ${port} ${args}`],
    { env: { ...process.env, PITBELL_DATA: folder }, stdio: ['ignore', 'pipe', 'pipe'] },
  );
  let said = '';
  for (const stream of [child.stdout!, child.stderr!])
    stream.on('data', (chunk: Buffer) => (said = (said + chunk.toString()).slice(-2000)));
  servers.add(child);
  const ended = new Promise<number | null>((resolve) =>
    child.once('exit', (code) => {
      servers.delete(child);
      resolve(code);
    }),
  );
  const address = `${args.includes('--cert') ? 'https' : 'http'}://127.0.0.1:${port}`;
  for (let tries = 0; tries < 400; tries++) {
    if (child.exitCode !== null) throw new Error(`the server ended before it answered: ${said}`);
    try {
      const answer = await fetch(`${address}/sign-in`, { redirect: 'manual' });
      if (answer.status < 500) break;
    } catch {
      // Not yet.
    }
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  return {
    address,
    pid: child.pid!,
    ended,
    said: () => said,
    ask: (path, init) => fetch(address + path, init),
    cookieOf: () => ({}),
    kill(signal) {
      child.kill(signal);
      return ended;
    },
  };
}

/** Starts the built server on a data folder. @param within what the shell does before, such as a limit */
export const startServer = (folder: string, within = ''): Promise<Running> => started(folder, '', within);

const PEOPLE = 5;

/** Somebody who comes in by an address that is good once: his cookies. */
async function joined(address: string, word: string, name: string): Promise<string> {
  const answer = await fetch(
    `${address}/api/door/join`,
    send('POST', { word, name, passphrase: 'otter brick lantern nine' }),
  );
  if (!answer.ok) throw new Error(`nobody came in: ${await answer.text()}`);
  return answer.headers
    .getSetCookie()
    .map((c) => c.split(';')[0])
    .join('; ');
}

/** Starts it over TLS, where people sign in: five of them are in. */
export async function startSecured(folder: string): Promise<Running> {
  const tls = ownFolder('tls');
  const made = spawnSync(process.execPath, ['scripts/certificate.mjs', '--out', tls], { encoding: 'utf8' });
  if (made.status !== 0) throw new Error(`no certificate: ${made.stderr}`);
  // This program alone, towards the server that it has started itself.
  process.env.NODE_TLS_REJECT_UNAUTHORIZED = '0';
  const server = await started(folder, `--people --cert ${tls}/server.crt --key ${tls}/server.key`);
  const word = /\/join\/(\S+)/.exec(server.said())?.[1];
  if (word === undefined) throw new Error(`nobody is asked in: ${server.said()}`);
  const people = [await joined(server.address, word, 'Person 0')];
  const as = (init: RequestInit | undefined, who: number): RequestInit => ({
    ...init,
    headers: { ...(init?.headers as Record<string, string>), cookie: people[who % people.length]! },
  });
  for (let n = 1; n < PEOPLE; n++) {
    const invited = await fetch(`${server.address}/api/people`, as(send('POST', { invite: 'installer' }), 0));
    const { word: next } = (await invited.json()) as { word: string };
    people.push(await joined(server.address, next, `Person ${n}`));
  }
  const cookieOf = (who: number) => ({ cookie: people[who % people.length]! });
  return { ...server, cookieOf, ask: (path, init, who = 0) => fetch(server.address + path, as(init, who)) };
}

/** Memory that a process holds, MB. */
export const memoryOf = (pid: number): number =>
  Math.round(Number(/^VmRSS:\s+(\d+)/m.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1] ?? 0) / 1024);

/** A JSON request as a page of ours sends it. */
export const send = (method: 'POST' | 'PUT', body: unknown, key?: string): RequestInit => ({
  method,
  headers: { 'content-type': 'application/json', ...(key !== undefined && { 'idempotency-key': key }) },
  body: JSON.stringify(body),
});

/** What lies at a share of a sorted list. */
export const at = (sorted: readonly number[], share: number): number =>
  sorted[Math.min(Math.floor(sorted.length * share), sorted.length - 1)] ?? 0;
