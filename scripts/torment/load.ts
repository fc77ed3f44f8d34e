import { gzipSync } from 'node:zlib';
import { anyDocument } from '@/core/anyDocument.fixture';
import { randomFrom } from '@/core/numeric';
import type { Station } from '@/core/station';
import { openDataFolder } from '@/server/db';
import { headsWorkedOut } from '@/server/figures';
import { listNames } from '@/server/heads';
import { startRun } from '@/server/proofs';
import { createStation } from '@/server/stations';
import { at, memoryOf, ownFolder, send, startSecured, startServer, type Running } from './server';
import type { Torment } from './torment';

const CLIENTS = 50;
const STATIONS = 200;
const VIEWS = ['survey', 'levels', 'panel', 'rehearse', 'prove', 'card'];

/** A client looks at what it got before it asks again: one to three seconds. */
const pause = (even: () => number) => new Promise((resolve) => setTimeout(resolve, 1000 + 2000 * even()));

async function filled(folder: string, many: number): Promise<Station[]> {
  const db = openDataFolder(folder);
  const stations = Array.from({ length: many }, (_, n) => {
    const station = anyDocument(n + 1);
    return { ...station, identity: { ...station.identity, name: `S${n}`, site: `Site ${n % 20}` } };
  });
  const now = new Date().toISOString();
  for (const station of stations) {
    const { id } = createStation(db, station, now);
    startRun(db, id, 'L. T.', now);
  }
  await headsWorkedOut(
    db,
    listNames(db).map((n) => n.id),
  );
  db.close();
  return stations;
}

/** Fifty people at two hundred stations: pages, saves, findings, files. @param after what else is measured */
const loadOf = (
  about: string,
  start: (folder: string) => Promise<Running>,
  after: (small: boolean) => Promise<Record<string, number | string>>,
): Torment => ({
  about,
  usual: 60,
  small: 4,
  async run(size, seed) {
    const small = size < 20;
    const folder = ownFolder('load');
    const stations = await filled(folder, small ? 20 : STATIONS);
    const server = await start(folder);
    const times: Record<string, number[]> = {};
    const broken = new Map<string, number>();
    const timed = async (n: number, kind: string, path: string, init?: RequestInit): Promise<Response | null> => {
      const began = performance.now();
      try {
        const answer = await server.ask(path, init, n);
        await answer.clone().arrayBuffer();
        (times[kind] ??= []).push(performance.now() - began);
        if (answer.status >= 400 && answer.status !== 409)
          broken.set(`${kind} answers ${answer.status}`, (broken.get(`${kind} answers ${answer.status}`) ?? 0) + 1);
        return answer;
      } catch (error) {
        broken.set((error as Error).message, (broken.get((error as Error).message) ?? 0) + 1);
        return null;
      }
    };
    const until = performance.now() + size * 1000;
    const client = async (n: number) => {
      const { even } = randomFrom(seed * 1000 + n);
      const id = 1 + (n % stations.length);
      let base = 1;
      await pause(even);
      while (performance.now() < until) {
        const pick = even();
        const any = 1 + Math.floor(even() * stations.length);
        if (pick < 0.1) await timed(n, 'Round', '/');
        else if (pick < 0.6) await timed(n, 'page', `/stations/${any}/${VIEWS[Math.floor(even() * VIEWS.length)]!}`);
        else if (pick < 0.8) {
          const station = stations[id - 1]!;
          const document = { ...station, identity: { ...station.identity, contact: `n ${base} ${n}` } };
          const answer = await timed(n, 'save', `/api/stations/${id}`, send('PUT', { base, document }));
          if (answer?.status === 200) base = ((await answer.json()) as { saved: { revision: number } }).saved.revision;
        } else if (pick < 0.9)
          await timed(
            n,
            'finding',
            `/api/runs/${id}/entries`,
            send('POST', { stepId: 'isolate', verdict: 'pass', found: {}, note: `n ${n}` }),
          );
        else await timed(n, 'file', `/api/stations/${any}/file`);
        await pause(even);
      }
    };
    // The first look at each view loads its code; after that the day begins.
    for (const path of ['/', ...VIEWS.map((v) => `/stations/1/${v}`)]) await (await server.ask(path)).text();
    const memory = [memoryOf(server.pid)];
    const watch = setInterval(() => memory.push(memoryOf(server.pid)), (size * 1000) / 4);
    await Promise.all(Array.from({ length: small ? 8 : CLIENTS }, (_, n) => client(n)));
    clearInterval(watch);
    await server.kill('SIGTERM');
    const all = Object.values(times)
      .flat()
      .sort((a, b) => a - b);
    const figures: Record<string, number | string> = {
      requests: all.length,
      'a second': Math.round(all.length / size),
      'p50 ms': Math.round(at(all, 0.5)),
      'p99 ms': Math.round(at(all, 0.99)),
      'memory MB, in quarters': memory.join(' '),
    };
    for (const [kind, list] of Object.entries(times)) {
      list.sort((a, b) => a - b);
      figures[`${kind}, p50 and p99 ms`] = `${Math.round(at(list, 0.5))} ${Math.round(at(list, 0.99))}`;
    }
    Object.assign(figures, await after(small));
    return { figures, broken: [...broken].map(([what, times]) => `${what} (${times} times)`) };
  },
});

/** Round of many stations, one asking: how long the server takes, and how large the page is. */
async function roundOfMany(many: number): Promise<Record<string, number | string>> {
  const folder = ownFolder('round');
  await filled(folder, many);
  const server = await startServer(folder);
  const times: number[] = [];
  let text = '';
  for (let n = 0; n < 15; n++) {
    const began = performance.now();
    text = await (await fetch(`${server.address}/`)).text();
    times.push(performance.now() - began);
  }
  await server.kill('SIGTERM');
  return {
    [`Round of ${many}, median ms`]: Math.round(
      at(
        times.sort((a, b) => a - b),
        0.5,
      ),
    ),
    [`Round of ${many}, kB compressed`]: Math.round(gzipSync(text).length / 1000),
  };
}

/** A station with everything at its cap: what it makes others wait while its pages and papers are asked for. */
async function besideTheDearest(): Promise<Record<string, number | string>> {
  const folder = ownFolder('dear');
  const [station] = await filled(folder, 1);
  const obstacles = Array.from({ length: 20 }, (_, n) => ({
    kind: 'round' as const,
    name: `o${n}`,
    diameter: 0.05,
    bearing: (n * 77) % 360,
    offset: 0.1 + 0.01 * n,
    from: 0,
    to: 1,
  }));
  const rows = Array.from({ length: 2000 }, (_, n) => ({ time: n * 60, flow: 1e-4 + 1e-3 * Math.sin(n / 40) ** 2 }));
  const dear = {
    ...station!,
    obstacles,
    inflow: { ...station!.inflow, source: { kind: 'storm' as const, base: 1e-4, rows } },
  };
  const server = await startServer(folder);
  for (const path of ['/', ...VIEWS.map((v) => `/stations/1/${v}`)]) await (await fetch(server.address + path)).text();
  const made = await fetch(`${server.address}/api/stations`, send('POST', dear));
  const id = made.status === 201 ? ((await made.json()) as { saved: { id: number } }).saved.id : 1;
  let busy = true;
  const asking = (async () => {
    while (busy)
      for (const path of [...VIEWS.map((v) => `/stations/${id}/${v}`), `/api/stations/${id}/card`])
        await (await fetch(server.address + path)).arrayBuffer();
  })();
  const waits: number[] = [];
  for (let n = 0; n < 60; n++) {
    const began = performance.now();
    await (await fetch(`${server.address}/api/pumps`)).arrayBuffer();
    waits.push(performance.now() - began);
    await new Promise((resolve) => setTimeout(resolve, 20));
  }
  busy = false;
  await asking;
  await server.kill('SIGTERM');
  waits.sort((a, b) => a - b);
  return {
    'beside the dearest, p50 and most ms': `${Math.round(at(waits, 0.5))} ${Math.round(waits.at(-1)!)} (made: ${made.status})`,
  };
}

export const load = loadOf(
  `${CLIENTS} clients on ${STATIONS} stations, mixed (size: seconds); then Round of 500`,
  startServer,
  async (small) => ({ ...(await roundOfMany(small ? 50 : 500)), ...(await besideTheDearest()) }),
);

export const people = loadOf(
  `the same ${CLIENTS} clients over TLS, signed in as five people (size: seconds)`,
  startSecured,
  () => Promise.resolve({}),
);
