import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { BUILT, PAGES } from '@/workers/alongCaches';
import { leaveAll, leaveBehind, lookedAfter, takeAgain, takeAlong } from './take';
import { takenNow } from './taken';

/* Taking along into caches in memory, from a server that has a build and two stations. */

const HOST = 'http://pits.test';
let stores: Map<string, Map<string, string>>;
let build: string;
let fetched: string[];
/** The service worker, as long as the browser keeps it. */
let worker: object | undefined;
/** What is answered otherwise, by address. */
let odd: Map<string, () => Response>;

const cacheOf = (name: string) => {
  const store = stores.get(name) ?? new Map<string, string>();
  stores.set(name, store);
  return {
    keys: () => Promise.resolve([...store.keys()].map((p) => ({ url: HOST + p }))),
    put: async (p: string, response: Response) => void store.set(p, await response.text()),
    delete: (p: string | { url: string }) =>
      Promise.resolve(store.delete(typeof p === 'string' ? p : p.url.slice(HOST.length))),
  };
};

const files = () => ['app', 'rules'].map((n) => ({ path: `/_next/static/${n}-${build}.js`, bytes: 100 }));
const listOf = (ids: readonly number[]) => ({
  build,
  files: files(),
  common: ['/', '/along'],
  stations: ids.map((id) => ({
    id,
    name: `S${id}`,
    site: 'Yard',
    pages: ['levels', 'prove'].map((v) => `/stations/${id}/${v}`),
  })),
});

beforeEach(() => {
  [stores, build, fetched, odd, worker] = [new Map(), 'one', [], new Map(), {}];
  const kept = new Map<string, string>();
  vi.stubGlobal('localStorage', {
    getItem: (k: string) => kept.get(k) ?? null,
    setItem: (k: string, v: string) => void kept.set(k, v),
    removeItem: (k: string) => void kept.delete(k),
  });
  vi.stubGlobal('caches', {
    open: (name: string) => Promise.resolve(cacheOf(name)),
    delete: (name: string) => Promise.resolve(stores.delete(name)),
  });
  vi.stubGlobal('navigator', {
    serviceWorker: { register: () => Promise.resolve(), getRegistration: () => Promise.resolve(worker) },
  });
  vi.stubGlobal('fetch', (url: string) => {
    if (url.startsWith('/api/along')) {
      const ids = new URL(HOST + url).searchParams
        .get('stations')!
        .split(',')
        .filter((t) => t !== '')
        .map(Number);
      return Promise.resolve(Response.json(listOf(ids)));
    }
    fetched.push(url);
    return Promise.resolve(odd.get(url)?.() ?? new Response(`${url} of ${build}`));
  });
});
afterEach(() => vi.unstubAllGlobals());

const pages = () => [...(stores.get(PAGES)?.keys() ?? [])].sort();
const along = () =>
  takenNow()
    ?.stations.map((s) => s.id)
    .sort();

describe('taking along', () => {
  it('fetches what the build wrote and the pages of what was picked, says how far it is, and how much it was', async () => {
    const steps: number[] = [];
    const done = await takeAlong([3], ({ done: n, of }) => steps.push(n / of));
    expect(done).toMatchObject({ ok: true, taken: { build: 'one', program: 200 } });
    expect(pages()).toEqual(['/', '/along', '/stations/3/levels', '/stations/3/prove']);
    expect([...stores.get(BUILT)!.keys()].sort()).toEqual(files().map((f) => f.path));
    expect([steps.length, steps.at(-1)]).toEqual([6, 1]);
    expect(takenNow()!.stations[0]!.bytes).toBe('/stations/3/levels of one'.length + '/stations/3/prove of one'.length);
  });
  it('one more is laid beside it, and what is here is not fetched again', async () => {
    await takeAlong([3], () => undefined);
    fetched = [];
    await takeAlong([4], () => undefined);
    expect(along()).toEqual([3, 4]);
    expect(fetched.sort()).toEqual(['/', '/along', '/stations/4/levels', '/stations/4/prove']);
  });
  it('of another build all of it comes anew, and the files of the old one go', async () => {
    await takeAlong([3], () => undefined);
    build = 'two';
    await takeAlong([4], () => undefined);
    expect([takenNow()!.build, along()]).toEqual(['two', [3, 4]]);
    expect([...stores.get(BUILT)!.keys()].sort()).toEqual(files().map((f) => f.path));
    expect(stores.get(PAGES)!.get('/stations/3/levels')).toBe('/stations/3/levels of two');
  });
  it('follows what was sent, and fetches no other build unasked', async () => {
    await takeAlong([3, 4], () => undefined);
    fetched = [];
    await takeAgain(new Set([4, 9]));
    expect(fetched.filter((f) => f.startsWith('/stations'))).toEqual(['/stations/4/levels', '/stations/4/prove']);
    [build, fetched] = ['two', []];
    await takeAgain(new Set([4]));
    await takeAgain(new Set([9]));
    expect([fetched, takenNow()!.build]).toEqual([[], 'one']);
  });
  it('what does not come is told, and what was here stays', async () => {
    await takeAlong([3], () => undefined);
    odd.set('/stations/4/prove', () => new Response('no', { status: 503 }));
    expect(await takeAlong([4], () => undefined)).toEqual({
      ok: false,
      why: 'not everything came: /stations/4/prove did not come (503)',
    });
    expect(along()).toEqual([3]);
    odd.set('/stations/4/prove', () => {
      throw new DOMException('full', 'QuotaExceededError');
    });
    expect(await takeAlong([4], () => undefined)).toMatchObject({
      why: expect.stringMatching(/no room for it/) as string,
    });
  });
  it('what the browser has thrown away is not said to be here', async () => {
    await takeAlong([3, 4], () => undefined);
    const look = async () => {
      const { taken, gone } = await lookedAfter(takenNow()!);
      return [taken.stations.map((s) => s.id), gone];
    };
    expect(await look()).toEqual([[3, 4], []]);
    stores.get(PAGES)!.delete('/stations/3/prove');
    expect(await look()).toEqual([[4], ['S3']]);
    stores.get(BUILT)!.clear();
    expect(await look()).toEqual([[], ['S3', 'S4']]);
    await takeAlong([3, 4], () => undefined);
    worker = undefined;
    expect(await look()).toEqual([[], ['S3', 'S4']]);
  });
  it('is left behind, one or all', async () => {
    await takeAlong([3, 4], () => undefined);
    await leaveBehind(3);
    expect([along(), pages()]).toEqual([[4], ['/', '/along', '/stations/4/levels', '/stations/4/prove']]);
    await leaveAll();
    expect([takenNow(), stores.size]).toEqual([null, 0]);
    expect(await leaveBehind(4)).toBeNull();
  });
});
