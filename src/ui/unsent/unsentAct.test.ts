import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { newStation, type Station } from '@/core/station';
import type { Act } from '../outbox/act';
import { dropAct, readActs } from '../outbox/store';
import { moveToNumbers, numberHere } from '../outbox/moved';
import { sendWaiting } from '../outbox/through';
import { sendPage } from '../book/sendPage';
import { sendStation } from '../round/sendStation';
import { saveUnsent, stationHere } from './unsentAct';

const drawn = newStation('Far sump', 'Unknown Yard', 'metric-230');
const named = (name: string): Station => ({ ...drawn, identity: { ...drawn.identity, name } });
const all = async () => (await readActs()).acts;
const away = () => vi.stubGlobal('fetch', () => Promise.reject(new TypeError('Failed to fetch')));

/** A server that takes everything, and gives the station the number 12. */
function there() {
  const asked: { url: string; body: unknown }[] = [];
  vi.stubGlobal('fetch', (url: string, init: RequestInit) => {
    asked.push({ url: `${init.method} ${url}`, body: JSON.parse(init.body as string) as unknown });
    return Promise.resolve(
      Response.json({ saved: { id: 12, revision: 2, savedAt: 'x', station: drawn } }, { status: 201 }),
    );
  });
  return asked;
}

const made = async (): Promise<Act> => {
  const sent = await sendStation(JSON.stringify(drawn));
  if (sent.ok !== 'kept') throw new Error(`not kept: ${JSON.stringify(sent)}`);
  return (await all()).find((a) => a.id === sent.key)!;
};

beforeEach(async () => {
  vi.stubGlobal('document', { body: { dataset: {} } });
  const stored = new Map<string, string>();
  vi.stubGlobal('localStorage', {
    getItem: (k: string) => stored.get(k) ?? null,
    setItem: (k: string, v: string) => void stored.set(k, v),
    removeItem: (k: string) => void stored.delete(k),
    key: (i: number) => [...stored.keys()][i] ?? null,
    get length() {
      return stored.size;
    },
  });
  for (const a of await all()) await dropAct(a);
  away();
});
afterEach(() => vi.unstubAllGlobals());

describe('a station made without signal', () => {
  it('is kept, worked on, written about, and goes as one when the server answers', async () => {
    const act = await made();
    await saveUnsent(act, named('Surveyed once'));
    await saveUnsent(act, named('Surveyed twice'));
    expect(
      await sendPage(
        { after: act.id },
        {
          page: { kind: 'visit', why: 'call', minutes: null, words: 'float stuck' },
          readings: [],
          at: '2026-11-27T10:00:00.000Z',
          by: 'R. T.',
          corrects: null,
        },
        true,
        'key-of-page',
      ),
    ).toMatchObject({ ok: true, here: true });
    expect((await all()).map((a) => [a.kind, a.stationId])).toEqual([
      ['new-station', null],
      ['station', null],
      ['page', null],
    ]);
    expect(stationHere(act, await all())?.identity.name).toBe('Surveyed twice');

    const asked = there();
    await sendWaiting();
    expect(asked.map((a) => a.url)).toEqual([
      'POST /api/stations',
      'PUT /api/stations/12',
      'POST /api/stations/12/book',
    ]);
    expect(asked[0]!.body).toEqual(drawn);
    expect(asked[1]!.body).toEqual({ base: 1, document: named('Surveyed twice') });
    // From now on they are of that station, and its own pages know of them.
    expect((await all()).map((a) => [a.state, a.stationId, a.about, a.after])).toEqual([
      ['sent', null, null, null],
      ['sent', 12, 'station:12', null],
      ['sent', 12, 'book:12', null],
    ]);
  });

  it('is one station, though its answer was lost and it was worked on in between', async () => {
    const act = await made();
    const keys: string[] = [];
    vi.stubGlobal('fetch', (_: string, init: RequestInit) => {
      keys.push((init.headers as Record<string, string>)['idempotency-key']!);
      return Promise.reject(new TypeError('taken, and the answer lost'));
    });
    await sendWaiting();
    await saveUnsent(act, named('Surveyed since'));
    const asked = there();
    await sendWaiting();
    expect(keys).toEqual([act.id]);
    expect(asked.map((a) => [a.url, (a.body as { document?: Station }).document?.identity.name])).toEqual([
      ['POST /api/stations', undefined],
      ['PUT /api/stations/12', 'Surveyed since'],
    ]);
  });

  it('what was told of a fault, and what was typed and not saved, goes with it to its number', async () => {
    const act = await made();
    const here = numberHere(act);
    localStorage.setItem(`pitbell.trace.${here}`, 'told');
    localStorage.setItem(`pitbell.draft.${here}.tab-a`, 'typed');
    localStorage.setItem(`pitbell.draft.${here}0.tab-a`, 'of another');
    moveToNumbers(await all());
    expect(localStorage.getItem(`pitbell.trace.${here}`)).toBe('told');
    there();
    await sendWaiting();
    const kept = (key: string) => localStorage.getItem(`pitbell.${key}`);
    expect([kept('trace.12'), kept('draft.12.tab-a'), kept(`trace.${here}`), kept(`draft.${here}.tab-a`)]).toEqual([
      'told',
      'typed',
      null,
      null,
    ]);
    expect(kept(`draft.${here}0.tab-a`)).toBe('of another');
    // Nothing that is there is written over.
    localStorage.setItem(`pitbell.trace.${here}`, 'told again');
    moveToNumbers(await all());
    expect([kept('trace.12'), kept(`trace.${here}`)]).toEqual(['told', 'told again']);
  });

  it('what is no station is told at once, not when nobody looks any more', async () => {
    expect(await sendStation('{"version":8}')).toMatchObject({ ok: false });
    expect(await sendStation('no json')).toMatchObject({ ok: false, problems: [{ message: 'is not JSON' }] });
    expect(await all()).toEqual([]);
  });

  it('one that cannot be read is none', async () => {
    const act = await made();
    expect(stationHere({ ...act, body: '{"version":99}' }, [])).toBeNull();
    expect(numberHere(act)).toBeLessThan(0);
  });
});
