import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { Worker } from 'node:worker_threads';
import { demoStations } from '@/core/demo';
import { openDatabase } from '@/server/db';
import { keepFeed } from '@/server/feeds/feeds';
import { createStation } from '@/server/stations';
import { mapOf } from '../panel/map';

const STATIONS = 200;
const EVERY = 10;
const SETTLE = 15_000;
const LASTS = 30_000;

/** A panel that says something else every second, in a process of its own. */
const PANEL = `
import { createServer } from 'node:net';
import { createRequire } from 'node:module';
const modbus = createRequire(process.cwd() + '/').call(null, 'jsmodbus');
const input = Buffer.alloc(256);
const tcp = createServer();
new modbus.server.TCP(tcp, { input, holding: input, coils: Buffer.alloc(1), discrete: Buffer.alloc(1) });
let n = 0;
setInterval(() => {
  input.writeUInt16BE(300 + (++n % 500), 0);
  input.writeUInt32BE(Math.round(Date.now() / 1000), 8);
  input.writeUInt32BE(Math.floor(n / 30), 24);
}, 1000);
tcp.listen(0, '127.0.0.1', () => console.log(tcp.address().port));
`;

/** Reading 200 panels every ten seconds, as the server does it: the share of one core that it takes, and how many answers came. */
export async function feeds(): Promise<{ cores: number; answers: number; asked: number }> {
  const folder = mkdtempSync(path.join(tmpdir(), 'pitbell-bench-feeds-'));
  const panel = spawn(process.execPath, ['--input-type=module', '-e', PANEL], { stdio: ['ignore', 'pipe', 'inherit'] });
  const [said] = (await once(panel.stdout, 'data')) as [Buffer];
  const db = openDatabase(path.join(folder, 'pitbell.sqlite'));
  const { station } = demoStations().find((d) => d.file === 'workshop-sump.json')!;
  const feed = { ...mapOf(1, 'modbus', '127.0.0.1', Number(said)), every: EVERY };
  const at = new Date().toISOString();
  for (let i = 0; i < STATIONS; i++) {
    const saved = createStation(db, { ...station, identity: { ...station.identity, name: `Sump ${i}` } }, at);
    keepFeed(db, saved.id, feed, 'B. M.', at);
  }
  const worker = new Worker('./dist/panels.mjs', { env: { ...process.env, PITBELL_DATA: folder } });
  const wait = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
  const count = () => db.prepare('SELECT count(*) FROM feed_raw').pluck().get() as number;
  await wait(SETTLE);
  const before = { cpu: process.cpuUsage(), at: performance.now(), answers: count() };
  await wait(LASTS);
  const { user, system } = process.cpuUsage(before.cpu);
  const seconds = (performance.now() - before.at) / 1000;
  const answers = count() - before.answers;
  worker.postMessage('end');
  await once(worker, 'exit');
  panel.kill();
  db.close();
  rmSync(folder, { recursive: true });
  return {
    cores: Number(((user + system) / 1e6 / seconds).toFixed(3)),
    answers,
    asked: Math.round((STATIONS * seconds) / EVERY),
  };
}
