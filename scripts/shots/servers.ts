/* Two servers of the demo data: one as it is on one machine, one at which people sign in. */
import { spawn, spawnSync } from 'node:child_process';
import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';

export const ADDRESS = 'http://127.0.0.1:4397';
export const WITH_PEOPLE = 'http://127.0.0.1:4394';

const folder = mkdtempSync(path.join(tmpdir(), 'pitbell-shots-'));
const [data, copy] = [path.join(folder, 'data'), path.join(folder, 'people')];
process.on('exit', () => rmSync(folder, { recursive: true, force: true }));

/** Starts a server. @returns what it said until it was ready */
async function start(at: string, where: string, ...more: readonly string[]): Promise<string> {
  const server = spawn(process.execPath, ['scripts/serve.mjs', '--port', new URL(at).port, ...more], {
    env: { ...process.env, PITBELL_DATA: where },
    stdio: ['ignore', 'pipe', 'ignore'],
  });
  process.on('exit', () => server.kill('SIGTERM'));
  let said = '';
  for await (const chunk of server.stdout) {
    said += String(chunk);
    if (said.includes('is ready')) break;
  }
  return said;
}

/** Starts both. @returns where the first of the people comes in */
export async function startServers(): Promise<string> {
  spawnSync(process.execPath, ['--import', 'tsx', 'scripts/seed.ts'], { env: { ...process.env, PITBELL_DATA: data } });
  cpSync(data, copy, { recursive: true });
  await start(ADDRESS, data);
  const said = await start(WITH_PEOPLE, copy, '--people');
  return WITH_PEOPLE + /http:\/\/[^/\s]+(\/join\/\S+)/.exec(said)![1]!;
}
