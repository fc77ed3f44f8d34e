import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { gunzipSync } from 'node:zlib';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { setAt } from '@/core/editing';
import { newStation, type Station } from '@/core/station';
import { askAll } from '@/server/asked';
import { database } from '@/server/db';
import { demoPumps } from '@/core/demo';
import { GET as getBring } from './due/bring/route';
import { GET as getCalendar } from './due/calendar/route';
import { GET as getFirm, PUT as putFirm } from './firm/[profile]/route';
import { GET as getRates, POST as postRate } from './firm/rates/route';
import { GET as getPumps, PUT as putPump } from './pumps/route';
import { POST as postEntry } from './runs/[run]/entries/route';
import { GET as getCard } from './stations/[id]/card/route';
import { GET as getFile } from './stations/[id]/file/route';
import { GET as getSuspects } from './stations/[id]/suspects/route';
import { POST as postAlarm } from './panel/[word]/route';
import { POST as postReadings } from './stations/[id]/book/readings/route';
import { GET as getFeed, POST as postFeed } from './stations/[id]/feed/route';
import { POST as tryFeed } from './stations/[id]/feed/try/route';
import { GET as getPages, POST as postPage } from './stations/[id]/book/route';
import { PUT as putStation } from './stations/[id]/route';
import { POST as postRun } from './stations/[id]/runs/route';
import { POST as postStation } from './stations/route';

let folder: string;
beforeAll(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'pitbell-api-'));
  process.env.PITBELL_DATA = folder;
});
afterAll(() => {
  database().close();
  rmSync(folder, { recursive: true });
});

const station = (name = 'Sump') => newStation(name, 'Yard', 'metric-230');
const request = (body: unknown) =>
  new Request('http://127.0.0.1/', { method: 'POST', body: typeof body === 'string' ? body : JSON.stringify(body) });
const at = <K extends string>(key: K, value: string | number) => ({
  params: Promise.resolve({ [key]: String(value) } as Record<K, string>),
});

async function make(document: Station = station()): Promise<number> {
  const response = await postStation(request(document));
  expect(response.status).toBe(201);
  return ((await response.json()) as { saved: { id: number } }).saved.id;
}
const problems = async (response: Response) =>
  ((await response.json()) as { problems: { path: string; message: string }[] }).problems;

describe('stations', () => {
  it('give what their suspects would show where it was asked, packed, and nothing where it was not', async () => {
    const id = await make(station('Asked'));
    const [none, nobody] = [
      await getSuspects(request(''), at('id', id)),
      await getSuspects(request(''), at('id', 'x')),
    ];
    expect([none.status, nobody.status]).toEqual([204, 404]);
    await askAll(database);
    const answer = await getSuspects(request(''), at('id', id));
    expect([answer.status, answer.headers.get('content-type')]).toEqual([200, 'application/gzip']);
    const { rows } = JSON.parse(gunzipSync(await answer.arrayBuffer()).toString()) as { rows: [string, unknown][] };
    expect(rows.map(([suspect]) => suspect)).toContain('M1-worn');
  });
  it('come in and go out the same', async () => {
    const id = await make(station('Round trip'));
    const file = await getFile(request(''), at('id', id));
    expect(file.headers.get('content-disposition')).toBe('attachment; filename="round-trip.json"');
    expect(await file.json()).toEqual(station('Round trip'));
  });
  it('are refused with every problem by path', async () => {
    const response = await postStation(request(setAt(setAt(station(), 'vessel.overflow', 9), 'inflow.source.low', 1)));
    expect(response.status).toBe(422);
    expect((await problems(response)).map((p) => p.path)).toEqual(['vessel.overflow', 'inflow.source.design']);
    expect((await postStation(request('nonsense'))).status).toBe(400);
  });
  it('are saved from the revision they were made from, or refused with the one that is there', async () => {
    const id = await make();
    const save = (base: number, name: string) => putStation(request({ base, document: station(name) }), at('id', id));
    expect(await (await save(1, 'Second')).json()).toMatchObject({ saved: { revision: 2 } });
    const stale = await save(1, 'Mine');
    expect(stale.status).toBe(409);
    expect(await stale.json()).toMatchObject({
      problems: [{ path: 'revision' }],
      theirs: { revision: 2, station: { identity: { name: 'Second' } } },
    });
  });
  it.each([
    ['no such station', 999, { base: 1, document: newStation('a', 'b', 'us-120') }, 404],
    ['a number that is none', '1e1', { base: 1, document: newStation('a', 'b', 'us-120') }, 404],
    ['no revision', 1, { document: newStation('a', 'b', 'us-120') }, 422],
    ['a revision that is none', 1, { base: -1, document: newStation('a', 'b', 'us-120') }, 422],
    ['no document', 1, { base: 1 }, 422],
  ])('are not saved with %s', async (_, id, body, status) => {
    await make();
    const response = await putStation(request(body), at('id', id));
    expect(response.status).toBe(status);
    expect((await problems(response)).length).toBeGreaterThan(0);
  });
});

describe('test runs', () => {
  it('begin on a station, take findings and refuse strays', async () => {
    const id = await make();
    const begun = await postRun(request({ tester: ' A. B. ' }), at('id', id));
    const { run } = (await begun.json()) as { run: { id: number; tester: string; revision: number } };
    expect(run).toMatchObject({ tester: 'A. B.', revision: 1 });
    const send = (body: object) => postEntry(request(body), at('run', run.id));
    const entry = { stepId: 'isolate', verdict: 'pass', found: { dead: 0.2 }, note: 'lock 7' };
    expect(await (await send(entry)).json()).toMatchObject({ entry: { stepId: 'isolate', note: 'lock 7' } });
    expect((await send({ ...entry, stepId: 'dance' })).status).toBe(422);
    expect((await send({ ...entry, found: { dead: 'none' } })).status).toBe(422);
    expect((await send({ ...entry, note: 'x'.repeat(2001) })).status).toBe(422);
    expect((await postEntry(request(entry), at('run', 999))).status).toBe(404);
    expect((await postEntry(request(entry), at('run', 'x'))).status).toBe(404);
  });
  it('need somebody who tests, and a station', async () => {
    const id = await make();
    expect((await postRun(request({ tester: '  ' }), at('id', id))).status).toBe(422);
    expect((await postRun(request({ tester: 'A. B.' }), at('id', 999))).status).toBe(404);
  });
});

describe('the door card', () => {
  it('is one page of PDF that names the station, or says that there is none', async () => {
    const id = await make(station('Pump room'));
    const response = await getCard(new Request(`http://127.0.0.1/?units=us`), at('id', id));
    const pdf = Buffer.from(await response.arrayBuffer()).toString('latin1');
    expect(pdf.slice(0, 5)).toBe('%PDF-');
    expect(pdf.match(/\/Type \/Page\b/g)).toHaveLength(1);
    expect((await getCard(new Request('http://127.0.0.1/'), at('id', 999))).status).toBe(404);
  });
});

describe('the pump library', () => {
  it('answers what was kept, and refuses what is no pump by path', async () => {
    const pump = { ...demoPumps()[0]!, name: 'kept pump' };
    expect((await putPump(request(pump))).status).toBe(200);
    const { models } = (await getPumps().json()) as { models: { name: string }[] };
    expect(models.map((m) => m.name)).toContain('kept pump');
    const refused = await putPump(request({ ...pump, curve: [{ flow: 0, head: 1 }] }));
    expect(refused.status).toBe(422);
    expect(((await refused.json()) as { problems: { path: string }[] }).problems[0]!.path).toBe('curve');
  });
});

describe('the firm’s own figures', () => {
  const kept = async (profile: string) =>
    ((await (await getFirm(request(''), at('profile', profile))).json()) as { firm: { settings: unknown } | null })
      .firm;
  const firm = (settings: unknown, copper: unknown = null) => request({ settings, copper });
  it('are kept by profile, the newest is meant, and a setting that came later is as it begins', async () => {
    expect(await kept('metric-230')).toBeNull();
    const own = { ...station().settings, wiringAmbient: 40, grouped: 4 };
    expect((await putFirm(firm(own), at('profile', 'metric-230'))).status).toBe(200);
    expect((await putFirm(firm({ ...own, wiringAmbient: 45 }), at('profile', 'metric-230'))).status).toBe(200);
    expect(await kept('metric-230')).toMatchObject({ settings: { wiringAmbient: 45, grouped: 4 }, copper: null });
    expect(await kept('us-120')).toBeNull();
    const { wiringAmbient: _, ...older } = own;
    database()
      .prepare("INSERT INTO firm_settings (profile, kept_at, settings) VALUES ('metric-230', ?, ?)")
      .run(new Date().toISOString(), JSON.stringify(older));
    expect(await kept('metric-230')).toMatchObject({
      settings: { wiringAmbient: station().settings.wiringAmbient, grouped: 4 },
      copper: null,
    });
  });
  it('refuses what is no setting, and a profile that is not there', async () => {
    const refused = await putFirm(firm({ ...station().settings, wiringAmbient: 900 }), at('profile', 'metric-230'));
    expect([refused.status, (await problems(refused))[0]!.path]).toEqual([422, 'settings.wiringAmbient']);
    expect((await putFirm(firm(station().settings), at('profile', 'moon'))).status).toBe(404);
  });
  it('keeps its own table of what copper carries, and refuses one that falls as the copper grows', async () => {
    const copper = (amps: readonly number[]) => ({
      source: 'our engineer',
      hottest: 70,
      rows: amps.map((carries, i) => ({ area: (1.5 + i) * 1e-6, carries })),
    });
    const put = (amps: readonly number[]) =>
      putFirm(firm(station().settings, copper(amps)), at('profile', 'metric-230'));
    expect((await put([13, 17])).status).toBe(200);
    expect(await kept('metric-230')).toMatchObject({ copper: copper([13, 17]) });
    const refused = await put([13, 12]);
    expect([refused.status, (await problems(refused))[0]]).toEqual([
      422,
      { path: 'copper.rows.1', message: 'more copper cannot carry less' },
    ]);
    expect(await kept('metric-230')).toMatchObject({ copper: copper([13, 17]) });
  });
});

describe('how often faults come', () => {
  it('is said for the firm, kept, and taken back; what cannot be is refused with the reason', async () => {
    const sent = await postRate(request({ by: 'R. T.', cause: 'grit, years', years: 6 }));
    expect([sent.status, await sent.json()]).toEqual([201, { rates: [{ cause: 'grit, years', years: 6 }] }]);
    expect(await getRates().json()).toEqual({ rates: [{ cause: 'grit, years', years: 6 }] });
    for (const wrong of [{ years: 0 }, { years: -3 }, { years: 1e9 }, { by: ' ' }, { cause: '' }]) {
      const refused = await postRate(request({ by: 'R. T.', cause: 'grit, years', years: 6, ...wrong }));
      expect([wrong, refused.status, (await problems(refused)).length]).toEqual([wrong, 422, 1]);
    }
    await postRate(request({ by: 'R. T.', cause: 'grit, years', years: null }));
    expect(await getRates().json()).toEqual({ rates: [] });
  });
});

describe('the book', () => {
  const visit = { at: '2026-11-01T09:00:00Z', by: 'R. T.', page: { kind: 'visit', why: 'due', words: 'rags' } };
  it('takes a page with readings, answers it, and refuses what is none by its field', async () => {
    const id = await make(station('Booked'));
    const sent = await postPage(request({ ...visit, readings: [{ meter: 'hours-1', value: 5 }] }), at('id', id));
    expect(sent.status).toBe(201);
    const { pages } = (await (await getPages(request(''), at('id', id))).json()) as {
      pages: { readings: unknown[] }[];
    };
    expect(pages).toMatchObject([{ by: 'R. T.', readings: [{ meter: 'hours-1', value: 5 }] }]);
    const refused = await postPage(request({ ...visit, by: '' }), at('id', id));
    expect([refused.status, (await problems(refused))[0]!.path]).toEqual([422, 'by']);
    expect((await postPage(request(visit), at('id', 9999))).status).toBe(404);
  });
  it('takes a table of readings whole or not at all, and what is there already once', async () => {
    const id = await make(station('Imported'));
    const rows = [
      [0, 1_770_000_000_000, 1.5],
      [1, 1_770_000_000_000, 20],
    ];
    const send = (more: object) =>
      postReadings(
        request({ by: 'R. T.', file: 'a.csv', meters: ['hours-1', 'starts-1'], rows, ...more }),
        at('id', id),
      );
    expect(await (await send({})).json()).toEqual({ added: 2, double: 0 });
    expect(await (await send({})).json()).toEqual({ added: 0, double: 2 });
    expect((await send({ rows: [...rows, [2, 1, 1]] })).status).toBe(422);
    expect((await send({ meters: ['wind'] })).status).toBe(422);
  });
  it('answers a calendar, and what a route has to bring once for all of it', async () => {
    const [a, b] = [await make(station('Stop one')), await make(station('Stop two'))];
    expect(await getCalendar(new Request('http://127.0.0.1:4310/api/due/calendar')).text()).toMatch(/^BEGIN:VCALENDAR/);
    const url = `http://127.0.0.1/api/due/bring?of=${a}:J13,${b}:J13`;
    const { bring } = (await getBring(new Request(url)).json()) as { bring: { what: string; where: string[] }[] };
    expect(bring.length).toBeGreaterThan(2);
    expect(new Set(bring.map((x) => x.what)).size).toBe(bring.length);
    expect(bring.some((x) => x.where.length === 2)).toBe(true);
  });
});

describe('the panel of a station', () => {
  const feed = {
    protocol: 'modbus',
    host: '127.0.0.1',
    port: 1,
    points: [{ signal: 'level', table: 'input', address: 0 }],
  };
  it('is read as it is told, and answers how it stands', async () => {
    const id = await make();
    expect(await (await getFeed(request(''), at('id', id))).json()).toEqual({ kept: null, shown: null, word: null });
    expect((await postFeed(request({ by: 'R. T.', feed }), at('id', id))).status).toBe(201);
    const given = (await (await getFeed(new Request('http://127.0.0.1/?raw'), at('id', id))).json()) as object;
    expect(given).toMatchObject({
      kept: { by: 'R. T.', feed: { every: 10, unit: 1 } },
      shown: { heardAt: null, stale: true },
      raw: [],
    });
  });
  it('is refused by line and field, and for a station that is not there', async () => {
    const id = await make();
    const wrong = { ...feed, points: [{ signal: 'level', table: 'input', address: -1 }] };
    expect(await problems(await postFeed(request({ by: 'R. T.', feed: wrong }), at('id', id)))).toEqual([
      { path: 'feed.points.0.address', message: 'cannot be negative' },
    ]);
    expect((await postFeed(request({ by: 'R. T.', feed }), at('id', 9999))).status).toBe(404);
    expect((await getFeed(request(''), at('id', 9999))).status).toBe(404);
  });
  it('is tried without anything being kept; where nothing listens that is said', async () => {
    const answer = await tryFeed(request({ feed }));
    expect(await answer.json()).toEqual({ ok: false, why: 'nothing listens at that address and port' });
    expect((await tryFeed(request({ feed: {} }))).status).toBe(422);
  });
  it('that only sends has its alarm written when it begins and when it is over, once each; another word is no panel', async () => {
    const id = await make();
    const sends = { protocol: 'sends', points: [] };
    const { word } = (await (await postFeed(request({ by: 'R. T.', feed: sends }), at('id', id))).json()) as {
      word: string;
    };
    const send = (ringing: boolean, when: string, by = word) =>
      postAlarm(request({ ringing, at: when }), at('word', by));
    expect((await send(true, '2026-11-24T08:00:00Z', 'guessed')).status).toBe(404);
    expect((await send(true, '2026-11-24T08:00:00Z')).status).toBe(201);
    expect((await send(true, '2026-11-24T08:05:00Z')).status).toBe(201);
    expect((await send(false, '2026-11-24T08:30:00Z')).status).toBe(201);
    const answer = await getPages(new Request('http://127.0.0.1/?kind=alarm'), at('id', id));
    const { pages } = (await answer.json()) as {
      pages: { page: { minutes: number | null }; corrects: number | null }[];
    };
    expect(pages.map((p) => [p.page.minutes, p.corrects !== null])).toEqual([
      [30, true],
      [null, false],
    ]);
    expect((await postFeed(request({ by: 'R. T.', feed: { ...sends, on: false } }), at('id', id))).status).toBe(201);
    expect((await send(true, '2026-11-24T09:00:00Z')).status).toBe(404);
  });
});
