import { afterEach, describe, expect, it, vi } from 'vitest';
import { newStation } from '@/core/station';
import { saveDocument } from './editor/saving';
import { sendEntry, startRun } from './prove/sendRun';
import { sendStation } from './round/sendStation';

const station = newStation('Sump', 'Yard', 'metric-230');
const answer = (status: number, body: unknown) =>
  vi.stubGlobal(
    'fetch',
    vi.fn(async () => new Response(JSON.stringify(body), { status })),
  );
const noServer = () =>
  vi.stubGlobal(
    'fetch',
    vi.fn(async () => Promise.reject(new TypeError('fetch failed'))),
  );
const garbage = () =>
  vi.stubGlobal(
    'fetch',
    vi.fn(async () => new Response('<html>', { status: 502 })),
  );
const lastCall = () => {
  const [url, init] = vi.mocked(fetch).mock.calls[0]!;
  return { url, method: init!.method, body: JSON.parse(init!.body as string) as unknown };
};
afterEach(() => vi.unstubAllGlobals());

/** Of a browser without a database of its own, as this is. */
const NOTHING_KEPT = 'this browser keeps nothing: leave this page open until it is sent';

describe('saving a document', () => {
  const saved = { id: 1, revision: 3, savedAt: '2026-11-24T09:41:00Z', station };
  it('sends the revision it was made from', async () => {
    answer(200, { saved });
    expect(await saveDocument(1, 2, station)).toEqual({ state: 'saved', saved });
    expect(lastCall()).toEqual({ url: '/api/stations/1', method: 'PUT', body: { base: 2, document: station } });
  });
  it('brings back theirs when it is stale', async () => {
    answer(409, { problems: [{ path: 'revision', message: 'x' }], theirs: saved });
    expect(await saveDocument(1, 2, station)).toEqual({ state: 'stale', theirs: saved });
  });
  it('brings back every problem when it is refused', async () => {
    answer(422, { problems: [{ path: 'vessel.overflow', message: 'too high' }] });
    expect(await saveDocument(1, 2, station)).toEqual({
      state: 'refused',
      problems: [{ path: 'vessel.overflow', message: 'too high' }],
    });
  });
  it('never throws, whatever the server does', async () => {
    noServer();
    expect(await saveDocument(1, 2, station)).toEqual({
      state: 'unreachable',
      why: `the server does not answer, and ${NOTHING_KEPT}`,
    });
    garbage();
    expect(await saveDocument(1, 2, station)).toEqual({
      state: 'unreachable',
      why: `the server answered 502 without words that can be read, and ${NOTHING_KEPT}`,
    });
    answer(200, { nothing: 'of ours' });
    expect(await saveDocument(1, 2, station)).toMatchObject({ state: 'unreachable' });
  });
  it('a server that hangs is told as such', async () => {
    vi.stubGlobal(
      'fetch',
      vi.fn(async () => Promise.reject(new DOMException('too long', 'TimeoutError'))),
    );
    expect(await saveDocument(1, 2, station)).toEqual({
      state: 'unreachable',
      why: `the server has not answered for 10 seconds, and ${NOTHING_KEPT}`,
    });
    expect(vi.mocked(fetch).mock.calls[0]![1]!.signal).toBeInstanceOf(AbortSignal);
  });
  it('sends a document under one key however often, and another under another', async () => {
    noServer();
    const key = async (of: typeof station) => {
      await saveDocument(1, 2, of);
      return new Headers(vi.mocked(fetch).mock.calls.at(-1)![1]!.headers).get('idempotency-key');
    };
    const first = await key(station);
    expect(first).toMatch(/^[0-9a-f]{32}$/);
    expect(await key(station)).toBe(first);
    expect(await key({ ...station })).not.toBe(first);
  });
});

describe('bringing in a station', () => {
  it('gives its number', async () => {
    answer(201, { saved: { id: 7 } });
    expect(await sendStation(JSON.stringify(station))).toEqual({ ok: true, id: 7 });
  });
  it('does not send a file that is far too large', async () => {
    answer(201, { saved: { id: 7 } });
    const sent = await sendStation(new File([new Uint8Array(3 * 1024 * 1024)], 'huge.json'));
    expect(sent).toEqual({
      ok: false,
      problems: [{ path: 'huge.json', message: 'is 3 MB; a station file is a few kB' }],
    });
    expect(fetch).not.toHaveBeenCalled();
  });
  it('says what the server says, or that it does not answer', async () => {
    answer(422, { problems: [{ path: 'format', message: 'not ours' }] });
    expect(await sendStation('{}')).toEqual({ ok: false, problems: [{ path: 'format', message: 'not ours' }] });
    noServer();
    expect(await sendStation('{}')).toMatchObject({ ok: false, problems: [{ path: 'server' }] });
  });
});

describe('a test run', () => {
  const run = { id: 5, stationId: 1 };
  const entry = {
    stepId: 'isolate',
    verdict: 'pass' as const,
    found: { dead: 0.1 },
    note: '',
    by: 'A. B.',
    decided: {},
  };
  it('begins', async () => {
    answer(201, { run: { id: 5 } });
    const asked = { tester: 'A. B.', job: 'J13', revision: 3 };
    expect(await startRun(1, { ...asked, title: 'Commission', card: null }, 'key-of-run')).toEqual({ ok: true, id: 5 });
    expect(lastCall().body).toEqual(asked);
  });
  it('takes a finding and gives it back as it is kept', async () => {
    const kept = { ...entry, id: 9, enteredAt: '2026-11-24T09:41:00Z' };
    const other = { ...kept, id: 8, by: 'C. D.' };
    answer(201, { entry: kept, meanwhile: [other] });
    expect(await sendEntry(run, 'Isolate', entry, 7, 'key-of-entry')).toEqual({
      ok: true,
      entry: kept,
      meanwhile: [other],
    });
    expect(lastCall().body).toEqual({ ...entry, knows: 7 });
  });
  it('says why a finding was not taken, and that it is kept when nobody answers', async () => {
    answer(422, { problems: [{ path: 'stepId', message: 'no such step' }] });
    expect(await sendEntry(run, 'Isolate', entry, 0, 'key-of-entry')).toEqual({ ok: false, reason: 'no such step' });
    noServer();
    expect(await sendEntry(run, 'Isolate', entry, 0, 'key-of-entry')).toMatchObject({
      ok: false,
      reason: expect.stringMatching(/kept in this browser/),
    });
    const asked = { tester: 'x', job: 'commission', revision: 1, title: 'Commission', card: null };
    expect(await startRun(1, asked, 'key-of-run')).toMatchObject({ ok: false });
  });
});
