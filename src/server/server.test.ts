import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { demoPumps } from '@/core/demo';
import { CURRENT_VERSION, newStation } from '@/core/station';
import { openDatabase, type Db } from './db';
import { LARGEST_BODY, idFrom, readJson } from './edge';
import { MIGRATIONS } from './migrations';
import { addEntry, findRun, listRuns, startRun } from './proofs';
import { keepPumpModel, listPumpModels } from './pumps';
import { seedDemo } from './seed';
import { createStation, findStation, listStations, listUnreadable, saveStation, storedDocument } from './stations';

let folder: string;
let file: string;
let db: Db;
const AT = '2026-11-24T09:41:00.000Z';
const station = (name = 'Sump') => newStation(name, 'Yard', 'metric-230');

beforeEach(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'pitbell-'));
  file = path.join(folder, 'pitbell.sqlite');
  db = openDatabase(file);
});
afterEach(() => {
  db.close();
  rmSync(folder, { recursive: true });
});

describe('the database', () => {
  it('keeps what it is told, in write-ahead mode with foreign keys', () => {
    expect(db.pragma('journal_mode', { simple: true })).toBe('wal');
    expect(db.pragma('foreign_keys', { simple: true })).toBe(1);
    expect(db.pragma('synchronous', { simple: true })).toBe(2);
  });

  it('brings an old file up to date and keeps its rows', () => {
    createStation(db, station(), AT);
    db.close();
    db = openDatabase(file, [...MIGRATIONS, 'CREATE TABLE later (id INTEGER PRIMARY KEY) STRICT;']);
    expect(db.pragma('user_version', { simple: true })).toBe(MIGRATIONS.length + 1);
    expect(listStations(db)).toHaveLength(1);
  });

  it('leaves the file as it was when a step fails', () => {
    db.close();
    expect(() => openDatabase(file, [...MIGRATIONS, 'CREATE TABLE half (id INTEGER) STRICT; NONSENSE;'])).toThrow();
    db = openDatabase(file);
    expect(db.pragma('user_version', { simple: true })).toBe(MIGRATIONS.length);
    expect(db.prepare("SELECT 1 FROM sqlite_master WHERE name = 'half'").get()).toBeUndefined();
  });

  it('refuses a file that a newer program wrote', () => {
    db.pragma('user_version = 99');
    db.close();
    expect(() => openDatabase(file)).toThrow(/newer Pit Bell/);
    db = openDatabase(path.join(folder, 'other.sqlite'));
  });
});

describe('the pump library', () => {
  const model = (name: string, startsPerHour = 20) => ({ ...demoPumps()[0]!, name, startsPerHour });
  it('grows by what is kept, one of a name, whatever its capitals', () => {
    keepPumpModel(db, model('Lift pump'), AT);
    keepPumpModel(db, model('ejector'), AT);
    keepPumpModel(db, model('lift PUMP', 30), AT);
    expect(listPumpModels(db).map((m) => [m.name, m.startsPerHour])).toEqual([
      ['ejector', 20],
      ['lift PUMP', 30],
    ]);
  });
  it('is there in a file of the first release too, whose stations stay', () => {
    const old = path.join(folder, 'old.sqlite');
    const first = openDatabase(old, MIGRATIONS.slice(0, 1));
    createStation(first, station(), AT);
    expect(() => listPumpModels(first)).toThrow();
    first.close();
    const now = openDatabase(old);
    keepPumpModel(now, model('one'), AT);
    expect([listPumpModels(now).length, listStations(now).length]).toEqual([1, 1]);
    now.close();
  });
  it('passes over a pump that this version cannot read', () => {
    db.prepare("INSERT INTO pump_models (name, kept_at, model) VALUES ('odd', ?, '{}')").run(AT);
    expect(listPumpModels(db)).toEqual([]);
  });
});

describe('stations', () => {
  it('keeps a document as it is, listed by site and name', () => {
    createStation(db, station('Sump B'), AT);
    const saved = createStation(db, station('Sump A'), AT);
    expect(findStation(db, saved.id)).toEqual({ id: saved.id, revision: 1, savedAt: AT, station: station('Sump A') });
    expect(listStations(db).map((s) => s.station.identity.name)).toEqual(['Sump A', 'Sump B']);
  });

  it('saves a new revision and keeps the old one', () => {
    const { id } = createStation(db, station(), AT);
    const result = saveStation(db, id, 1, station('Renamed'), AT);
    expect(result).toMatchObject({ ok: true, saved: { revision: 2 } });
    expect(db.prepare('SELECT count(*) AS n FROM revisions').get()).toEqual({ n: 2 });
  });

  it('refuses a stale save, with what is there, and writes nothing', () => {
    const { id } = createStation(db, station(), AT);
    saveStation(db, id, 1, station('Theirs'), AT);
    const mine = saveStation(db, id, 1, station('Mine'), AT);
    expect(mine).toMatchObject({ ok: false, reason: 'stale', theirs: { revision: 2 } });
    expect(findStation(db, id)!.station.identity.name).toBe('Theirs');
    expect(saveStation(db, 99, 1, station(), AT)).toEqual({ ok: false, reason: 'not-found' });
  });

  it('keeps a document that cannot be read, tells its problems, and shows the others', () => {
    const { id } = createStation(db, station('Readable'), AT);
    db.exec("INSERT INTO stations (id, revision, created_at) VALUES (7, 1, 'x')");
    db.prepare("INSERT INTO revisions (station_id, revision, saved_at, document) VALUES (7, 1, 'x', ?)").run(
      '{"format": "pit-bell/station", "version": 99}',
    );
    expect(listStations(db).map((s) => s.id)).toEqual([id]);
    expect(listUnreadable(db)).toEqual([
      { id: 7, problems: [{ path: 'version', message: expect.stringMatching(/version 99/) }] },
    ]);
    expect(storedDocument(db, 7)).toBe('{"format": "pit-bell/station", "version": 99}');
    expect(() => findStation(db, 7)).toThrow(/cannot be read/);
    expect(storedDocument(db, 8)).toBeNull();
  });

  it('a document whose text is damaged hides no other, keeps its place to be exported, and says so', () => {
    const { id } = createStation(db, station('Readable'), AT);
    const text = JSON.stringify(station('Damaged')).slice(0, -40);
    // As a bit that flips on the disk does it: past what the database checks as it is written.
    db.pragma('ignore_check_constraints = ON');
    db.exec("INSERT INTO stations (id, revision, created_at) VALUES (7, 1, 'x')");
    db.prepare("INSERT INTO revisions (station_id, revision, saved_at, document) VALUES (7, 1, 'x', ?)").run(text);
    expect(listStations(db).map((s) => s.id)).toEqual([id]);
    expect(listUnreadable(db)).toEqual([
      { id: 7, problems: [{ path: 'document', message: expect.stringMatching(/damaged: it is no JSON/) }] },
    ]);
    expect(storedDocument(db, 7)).toBe(text);
  });

  it('brings a stored document of an older version up to date as it is read', () => {
    const old = readFileSync(new URL('../core/station/fixtures/version-1.json', import.meta.url), 'utf8');
    db.exec("INSERT INTO stations (id, revision, created_at) VALUES (5, 1, 'x')");
    db.prepare("INSERT INTO revisions (station_id, revision, saved_at, document) VALUES (5, 1, 'x', ?)").run(old);
    expect(findStation(db, 5)!.station).toMatchObject({ version: CURRENT_VERSION, vessel: { displacement: [] } });
    expect(saveStation(db, 5, 1, findStation(db, 5)!.station, AT)).toMatchObject({ ok: true, saved: { revision: 2 } });
  });

  it('never changes or removes a revision', () => {
    createStation(db, station(), AT);
    expect(() => db.exec("UPDATE revisions SET saved_at = 'x'")).toThrow(/never changed/);
    expect(() => db.exec('DELETE FROM revisions')).toThrow(/never removed/);
  });
});

describe('test runs', () => {
  const found = { hanging: true, raised: true, back: true };

  it('are kept with the revision and the plan they were true of', () => {
    const { id } = createStation(db, station(), AT);
    const run = startRun(db, id, 'R. T.', AT)!;
    const changed = station();
    changed.sensors = changed.sensors.filter((s) => s.role === 'pump');
    saveStation(db, id, 1, changed, AT);
    expect(findRun(db, run.id)).toMatchObject({ revision: 1, tester: 'R. T.' });
    expect(findRun(db, run.id)!.plan.some((s) => s.id === 'bench-alarm')).toBe(true);
    expect(startRun(db, id, 'R. T.', AT)!.plan.some((s) => s.id === 'bench-alarm')).toBe(false);
    expect(listRuns(db, id).map((r) => r.revision)).toEqual([2, 1]);
    expect(startRun(db, 99, 'x', AT)).toBeNull();
  });

  it('are added to and never changed', () => {
    const { id } = createStation(db, station(), AT);
    const run = startRun(db, id, 'R. T.', AT)!;
    expect(
      addEntry(
        db,
        run.id,
        { stepId: 'bench-pump', verdict: 'fail', found: { ...found, back: false }, note: 'sticks' },
        AT,
      ).ok,
    ).toBe(true);
    expect(addEntry(db, run.id, { stepId: 'bench-pump', verdict: 'pass', found, note: 'cleaned' }, AT).ok).toBe(true);
    expect(findRun(db, run.id)!.entries.map((e) => [e.verdict, e.note])).toEqual([
      ['fail', 'sticks'],
      ['pass', 'cleaned'],
    ]);
    for (const table of ['proof_runs', 'proof_entries']) {
      expect(() => db.exec(`DELETE FROM ${table}`)).toThrow(/never removed/);
      expect(() => db.exec(`UPDATE ${table} SET id = id`)).toThrow(/never changed/);
    }
  });

  it('a run whose plan this version cannot read is told, takes nothing, and hides no other', () => {
    const { id } = createStation(db, station(), AT);
    const sound = startRun(db, id, 'R. T.', AT)!;
    db.prepare(
      "INSERT INTO proof_runs (station_id, revision, started_at, tester, plan) VALUES (?, 1, ?, 'X', '{\"version\": 99}')",
    ).run(id, AT);
    const [newer, older] = listRuns(db, id);
    expect(newer).toMatchObject({ plan: [], unreadable: expect.stringMatching(/version/) });
    expect(older).toMatchObject({ id: sound.id, unreadable: null, plan: sound.plan });
    expect(addEntry(db, newer!.id, { stepId: 'isolate', verdict: 'pass', found: {}, note: '' }, AT)).toMatchObject({
      ok: false,
      detail: expect.stringMatching(/cannot be read by this version/),
    });
  });

  it('take no finding that the plan does not ask for', () => {
    const { id } = createStation(db, station(), AT);
    const run = startRun(db, id, 'R. T.', AT)!;
    expect(addEntry(db, run.id, { stepId: 'dance', verdict: 'pass', found: {}, note: '' }, AT)).toMatchObject({
      ok: false,
      reason: 'no-step',
    });
    expect(
      addEntry(db, run.id, { stepId: 'bench-pump', verdict: 'pass', found: { colour: true }, note: '' }, AT),
    ).toMatchObject({ ok: false, detail: expect.stringContaining('colour') });
    expect(addEntry(db, 99, { stepId: 'isolate', verdict: 'pass', found: {}, note: '' }, AT)).toMatchObject({
      ok: false,
      reason: 'no-run',
    });
  });
});

describe('the demo data', () => {
  it('fills an empty database once, with one finished run', () => {
    expect(seedDemo(db, AT)).toBe(14);
    expect(seedDemo(db, AT)).toBe(0);
    const [first] = listRuns(db, 1);
    expect(new Set(first!.entries.map((e) => e.stepId)).size).toBe(first!.plan.length);
    expect(first!.entries.every((e) => e.verdict === 'pass')).toBe(true);
  });
});

describe('the edge', () => {
  const request = (body: BodyInit, headers: Record<string, string> = {}) =>
    new Request('http://x/', { method: 'POST', body, headers });
  const refusal = async (r: Request) => {
    const read = await readJson(r);
    return read.ok ? null : { status: read.response.status, text: await read.response.text() };
  };

  it('reads JSON', async () => expect(await readJson(request('{"a": 1}'))).toEqual({ ok: true, value: { a: 1 } }));
  it('stops reading past its cap, told or not told the length', async () => {
    const large = new Uint8Array(LARGEST_BODY + 1).fill(32);
    expect(await refusal(request(large))).toMatchObject({ status: 413 });
    expect(await refusal(request('{}', { 'content-length': String(50 * 1024 * 1024) }))).toMatchObject({ status: 413 });
  });
  it.each<[string, BodyInit, Record<string, string>, number]>([
    ['broken JSON', '{"a":', {}, 400],
    ['bytes that are not UTF-8', new Uint8Array([0xff, 0xfe, 0x00]), {}, 400],
    ['a page of another site', '{}', { 'sec-fetch-site': 'cross-site' }, 403],
  ])('refuses %s', async (_, body, headers, status) =>
    expect(await refusal(request(body, headers))).toMatchObject({ status }),
  );
  it.each([
    ['12', 12],
    ['0', null],
    ['-1', null],
    ['1e3', null],
    ['12abc', null],
    ['99999999999999999999', null],
    ['', null],
  ])('takes “%s” in an address as %s', (text, id) => expect(idFrom(text)).toBe(id));
});
