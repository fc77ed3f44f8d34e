import { spawn, type ChildProcess } from 'node:child_process';
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
  /** Ends when the process does. */
  readonly ended: Promise<number | null>;
  kill(signal: NodeJS.Signals): Promise<number | null>;
}

/** Starts the built server on a data folder. @param within what the shell does before, such as a limit */
export async function startServer(folder: string, within = ''): Promise<Running> {
  const port = await freePort();
  const child: ChildProcess = spawn(
    'bash',
    ['-c', `${within} exec "${process.execPath}" scripts/serve.mjs --port ${port}`],
    {
      env: { ...process.env, PITBELL_DATA: folder },
      stdio: ['ignore', 'ignore', 'pipe'],
    },
  );
  let said = '';
  child.stderr!.on('data', (chunk: Buffer) => (said = (said + chunk.toString()).slice(-2000)));
  servers.add(child);
  const ended = new Promise<number | null>((resolve) =>
    child.once('exit', (code) => {
      servers.delete(child);
      resolve(code);
    }),
  );
  const address = `http://127.0.0.1:${port}`;
  for (let tries = 0; tries < 400; tries++) {
    if (child.exitCode !== null) throw new Error(`the server ended before it answered: ${said}`);
    try {
      const answer = await fetch(`${address}/api/pumps`);
      if (answer.status === 200) break;
    } catch {
      // Not yet.
    }
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  return {
    address,
    pid: child.pid!,
    ended,
    kill(signal) {
      child.kill(signal);
      return ended;
    },
  };
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
