import { existsSync } from 'node:fs';
import path from 'node:path';
import Database from 'better-sqlite3';
import sharp from 'sharp';
import { jobCard } from '@/core/jobs';
import { randomFrom } from '@/core/numeric';
import { WHOLE } from '@/core/proving';
import { exampleStation } from '@/core/starting';
import { verify } from '@/server/verify';
import type { Act } from '@/ui/outbox/act';
import { sendAll } from '@/ui/outbox/send';
import { ownFolder, send, startServer, type Running } from './server';
import type { Torment } from './torment';

/*
 * Four devices send what is in their outboxes while the server is killed again and again: runs with their findings and seals, pages with
 * photographs, which go in pieces. In the end every act is there, once, whatever answers were lost on the way; the file is whole and every seal holds.
 */

const CLIENTS = 4;
/** Answers after which it is killed, at most; and how long they are waited for, ms. */
const MOST_ANSWERS = 25;
const LONGEST = 10_000;

const station = exampleStation('Outbox sump', 'Yard', 'metric-230', 'empty');
const steps = (() => {
  const made = jobCard(station, WHOLE);
  if (!made.ok) throw new Error('the example has no card');
  return made.card.steps.map((s) => s.id);
})();

interface Device {
  readonly acts: Map<string, Act>;
  add(kind: Act['kind'], url: string, body: string | Blob, after?: string): string;
}

function device(name: string, stationId: number): Device {
  const acts = new Map<string, Act>();
  return {
    acts,
    add(kind, url, body, after) {
      const n = acts.size + 1;
      const id = `${name}-${String(n).padStart(6, '0')}`;
      const type = body instanceof Blob ? body.type : 'application/json';
      acts.set(id, {
        ...{ n, id, kind, what: kind, stationId, about: null, at: Date.now(), now: kind === 'page', by: null, url },
        ...{ method: 'POST', type, body, after: after ?? null, state: 'waiting', why: null, answer: null },
      });
      return id;
    },
  };
}

/** A run with a finding of every step and its seal, and a page with a photograph. */
function work(d: Device, stationId: number, picture: Blob): void {
  const run = d.add('run', `/api/stations/${stationId}/runs`, JSON.stringify({ tester: 'O. T.', job: WHOLE }));
  for (const stepId of steps)
    d.add(
      'finding',
      '/api/runs/{id}/entries',
      JSON.stringify({ stepId, verdict: 'pass', found: {}, note: 'torment', by: 'O. T.' }),
      run,
    );
  d.add('seal', '/api/runs/{id}/seal', JSON.stringify({ by: 'O. T.' }), run);
  const visit = { kind: 'visit', why: 'due', minutes: null, words: 'torment' };
  const page = { at: new Date().toISOString(), by: 'O. T.', page: visit, readings: [], corrects: null };
  const written = d.add('page', `/api/stations/${stationId}/book`, JSON.stringify(page));
  d.add('page-photo', `/api/stations/${stationId}/book/{id}/photos?by=O`, picture, written);
}

const waiting = (d: Device): boolean => [...d.acts.values()].some((a) => a.state === 'waiting');

/** Sends what a device has to the server as long as it stands. @param heard is told of each answer */
const sending = (d: Device, server: Running, heard: () => void = () => {}) =>
  sendAll({
    acts: () => Promise.resolve([...d.acts.values()]),
    set: (act) => Promise.resolve(void d.acts.set(act.id, act)),
    fetch: async (url, init) => {
      const answer = await fetch(server.address + url, init);
      heard();
      return answer;
    },
    clock: Date.now,
  });

const TABLES: Readonly<Partial<Record<Act['kind'], string>>> = {
  run: 'proof_runs',
  finding: 'proof_entries',
  page: 'book_pages',
  'page-photo': 'book_photos',
};

/** What is not as it was acknowledged, or is there twice. */
function missing(folder: string, devices: readonly Device[]): string[] {
  const db = new Database(path.join(folder, 'pitbell.sqlite'), { readonly: true });
  const [{ integrity_check: whole }] = db.pragma('integrity_check(1)') as [{ integrity_check: string }];
  const acts = devices.flatMap((d) => [...d.acts.values()]);
  const broken = acts.flatMap((a): string[] => {
    if (a.state !== 'sent') return [`${a.id} (${a.kind}) is ${a.state}: ${a.why}`];
    const table = TABLES[a.kind];
    if (!table) return [];
    const count = db.prepare(`SELECT count(*) FROM ${table} WHERE client_key = ?`).pluck().get(a.id) as number;
    return count === 1 ? [] : [`${a.id} (${a.kind}) is there ${count} times`];
  });
  const count = (table: string) => db.prepare(`SELECT count(*) FROM ${table}`).pluck().get() as number;
  const sealed = acts.filter((a) => a.kind === 'seal').length;
  if (count('seals') !== sealed) broken.push(`${sealed} runs were sealed, ${count('seals')} seals are there`);
  const digests = db.prepare('SELECT DISTINCT digest FROM book_photos').all() as { digest: string }[];
  // Every device has sent the same picture: put together wrongly it would be another.
  if (digests.length > 1) broken.push(`one picture has become ${digests.length}`);
  for (const { digest } of digests)
    if (!existsSync(path.join(folder, 'photos', `${digest}.jpg`)))
      broken.push(`the file of photograph ${digest} is not there`);
  db.close();
  return whole === 'ok' ? broken : [`the file is damaged: ${whole}`, ...broken];
}

export const outbox: Torment = {
  about: 'kills the server while four devices send what they kept (size: kills)',
  usual: 1000,
  small: 20,
  async run(size, seed) {
    const folder = ownFolder('outbox');
    const { even } = randomFrom(seed);
    // Large enough to go in pieces.
    const noise = { type: 'gaussian', mean: 128, sigma: 60 } as const;
    const pixels = { create: { width: 640, height: 480, channels: 3, background: '#456', noise } } as const;
    const picture = new Blob([new Uint8Array(await sharp(pixels).jpeg().toBuffer())], { type: 'image/jpeg' });
    let server = await startServer(folder);
    const devices: { d: Device; id: number }[] = [];
    for (let n = 1; n <= CLIENTS; n++) {
      const made = await fetch(`${server.address}/api/stations`, send('POST', station));
      const { saved } = (await made.json()) as { saved: { id: number } };
      devices.push({ d: device(`device-${n}`, saved.id), id: saved.id });
    }
    // A run of an hour may be ended before its time: what was done until then is looked at all the same.
    let [kills, ended] = [0, false];
    process.once('SIGINT', () => (ended = true));
    for (; kills < size && !ended; kills++) {
      if (kills > 0 && kills % 50 === 0) process.stderr.write(`${kills} kills\n`);
      let alive = true;
      let answers = 0;
      const sends = devices.map(async ({ d, id }) => {
        while (alive) {
          if (!waiting(d)) work(d, id, picture);
          await sending(d, server, () => answers++);
        }
      });
      // Somewhere among the next answers, however slow the machine is: after so many of them, and in the midst of the one that follows.
      const enough = 1 + Math.floor(MOST_ANSWERS * even());
      for (let waited = 0; answers < enough && waited < LONGEST; waited += 10)
        await new Promise((resolve) => setTimeout(resolve, 10));
      await new Promise((resolve) => setTimeout(resolve, 60 * even()));
      const gone = server.kill('SIGKILL');
      alive = false;
      await gone;
      await Promise.all(sends);
      server = await startServer(folder);
    }
    for (const { d } of devices) await sending(d, server);
    await server.kill('SIGTERM');
    const all = devices.map(({ d }) => d);
    const chain = verify(folder);
    const broken = [...missing(folder, all), ...(chain.broken ? [`a seal does not hold: ${chain.broken.why}`] : [])];
    const acts = all.reduce((sum, d) => sum + d.acts.size, 0);
    return { figures: { kills, acts, sealed: chain.runs }, broken };
  },
};
