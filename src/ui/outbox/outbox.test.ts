import 'fake-indexeddb/auto';
import { openDB } from 'idb';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import * as z from 'zod';
import { actSchema, numberOf, type Act, type NewAct } from './act';
import { actsOfRun } from './ofRun';
import { sendAll } from './send';
import { dropAct, onOutbox, putAct, readActs, setAct } from './store';
import { sendWaiting, through } from './through';

const act = (n: number, over: Partial<Act> = {}): Act => ({
  ...{ n, id: `act-${n}`.padEnd(8, '0'), kind: 'page', what: `page ${n}`, stationId: 3, about: 'book:3', at: 1000 + n },
  ...{ now: true, by: null, url: `/api/stations/3/book`, method: 'POST', type: 'application/json', body: `{"n":${n}}` },
  ...{ after: null, state: 'waiting', why: null, answer: null },
  ...over,
});

/** A server that answers by the address; what it was sent is kept. */
function server(answers: (url: string, init: RequestInit) => Response | Error) {
  const sent: { url: string; headers: Record<string, string> }[] = [];
  return {
    sent,
    fetch: (url: string, init: RequestInit): Promise<Response> => {
      sent.push({ url, headers: init.headers as Record<string, string> });
      const answer = answers(url, init);
      return answer instanceof Error ? Promise.reject(answer) : Promise.resolve(answer);
    },
  };
}

/** An outbox in memory. */
function box(...acts: readonly Act[]) {
  const kept = new Map(acts.map((a) => [a.id, a]));
  return {
    acts: () => Promise.resolve([...kept.values()]),
    set: (a: Act) => Promise.resolve(void kept.set(a.id, a)),
    of: (id: string) => kept.get(id)!,
    states: () => [...kept.values()].map((a) => a.state),
  };
}

const yes = (json: unknown) => Response.json(json, { status: 201 });
const no = (status: number, message: string, more = {}) =>
  Response.json({ problems: [{ message, path: 'x' }], ...more }, { status });
const clock = () => 61_001;

describe('sending what waits', () => {
  it('goes in the order in which it was done, each under its own key, saying how long ago and by whom', async () => {
    const { sent, fetch } = server(() => yes({ page: { id: 7 } }));
    const out = box(act(1), act(2, { by: 'R. Teal', now: false }));
    expect(await sendAll({ ...out, fetch, clock })).toEqual(new Set([3]));
    expect(sent.map((s) => s.headers)).toMatchObject([
      { 'idempotency-key': 'act-1000', 'act-age': '60000', 'act-now': '1', 'content-type': 'application/json' },
      { 'idempotency-key': 'act-2000', 'act-age': '59999', 'act-by': 'R.%20Teal' },
    ]);
    expect(sent[1]!.headers).not.toHaveProperty('act-now');
    expect(out.states()).toEqual(['sent', 'sent']);
  });
  it('a clock that was set back meanwhile makes nothing happen in the future', async () => {
    const { sent, fetch } = server(() => yes({}));
    await sendAll({ ...box(act(1, { at: 99_000 })), fetch, clock });
    expect(sent[0]!.headers['act-age']).toBe('0');
  });
  it('what belongs to a run goes to the number that the server gave it', async () => {
    const run = act(1, { kind: 'run', url: '/api/stations/3/runs', about: 'run:act-1000' });
    const finding = act(2, { kind: 'finding', url: '/api/runs/{id}/entries', after: run.id, about: `run:${run.id}` });
    const { sent, fetch } = server((url) => yes(url.endsWith('runs') ? { run: { id: 41 } } : { entry: {} }));
    const out = box(run, finding);
    await sendAll({ ...out, fetch, clock });
    expect(sent.map((s) => s.url)).toEqual(['/api/stations/3/runs', '/api/runs/41/entries']);
    expect(numberOf(out.of(run.id))).toBe(41);
    expect(actsOfRun(await out.acts(), 41).map((a) => a.id)).toEqual([finding.id]);
    expect(actsOfRun(await out.acts(), run.id).map((a) => a.id)).toEqual([finding.id]);
    expect(actsOfRun(await out.acts(), 40)).toEqual([]);
  });
  it('where nobody answers all waits, the next as well, and nothing is lost', async () => {
    const { sent, fetch } = server(() => new TypeError('Failed to fetch'));
    const out = box(act(1), act(2));
    expect((await sendAll({ ...out, fetch, clock })).size).toBe(0);
    expect([sent.length, out.states(), out.of('act-1000').why]).toEqual([
      1,
      ['waiting', 'waiting'],
      'the server does not answer',
    ]);
  });
  it.each([401, 429, 500, 503, 507])(
    'an answer %d means later: the reason is told, and nothing overtakes it',
    async (status) => {
      const { fetch, sent } = server(() => no(status, 'sign in again'));
      const out = box(act(1), act(2));
      await sendAll({ ...out, fetch, clock });
      expect([out.states(), out.of('act-1000').why, sent.length]).toEqual([['waiting', 'waiting'], 'sign in again', 1]);
    },
  );
  it('what will never be taken is refused with its reason; what hangs on it too, and the others go on', async () => {
    const run = act(1, { kind: 'run' });
    const { fetch } = server((_, { body }) => (body === '{"n":1}' ? no(422, 'no such job') : yes({ page: { id: 1 } })));
    const out = box(run, act(2, { after: run.id, url: '/api/runs/{id}/seal' }), act(3));
    await sendAll({ ...out, fetch, clock });
    expect(out.states()).toEqual(['refused', 'refused', 'sent']);
    expect([out.of('act-1000').why, out.of('act-2000').why]).toEqual([
      'no such job',
      'what it belongs to was not taken',
    ]);
  });
  it('a station that was saved elsewhere in between keeps both versions; a run that is sealed is refused', async () => {
    const theirs = { theirs: { id: 3, revision: 9 } };
    const { fetch } = server((url) => no(409, 'revision 9 was saved in between', url.endsWith('/3') ? theirs : {}));
    const out = box(act(1, { kind: 'station', url: '/api/stations/3', method: 'PUT' }), act(2, { kind: 'finding' }));
    await sendAll({ ...out, fetch, clock });
    expect(out.states()).toEqual(['differs', 'refused']);
    expect(JSON.parse(out.of('act-1000').answer!)).toMatchObject(theirs);
    expect(out.of('act-1000').body).toBe('{"n":1}');
  });
  it('a run waits until its station is sent, and until somebody has decided between two versions of it', async () => {
    const run = act(1, { kind: 'run', url: '/api/stations/3/runs', about: 'run:act-1000' });
    const finding = act(2, { kind: 'finding', url: '/api/runs/{id}/entries', after: run.id });
    const merged = act(3, { kind: 'station', url: '/api/stations/3', method: 'PUT' });
    const other = act(4, { kind: 'run', stationId: 4, url: '/api/stations/4/runs' });
    const { fetch, sent } = server((url) => yes(url.endsWith('runs') ? { run: { id: 41 } } : { saved: { id: 3 } }));
    const urls = () => sent.splice(0).map((s) => s.url);
    await sendAll({ ...box(run, finding, merged, other), fetch, clock });
    expect(urls()).toEqual(['/api/stations/3', '/api/stations/4/runs', '/api/stations/3/runs', '/api/runs/41/entries']);
    const undecided = box(run, finding, { ...merged, state: 'differs' }, other);
    await sendAll({ ...undecided, fetch, clock });
    expect([urls(), undecided.states()]).toEqual([['/api/stations/4/runs'], ['waiting', 'waiting', 'differs', 'sent']]);
  });
  it('what was sent or decided is not sent again', async () => {
    const { fetch, sent } = server(() => yes({}));
    await sendAll({
      ...box(act(1, { state: 'sent' }), act(2, { state: 'refused' }), act(3, { state: 'differs' })),
      fetch,
      clock,
    });
    expect(sent).toEqual([]);
  });
  it('an answer without words is no answer', async () => {
    const { fetch } = server(() => new Response('<html>', { status: 200 }));
    const out = box(act(1));
    await sendAll({ ...out, fetch, clock });
    expect(out.states()).toEqual(['waiting']);
  });
});

const page = (id: string, body = '{}'): NewAct => ({
  ...{ id, kind: 'page', what: 'a page', stationId: 3, url: '/api/stations/3/book', method: 'POST', body },
});
const answerSchema = z.object({ page: z.object({ id: z.number() }) });

describe('a photograph over a bad line', () => {
  const picture = new Blob([new Uint8Array(300_000).map((_, i) => i % 251)], { type: 'image/jpeg' });
  const photo = act(1, { kind: 'photo', url: '/api/runs/5/photos?step=a', body: picture, type: 'image/jpeg' });
  /** A server that keeps pieces, and a line that breaks at these requests. */
  function pit(breaks: readonly number[]) {
    let kept = new Uint8Array();
    let asked = 0;
    const urls: string[] = [];
    const fetch = async (url: string, init: RequestInit): Promise<Response> => {
      urls.push(`${init.method} ${url}`);
      const broken = breaks.includes(asked++);
      if (broken && init.method === 'GET') throw new TypeError('no line');
      const at = Number(/at=(\d+)/.exec(url)?.[1]);
      if (init.method === 'POST' && Number.isFinite(at)) {
        const bytes = new Uint8Array(await (init.body as Blob).arrayBuffer());
        if (at === kept.length) kept = Uint8Array.from([...kept, ...bytes]);
      }
      // Taken, and its answer lost on the way.
      if (broken) throw new TypeError('no line');
      return url.startsWith('/api/pieces/') ? Response.json({ has: kept.length }) : yes({ photo: { id: 1 } });
    };
    return { fetch, urls, kept: () => kept };
  }
  it('goes in pieces, whole and in order, and is then kept by its word', async () => {
    const { fetch, urls, kept } = pit([]);
    const out = box(photo);
    await sendAll({ ...out, fetch, clock });
    expect(out.states()).toEqual(['sent']);
    expect(Buffer.from(kept()).equals(Buffer.from(await picture.arrayBuffer()))).toBe(true);
    expect(urls).toEqual([
      'GET /api/pieces/act-1000',
      'POST /api/pieces/act-1000?at=0',
      'POST /api/pieces/act-1000?at=131072',
      'POST /api/pieces/act-1000?at=262144',
      'POST /api/runs/5/photos?step=a&pieces=act-1000',
    ]);
  });
  it('cut off anywhere it goes on where it ended, and nothing is sent twice', async () => {
    for (let broken = 0; broken < 5; broken++) {
      const { fetch, urls, kept } = pit([broken]);
      const out = box(photo);
      await sendAll({ ...out, fetch, clock });
      expect([broken, out.states()]).toEqual([broken, ['waiting']]);
      await sendAll({ ...out, fetch, clock });
      expect([broken, out.states()]).toEqual([broken, ['sent']]);
      expect(Buffer.from(kept()).equals(Buffer.from(await picture.arrayBuffer()))).toBe(true);
      const pieces = urls.filter((u) => u.startsWith('POST /api/pieces/'));
      expect(new Set(pieces).size).toBe(pieces.length);
    }
  });
  it('that the server will never take is refused with its reason; where its pieces are gone it begins again', async () => {
    const refusing = box(photo);
    await sendAll({ ...refusing, fetch: () => Promise.resolve(no(413, 'too large')), clock });
    expect(refusing.of(photo.id)).toMatchObject({ state: 'refused', why: 'too large' });
    const gone = box(photo);
    const { fetch } = pit([]);
    await sendAll({
      ...gone,
      fetch: (url, init) => (url.includes('pieces=') ? Promise.resolve(no(425, 'gone')) : fetch(url, init)),
      clock,
    });
    expect(gone.of(photo.id)).toMatchObject({ state: 'waiting', why: 'gone' });
  });
  it('a small one goes as one', async () => {
    const { fetch, urls } = pit([]);
    await sendAll({ ...box({ ...photo, body: picture.slice(0, 1000, 'image/jpeg') }), fetch, clock });
    expect(urls).toEqual(['POST /api/runs/5/photos?step=a']);
  });
});

describe('the outbox in the browser', () => {
  beforeEach(async () => {
    vi.stubGlobal('document', { body: { dataset: { person: 'R. Teal' } } });
    for (const a of (await readActs()).acts) await dropAct(a);
  });
  afterEach(() => vi.unstubAllGlobals());
  const all = async () => (await readActs()).acts;

  it('keeps an act once, in order, with whoever was signed in, and pictures as they are', async () => {
    let heard = 0;
    const end = onOutbox(() => heard++);
    await putAct(page('key-one-1'), 'R. Teal', 5);
    await putAct(page('key-one-1'), 'R. Teal', 6);
    await putAct({ ...page('key-two-2'), body: new Blob(['picture'], { type: 'image/jpeg' }) as never }, null, 7);
    end();
    const [one, two] = await all();
    expect(await all()).toHaveLength(2);
    expect([one!.by, one!.at, one!.type, two!.by, two!.type]).toEqual([
      'R. Teal',
      5,
      'application/json',
      null,
      'image/jpeg',
    ]);
    expect(await (two!.body as Blob).text()).toBe('picture');
    await setAct({ ...two!, state: 'sent', answer: '{}' });
    expect((await all())[1]!.body).toBe('');
    expect(heard).toBe(3);
  });
  it('what this version cannot read is kept and counted', async () => {
    await putAct(page('key-one-1'), null);
    const db = await openDB('pitbell');
    await db.add('acts', { id: 'of-the-future', kind: 'drill' });
    const { acts, unread } = await readActs();
    expect([acts.length, unread]).toEqual([1, 1]);
    expect(await db.count('acts')).toBe(2);
    await db.delete('acts', (await db.getAllKeys('acts')).at(-1)!);
  });
  it('of those that were sent sixty are remembered, of the others every one', async () => {
    for (let i = 0; i < 70; i++) await putAct(page(`key-${String(i).padStart(5, '0')}`), null);
    for (const a of (await all()).slice(0, 66)) await setAct({ ...a, state: 'sent', answer: '{}' });
    const now = await all();
    expect([now.filter((a) => a.state === 'sent').length, now.filter((a) => a.state === 'waiting').length]).toEqual([
      60, 4,
    ]);
  });
  it('an act that is taken answers; one that finds nobody is kept, and goes by itself later', async () => {
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('Failed to fetch')));
    expect(await through(page('key-one-1'), answerSchema)).toEqual({ ok: 'kept', why: 'the server does not answer' });
    vi.stubGlobal('fetch', () => Promise.resolve(yes({ page: { id: 12 } })));
    await sendWaiting();
    expect((await all()).map((a) => [a.state, a.by])).toEqual([['sent', 'R. Teal']]);
    expect(await through(page('key-two-2'), answerSchema)).toEqual({ ok: true, value: { page: { id: 12 } } });
  });
  it('one that is refused at once goes back to its form with every problem, and is in the outbox no more', async () => {
    vi.stubGlobal('fetch', () => Promise.resolve(no(422, 'says nothing')));
    expect(await through(page('key-one-1'), answerSchema)).toEqual({
      ok: false,
      problems: [{ path: 'x', message: 'says nothing' }],
      rest: null,
    });
    expect(await all()).toEqual([]);
  });
  it('where the browser keeps nothing it is sent all the same, under the same key', async () => {
    vi.stubGlobal('indexedDB', undefined);
    const fetch = vi.fn(() => Promise.resolve(yes({ page: { id: 4 } })));
    vi.stubGlobal('fetch', fetch);
    expect(await through(page('key-one-1'), answerSchema)).toEqual({ ok: true, value: { page: { id: 4 } } });
    expect(fetch).toHaveBeenCalledWith('/api/stations/3/book', expect.objectContaining({ method: 'POST' }));
  });
  it('a full device says so, and nothing is taken as kept', async () => {
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('Failed to fetch')));
    const add = vi.spyOn(IDBObjectStore.prototype, 'add').mockImplementation(() => {
      throw new DOMException('full', 'QuotaExceededError');
    });
    const told = await through(page('key-one-1'), answerSchema);
    expect(told).toMatchObject({
      ok: null,
      why: expect.stringMatching(/does not answer, and this device has no room left/) as string,
    });
    expect(await through({ ...page('key-two-2'), after: 'key-one-1' }, answerSchema)).toMatchObject({ ok: null });
    add.mockRestore();
    expect(await all()).toEqual([]);
  });
  it('the form of what is kept says no to what is no act', () => {
    expect(actSchema.safeParse(act(1)).success).toBe(true);
    expect(actSchema.safeParse({ ...act(1), state: 'lost' }).success).toBe(false);
    expect(numberOf({ answer: 'no json' })).toBeNull();
    expect(numberOf({ answer: '{"saved":{"id":5}}' })).toBe(5);
  });
});
