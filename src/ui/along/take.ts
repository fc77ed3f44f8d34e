import * as z from 'zod';
import { BUILT, PAGES } from '@/workers/alongCaches';
import { forgetRows } from '@/workers/keptRows';
import { ask, wentWrong } from '../parts/ask';
import { drop, keep } from '../parts/browserKeep';
import { TAKEN, takenNow, type Taken } from './taken';

/*
 * Taking along: everything that the build wrote and the pages of the stations that are picked are fetched and laid into the caches from which the
 * service worker answers when the server does not.
 */

const listSchema = z.object({
  build: z.string(),
  files: z.array(z.object({ path: z.string(), bytes: z.number() })),
  common: z.array(z.string()),
  stations: z.array(z.object({ id: z.number(), name: z.string(), site: z.string(), pages: z.array(z.string()) })),
});
export type AlongList = z.infer<typeof listSchema>;

/** What is to be fetched for some stations. */
export async function askAlong(
  stations: readonly number[],
): Promise<{ ok: true; list: AlongList } | { ok: false; why: string }> {
  const answer = await ask(`/api/along?stations=${stations.join(',')}`, listSchema);
  return answer.ok ? { ok: true, list: answer.value } : { ok: false, why: wentWrong(answer) };
}

/** So many are fetched at a time. */
const TOGETHER = 5;

async function each<T>(list: readonly T[], run: (one: T) => Promise<void>): Promise<void> {
  const left = [...list];
  await Promise.all(
    Array.from({ length: TOGETHER }, async () => {
      for (let one = left.shift(); one !== undefined; one = left.shift()) await run(one);
    }),
  );
}

/** Fetches a page or a file into a cache. @returns its size, bytes @throws where it does not come, or is not what was asked for */
async function fetchInto(cache: Cache, path: string): Promise<number> {
  const response = await fetch(path, { headers: { accept: '*/*' }, cache: 'no-cache' });
  if (!response.ok || response.redirected) throw new Error(`${path} did not come (${response.status})`);
  const body = await response.blob();
  const headers = new Headers(response.headers);
  headers.delete('content-encoding');
  await cache.put(path, new Response(body, { headers, status: 200 }));
  return body.size;
}

export interface Progress {
  readonly done: number;
  readonly of: number;
}

/** What was put in the way of taking along, in words. */
const inWords = (error: unknown): string =>
  (error as Error).name === 'QuotaExceededError'
    ? 'this device has no room for it: nothing of what was here before is lost'
    : `not everything came: ${(error as Error).message}`;

/** The pages of one station; one that does not come stays as it was. */
async function takeStation(
  pages: Cache,
  { id, name, pages: paths }: AlongList['stations'][number],
  step: () => void,
): Promise<Taken['stations'][number]> {
  let bytes = 0;
  await each(paths, async (path) => {
    const size = await fetchInto(pages, path);
    bytes += size;
    step();
  });
  return { id, name, at: Date.now(), bytes, pages: paths };
}

/**
 * Takes stations along, beside those that are here. Never throws.
 * @param heard how far it is
 */
export async function takeAlong(
  ids: readonly number[],
  heard: (progress: Progress) => void,
): Promise<{ ok: true; taken: Taken } | { ok: false; why: string }> {
  const before = takenNow();
  // What is here already is of another build where the program has changed: it comes anew with the rest.
  const wanted = [...new Set([...ids, ...(before?.stations.map((s) => s.id) ?? [])])];
  const asked = await askAlong(wanted);
  if (!asked.ok) return asked;
  const { build, files, common, stations } = asked.list;
  const chosen = stations.filter((s) => before?.build !== build || ids.includes(s.id));
  try {
    await navigator.serviceWorker.register('/along.js');
    // Not every browser is asked so; what it keeps then is said beside it.
    await (navigator.storage as Partial<StorageManager> | undefined)?.persist?.();
    const [built, pages] = await Promise.all([caches.open(BUILT), caches.open(PAGES)]);
    const here = new Set((await built.keys()).map((r) => new URL(r.url).pathname));
    const missing = files.filter((f) => !here.has(f.path));
    const of = missing.length + common.length + chosen.reduce((sum, s) => sum + s.pages.length, 0);
    let done = 0;
    const step = () => heard({ done: ++done, of });
    await each(missing, async (f) => {
      await fetchInto(built, f.path);
      step();
    });
    const fresh: Taken['stations'][number][] = [];
    for (const one of chosen) fresh.push(await takeStation(pages, one, step));
    await each(common, async (path) => {
      await fetchInto(pages, path);
      step();
    });
    const wantedFiles = new Set(files.map((f) => f.path));
    for (const request of await built.keys())
      if (!wantedFiles.has(new URL(request.url).pathname)) await built.delete(request);
    const kept = before?.stations.filter((s) => !fresh.some((f) => f.id === s.id) && before.build === build) ?? [];
    const program = files.reduce((sum, f) => sum + f.bytes, 0);
    const taken: Taken = { build, at: Date.now(), program, stations: [...kept, ...fresh] };
    keep(TAKEN, JSON.stringify(taken));
    return { ok: true, taken };
  } catch (error) {
    return { ok: false, why: inWords(error) };
  }
}

/**
 * Takes those of some stations anew that are along. Never throws: what does not come stays as it was. Another program is not fetched unasked:
 * that is some megabytes, and somebody else may pay for them.
 */
export async function takeAgain(stations: ReadonlySet<number>): Promise<void> {
  const before = takenNow();
  const along = before?.stations.filter((s) => stations.has(s.id)) ?? [];
  if (along.length === 0) return;
  const asked = await askAlong([]);
  if (!asked.ok || asked.list.build !== before?.build) return;

  await takeAlong(
    along.map((s) => s.id),
    () => undefined,
  );
}

/** What is along and really here: a browser may have thrown pages or scripts away. @returns those that open, and the names of those that do not any more */
export async function lookedAfter(taken: Taken): Promise<{ taken: Taken; gone: readonly string[] }> {
  const [built, pages] = await Promise.all([caches.open(BUILT), caches.open(PAGES)]);
  const paths = async (cache: Cache) => new Set((await cache.keys()).map((r) => new URL(r.url).pathname));
  const [here, scripts] = [await paths(pages), await paths(built)];
  const serves = (await navigator.serviceWorker.getRegistration()) !== undefined && scripts.size > 0;
  const open = taken.stations.filter((s) => serves && s.pages.every((p) => here.has(p)));
  const gone = taken.stations.filter((s) => !open.includes(s)).map((s) => s.name);
  return { taken: { ...taken, stations: open }, gone };
}

/** Leaves a station here no more. */
export async function leaveBehind(id: number): Promise<Taken | null> {
  const before = takenNow();
  if (!before) return null;
  const pages = await caches.open(PAGES);
  for (const path of before.stations.find((s) => s.id === id)?.pages ?? []) await pages.delete(path);
  const taken = { ...before, stations: before.stations.filter((s) => s.id !== id) };
  keep(TAKEN, JSON.stringify(taken));
  return taken;
}

/** Takes everything off this device that was taken along; what was written here and is not sent stays. */
export async function leaveAll(): Promise<void> {
  drop(TAKEN);
  await forgetRows();
  if (typeof caches !== 'undefined') await Promise.all([caches.delete(PAGES), caches.delete(BUILT)]);
}
