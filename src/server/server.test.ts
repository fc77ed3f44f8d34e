import { chmodSync, mkdtempSync, readFileSync, rmSync, statSync, truncateSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { demoPumps } from '@/core/demo';
import { feedSchema } from '@/core/feeds';
import { startingSettings } from '@/core/settings';
import { CURRENT_VERSION, newStation } from '@/core/station';
import { listPages } from './book';
import { digestOf, openDatabase, openDataFolder, type Db } from './db';
import { LARGEST_BODY, idFrom, readJson, writing } from './edge';
import { feedOf, keepFeed } from './feeds/feeds';
import { firmFigures, keepFirmFigures } from './firm';
import { MIGRATIONS } from './migrations';
import { nobodyIn } from './people/people';
import { addEntry, findRun, listRuns, startRun } from './proofs';
import { keepPumpModel, listPumpModels } from './pumps';
import { drillOfLesson } from '@/core/drill';
import { drillResults, drillSets, setDrill } from './drills';
import { keepRate, ratesOf } from './rates';
import { seedDemo } from './seed';
import { headsOf, keepFigures, listNames, namesSeen, neighboursAmong, neighboursOf } from './heads';
import { headsNow, headsWorkedOut } from './figures';
import { createStation, findStation, readStation, saveStation, storedDocument, savedBy } from './stations';

let folder: string;
let file: string;
let db: Db;
const AT = '2026-11-24T09:41:00.000Z';
const station = (name = 'Sump') => newStation(name, 'Yard', 'metric-230');

/** A document written past the program: as an older one left it, or damaged. */
function plant(id: number, document: string, digest: string | null = null): void {
  db.pragma('ignore_check_constraints = ON');
  db.prepare("INSERT INTO stations (id, revision, created_at) VALUES (?, 1, 'x')").run(id);
  db.prepare("INSERT INTO revisions (station_id, revision, saved_at, document, digest) VALUES (?, 1, 'x', ?, ?)").run(
    id,
    document,
    digest,
  );
  db.prepare("INSERT INTO station_figures (station_id, revision, name, site) VALUES (?, 1, 'Planted', 'Yard')").run(id);
  db.pragma('ignore_check_constraints = OFF');
}
const trouble = (id: number) => {
  const found = readStation(db, id);
  return found?.ok === false ? found.unreadable.problems : found;
};

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

  it('brings a file of version 5 up to date: its book stands, and its panels can be read', () => {
    db.close();
    rmSync(file);
    db = openDatabase(file, MIGRATIONS.slice(0, 5));
    const id = 1;
    plant(id, JSON.stringify(station()));
    db.prepare(
      "INSERT INTO book_pages (station_id, revision, kind, happened_at, written_at, written_by, content) VALUES (?, 1, 'visit', ?, ?, 'R. T.', ?)",
    ).run(id, AT, AT, JSON.stringify({ kind: 'visit', why: 'look', minutes: null, words: 'as it was' }));
    db.prepare("INSERT INTO book_readings (station_id, page_id, meter, at, value) VALUES (?, 1, 'hours-1', 0, 5)").run(
      id,
    );
    db.close();
    db = openDatabase(file);
    expect(listPages(db, id)[0]).toMatchObject({ page: { words: 'as it was' }, readings: [{ value: 5 }] });
    const feed = feedSchema.parse({ protocol: 'sends', points: [] });
    keepFeed(db, id, feed, 'R. T.', AT);
    expect(feedOf(db, id)?.feed).toEqual(feed);
    expect(() => db.exec("UPDATE feeds SET kept_by = 'x'")).toThrow(/never changed/);
    expect(() => db.exec('DELETE FROM feeds')).toThrow(/never removed/);
  });

  it('brings a file of version 6 up to date: nobody signed what is there, and people can come in', () => {
    db.close();
    rmSync(file);
    db = openDatabase(file, MIGRATIONS.slice(0, 6));
    plant(1, JSON.stringify(station()));
    db.close();
    db = openDatabase(file);
    expect([savedBy(db, 1, 1), nobodyIn(db)]).toEqual([null, true]);
    expect(saveStation(db, 1, 1, station('Signed'), AT, null, 'R. Teal')).toMatchObject({ ok: true });
    expect([savedBy(db, 1, 2), savedBy(db, 1, 1), savedBy(db, 1, 9)]).toEqual(['R. Teal', null, null]);
  });

  it('brings a file of version 11 up to date: what the firm kept stands, and is kept once when it is sent again', () => {
    db.close();
    rmSync(file);
    db = openDatabase(file, MIGRATIONS.slice(0, 11));
    db.exec(`INSERT INTO firm_rates (kept_at, kept_by, cause, years) VALUES ('${AT}', 'R. T.', 'rust', 4)`);
    db.close();
    db = openDatabase(file);
    expect(ratesOf(db)).toEqual([{ cause: 'rust', years: 4 }]);
    const [sooner, later] = ['2020-01-01T00:00:00.000Z', '2027-01-01T00:00:00.000Z'];
    for (const [years, at] of [
      [8, later],
      [9, later],
      [2, sooner],
    ] as const)
      keepRate(db, { cause: 'rust', years }, 'R. T.', at, `key-of-${at}`);
    expect(ratesOf(db)).toEqual([{ cause: 'rust', years: 8 }]);
    const figures = (starts: number) => ({
      settings: { ...startingSettings('us-120'), minimumGap: starts / 100 },
      copper: null,
    });
    expect(firmFigures(db, 'us-120')).toBeNull();
    keepFirmFigures(db, 'us-120', figures(11), later, 'key-one');
    keepFirmFigures(db, 'us-120', figures(12), later, 'key-one');
    keepFirmFigures(db, 'us-120', figures(13), sooner, 'key-two');
    expect(firmFigures(db, 'us-120')?.settings).toEqual(figures(11).settings);
  });

  it('brings a file of version 12 up to date: its stations stand, and drills can be set and marked', () => {
    db.close();
    rmSync(file);
    db = openDatabase(file, MIGRATIONS.slice(0, 12));
    plant(1, JSON.stringify(station()));
    db.close();
    db = openDatabase(file);
    expect([listNames(db).length, drillSets(db), drillResults(db)]).toEqual([1, [], []]);
    const drill = drillOfLesson('contact', 'R. T.')!;
    setDrill(db, { class: 'first year', drill }, 'R. T.', AT, null);
    expect(drillSets(db)).toMatchObject([{ class: 'first year', drill: { lesson: 'contact' } }]);
    // What another version wrote is left out, and stays.
    db.exec(`INSERT INTO drill_results (told_by, result) VALUES ('R. T.', '{"of":"another version"}')`);
    expect(drillResults(db)).toEqual([]);
  });

  it('brings an old file up to date and keeps its rows', () => {
    createStation(db, station(), AT);
    db.close();
    db = openDatabase(file, [...MIGRATIONS, 'CREATE TABLE later (id INTEGER PRIMARY KEY) STRICT;']);
    expect(db.pragma('user_version', { simple: true })).toBe(MIGRATIONS.length + 1);
    expect(listNames(db)).toHaveLength(1);
  });

  it('a file of the second release keeps its stations, runs and pumps, and gets their check words and names', () => {
    const old = path.join(folder, 'old.sqlite');
    const second = openDatabase(old, MIGRATIONS.slice(0, 2));
    const document = JSON.stringify(station('From before'));
    second.exec("INSERT INTO stations (id, revision, created_at) VALUES (3, 1, 'x')");
    second
      .prepare("INSERT INTO revisions (station_id, revision, saved_at, document) VALUES (3, 1, 'x', ?)")
      .run(document);
    second.exec(
      "INSERT INTO proof_runs (id, station_id, revision, started_at, tester, plan) VALUES (4, 3, 1, 'x', 'R. T.', '[]')",
    );
    second
      .prepare("INSERT INTO pump_models (name, kept_at, model) VALUES ('one', 'x', ?)")
      .run(JSON.stringify(demoPumps()[0]));
    second.close();
    const now = openDatabase(old);
    expect(findStation(now, 3)!.station.identity.name).toBe('From before');
    expect(now.prepare('SELECT digest FROM revisions').get()).toEqual({ digest: digestOf(document) });
    expect(listNames(now)).toEqual([{ id: 3, name: 'From before', site: 'Yard' }]);
    expect([listRuns(now, 3).length, listPumpModels(now).length]).toEqual([1, 1]);
    expect(saveStation(now, 3, 1, station('Saved on'), AT)).toMatchObject({ ok: true, saved: { revision: 2 } });
    now.close();
  });

  it('leaves the file as it was when a step fails', () => {
    db.close();
    expect(() => openDatabase(file, [...MIGRATIONS, 'CREATE TABLE half (id INTEGER) STRICT; NONSENSE;'])).toThrow();
    db = openDatabase(file);
    expect(db.pragma('user_version', { simple: true })).toBe(MIGRATIONS.length);
    expect(db.prepare("SELECT 1 FROM sqlite_master WHERE name = 'half'").get()).toBeUndefined();
  });

  it('refuses a file that a newer program wrote, and leaves it byte for byte', () => {
    db.pragma('user_version = 99');
    db.pragma('journal_mode = DELETE');
    db.close();
    const before = readFileSync(file);
    expect(() => openDatabase(file)).toThrow(/newer Pit Bell/);
    expect(readFileSync(file).equals(before)).toBe(true);
    db = openDatabase(path.join(folder, 'other.sqlite'));
  });

  it.each<[string, (at: string) => void, RegExp]>([
    ['an empty file', (at) => truncateSync(at, 0), /is empty or cut off/],
    ['a file of a few bytes, which would be taken for a new one', (at) => truncateSync(at, 9), /is empty or cut off/],
    ['a file that was cut off within', (at) => truncateSync(at, 5000), /cannot be read as a database|cut off/],
    ['a file that is no database', (at) => writeFileSync(at, 'hello '.repeat(999)), /cannot be read as a database/],
    [
      'a head that is damaged',
      (at) => writeFileSync(at, readFileSync(at).fill(7, 0, 100)),
      /cannot be read as a database/,
    ],
  ])('refuses %s in one line that says what to do', (_, spoil, says) => {
    db.close();
    spoil(file);
    const before = readFileSync(file);
    expect(() => openDataFolder(folder)).toThrow(says);
    expect(readFileSync(file).equals(before)).toBe(true);
    db = openDatabase(path.join(folder, 'other.sqlite'));
  });

  it('refuses another program’s database, a folder that is a file, and a log without what it belongs to', () => {
    const theirs = path.join(folder, 'theirs');
    openDataFolder(theirs).close();
    const foreign = openDatabase(path.join(folder, 'foreign.sqlite'), []);
    foreign.exec('CREATE TABLE songs (id INTEGER)');
    foreign.close();
    expect(() => openDatabase(path.join(folder, 'foreign.sqlite'))).toThrow(/database of another program/);
    expect(() => openDataFolder(file)).toThrow(/is not a folder/);
    rmSync(path.join(theirs, 'pitbell.sqlite'));
    writeFileSync(path.join(theirs, 'pitbell.sqlite-wal'), 'x');
    expect(() => openDataFolder(theirs)).toThrow(/pitbell.sqlite-wal but not pitbell.sqlite/);
  });

  it('keeps its folder and its files from others on the machine', () => {
    const mine = path.join(folder, 'mine');
    openDataFolder(mine).close();
    chmodSync(mine, 0o755);
    const again = openDataFolder(mine);
    expect([statSync(mine).mode & 0o777, statSync(path.join(mine, 'pitbell.sqlite')).mode & 0o777]).toEqual([
      0o700, 0o600,
    ]);
    again.close();
  });

  it('what happened is not taken out by putting something in its place, nor set back, nor begun twice', () => {
    const { id } = createStation(db, station(), AT, 'key-of-one');
    saveStation(db, id, 1, station('Second'), AT);
    const run = startRun(db, id, 'R. T.', AT, 'key-of-run')!;
    addEntry(db, run.id, { stepId: 'isolate', verdict: 'pass', found: {}, note: '' }, AT, 'key-of-entry');
    startRun(db, id, 'R. T.', AT);
    addEntry(db, run.id, { stepId: 'isolate', verdict: 'fail', found: {}, note: '' }, AT);
    keepPumpModel(db, demoPumps()[0]!, AT);
    keepPumpModel(db, demoPumps()[0]!, AT);
    const whole = () =>
      ['stations', 'revisions', 'proof_runs', 'proof_entries', 'pump_revisions'].map((t) =>
        db.prepare(`SELECT * FROM ${t}`).all(),
      );
    const before = whole();
    db.pragma('recursive_triggers = OFF');
    for (const sql of [
      "INSERT OR REPLACE INTO revisions (station_id, revision, saved_at, document) VALUES (1, 1, 'x', '{}')",
      "INSERT OR REPLACE INTO revisions (station_id, revision, saved_at, document, save_key) VALUES (1, 3, 'x', '{}', 'key-of-one')",
      "INSERT INTO revisions (station_id, revision, saved_at, document) VALUES (1, 7, 'x', '{}')",
      "INSERT OR REPLACE INTO stations (id, revision, created_at) VALUES (1, 1, 'x')",
      'UPDATE stations SET revision = 1',
      'UPDATE stations SET revision = 4',
      "UPDATE stations SET created_at = 'x', revision = 3",
      'DELETE FROM stations',
      "INSERT OR REPLACE INTO proof_runs (id, station_id, revision, started_at, tester, plan) VALUES (1, 1, 1, 'x', 'y', '[]')",
      "INSERT OR REPLACE INTO proof_runs (station_id, revision, started_at, tester, plan, client_key) VALUES (1, 1, 'x', 'y', '[]', 'key-of-run')",
      "INSERT INTO proof_runs (id, station_id, revision, started_at, tester, plan) VALUES (-4, 1, 1, 'x', 'y', '[]')",
      "INSERT OR REPLACE INTO proof_entries (id, run_id, step_id, entered_at, verdict, found, note) VALUES (1, 1, 'a', 'x', 'pass', '{}', '')",
      "INSERT OR REPLACE INTO proof_entries (run_id, step_id, entered_at, verdict, found, note, client_key) VALUES (1, 'a', 'x', 'pass', '{}', '', 'key-of-entry')",
      "INSERT OR REPLACE INTO pump_revisions (id, name, kept_at, model) VALUES (1, 'x', 'x', '{}')",
      'DELETE FROM pump_revisions',
      "UPDATE pump_revisions SET name = 'x'",
    ])
      expect(() => db.exec(sql), sql).toThrow(/never|follow|goes on/);
    expect(whole()).toEqual(before);
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
  it('keeps what it said before beneath what it says now', () => {
    keepPumpModel(db, model('Lift pump'), AT);
    keepPumpModel(db, model('lift PUMP', 30), AT);
    expect(db.prepare('SELECT name FROM pump_revisions ORDER BY id').pluck().all()).toEqual(['Lift pump', 'lift PUMP']);
  });
  it('takes what was kept last for the one of its name, whichever came first; sent again it is kept once', () => {
    const LATER = '2027-01-01T00:00:00.000Z';
    keepPumpModel(db, model('Lift pump', 30), LATER, 'key-later');
    keepPumpModel(db, model('Lift pump', 12), AT, 'key-sooner');
    keepPumpModel(db, model('Lift pump', 12), LATER, 'key-sooner');
    expect(listPumpModels(db).map((m) => m.startsPerHour)).toEqual([30]);
    expect(db.prepare('SELECT count(*) FROM pump_revisions').pluck().get()).toBe(2);
  });
  it('passes over a pump that this version cannot read', () => {
    db.prepare("INSERT INTO pump_revisions (name, kept_at, model) VALUES ('odd', ?, '{}')").run(AT);
    expect(listPumpModels(db)).toEqual([]);
  });
});

describe('stations', () => {
  it('keeps a document as it is, listed by site and name', () => {
    createStation(db, station('Sump B'), AT);
    const saved = createStation(db, station('Sump A'), AT);
    expect(findStation(db, saved.id)).toEqual({ id: saved.id, revision: 1, savedAt: AT, station: station('Sump A') });
    expect(listNames(db).map((s) => s.name)).toEqual(['Sump A', 'Sump B']);
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

  it('a save that is sent again is kept once, and one that changes nothing makes no revision', () => {
    const { id } = createStation(db, station(), AT, 'make-once');
    expect(createStation(db, station(), AT, 'make-once').id).toBe(id);
    const first = saveStation(db, id, 1, station('Renamed'), AT, 'save-once');
    expect(saveStation(db, id, 1, station('Renamed'), 'later', 'save-once')).toEqual(first);
    // A document as it stands already, from whatever revision, and by whoever.
    expect(saveStation(db, id, 1, station('Renamed'), 'later')).toMatchObject({ ok: true, saved: { revision: 2 } });
    saveStation(db, id, 2, station('Third'), AT);
    expect(saveStation(db, id, 1, station('Renamed'), 'later', 'save-once')).toEqual(first);
    expect(db.prepare('SELECT count(*) AS n FROM revisions').get()).toEqual({ n: 3 });
  });

  it.each<[string, string, string | null, string, RegExp]>([
    ['of a newer version', '{"format": "pit-bell/station", "version": 99}', null, 'version', /version 99/],
    ['cut off', JSON.stringify(station('Damaged')).slice(0, -40), null, 'document', /damaged: it is no JSON/],
    [
      'with a flipped bit',
      JSON.stringify(station('Sump')).replace('Sump', 'Sumq'),
      digestOf(JSON.stringify(station('Sump'))),
      'document',
      /check word differs/,
    ],
  ])('a document %s says so in its place, is kept as it is, and hides no other', (_, text, digest, at, says) => {
    const { id } = createStation(db, station('Readable'), AT);
    plant(7, text, digest);
    expect(
      listNames(db)
        .map((s) => s.id)
        .sort(),
    ).toEqual([id, 7]);
    expect(findStation(db, id)!.station.identity.name).toBe('Readable');
    expect(trouble(7)).toEqual([{ path: at, message: expect.stringMatching(says) }]);
    expect(findStation(db, 7)).toBeNull();
    expect(storedDocument(db, 7)).toBe(text);
    expect(storedDocument(db, 8)).toBeNull();
  });

  it('a damaged page of the database hides what lies on it and nothing else', () => {
    const { id } = createStation(db, station('Readable'), AT);
    const large = { ...station('Large'), identity: { ...station().identity, name: 'Large', notes: 'n'.repeat(1000) } };
    const lost = createStation(db, large as ReturnType<typeof station>, AT).id;
    db.close();
    const bytes = readFileSync(file);
    // The head of the leaf that holds the last document: found by its words, spoilt as a bad sector spoils it.
    const size = bytes.readUInt16BE(16);
    const page = Math.floor(bytes.lastIndexOf('"name":"Large"') / size);
    bytes.fill(0xff, page * size, page * size + 2 * size);
    writeFileSync(file, bytes.subarray(0, bytes.length));
    db = openDatabase(file);
    const told = [id, lost].map((n) => trouble(n));
    expect(told.some((t) => Array.isArray(t))).toBe(true);
    expect(listNames(db)).toHaveLength(2);
  });

  it('brings a stored document of an older version up to date as it is read', () => {
    plant(5, readFileSync(new URL('../core/station/fixtures/version-1.json', import.meta.url), 'utf8'));
    const { station: now } = findStation(db, 5)!;
    expect(now).toMatchObject({ version: CURRENT_VERSION, vessel: { displacement: [] } });
    const renamed = { ...now, identity: { ...now.identity, name: 'Renamed' } };
    expect(saveStation(db, 5, 1, renamed, AT)).toMatchObject({ ok: true, saved: { revision: 2 } });
  });

  it('never changes or removes a revision', () => {
    createStation(db, station(), AT);
    expect(() => db.exec("UPDATE revisions SET saved_at = 'x'")).toThrow(/never changed/);
    expect(() => db.exec('DELETE FROM revisions')).toThrow(/never removed/);
  });
});

describe('what is shown first', () => {
  it('is worked out once for a revision, kept, and worked out anew for the next', async () => {
    const { id } = createStation(db, station(), AT);
    expect(headsNow(db, [id])[0]).toMatchObject({ name: 'Sump', figures: null });
    const [head] = await headsWorkedOut(db, [id]);
    expect(head!.figures).toMatchObject({ state: expect.any(String), rules: { holds: expect.any(Number) } });
    expect(headsNow(db, [id])[0]!.figures).toEqual(head!.figures);
    saveStation(db, id, 1, station('Renamed'), AT);
    expect(headsOf(db, [id])[0]).toMatchObject({ name: 'Renamed', revision: 2, figures: null });
    // What was worked out of the revision before is not kept for this one.
    keepFigures(db, id, 1, 'any', { failed: 'late' });
    expect(headsOf(db, [id])[0]!.figures).toBeNull();
  });
  it('says of one that cannot be read why, and hides no other', async () => {
    const { id } = createStation(db, station(), AT);
    plant(7, '{"format": "pit-bell/station", "version": 99}');
    const heads = await headsWorkedOut(db, [id, 7]);
    expect(heads.find((h) => h.id === 7)!.figures).toMatchObject({ failed: expect.stringMatching(/version 99/) });
    expect(heads.find((h) => h.id === id)!.figures).toHaveProperty('scene');
  });
  it('the stations stand beside each other in their order, round the end', () => {
    expect(neighboursOf(db, 1)).toEqual({ before: 1, after: 1 });
    const [c, a, b] = ['C', 'A', 'b'].map((name) => createStation(db, station(name), AT).id) as [
      number,
      number,
      number,
    ];
    expect([a, b, c].map((id) => neighboursOf(db, id))).toEqual([
      { before: c, after: b },
      { before: a, after: c },
      { before: b, after: a },
    ]);
    // Of somebody who is held to some, those alone; another is beside nothing of his.
    expect([c, b].map((id) => neighboursAmong(db, id, [b, c]))).toEqual([
      { before: b, after: b },
      { before: c, after: c },
    ]);
    expect(neighboursAmong(db, a, [b, c])).toEqual({ before: a, after: a });
    expect(namesSeen(db, [b]).map((s) => s.id)).toEqual([b]);
    expect(namesSeen(db, null)).toEqual(listNames(db));
  });
  it('figures of another program are worked out anew', async () => {
    const { id } = createStation(db, station(), AT);
    keepFigures(db, id, 1, 'an older program', { failed: 'it did not know' });
    expect(headsNow(db, [id])[0]!.figures).toBeNull();
    expect((await headsWorkedOut(db, [id]))[0]!.figures).toHaveProperty('scene');
  });
});

describe('test runs', () => {
  it('a run or a finding that is sent again is kept once', () => {
    const { id } = createStation(db, station(), AT);
    const run = startRun(db, id, 'R. T.', AT, 'begin-once')!;
    expect(startRun(db, id, 'R. T.', 'later', 'begin-once')!.id).toBe(run.id);
    const entry = { stepId: 'bench-pump', verdict: 'pass', found: { hanging: true }, note: 'ok' } as const;
    const first = addEntry(db, run.id, entry, AT, 'found-once');
    expect(addEntry(db, run.id, entry, 'later', 'found-once')).toEqual(first);
    expect(findRun(db, run.id)!.entries).toHaveLength(1);
    expect(listRuns(db, id)).toHaveLength(1);
  });

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
  it('brackets within words are words', async () => {
    const words = { note: '[[[{{{ \\" ]'.repeat(50), deep: [[[1]]] };
    expect(await readJson(request(JSON.stringify(words)))).toEqual({ ok: true, value: words });
  });
  it.each([
    ['SQLITE_FULL', 507, /disk of the server is full/],
    ['SQLITE_READONLY_DIRECTORY', 507, /may not write/],
    ['SQLITE_BUSY', 503, /holds the database/],
    ['SQLITE_CORRUPT', 500, /damaged/],
    ['SQLITE_IOERR_WRITE', 507, /does not take it/],
    ['OTHER', 500, /could not do it/],
  ])('a write that fails with %s is answered %d in words', async (code, status, says) => {
    const answer = await writing(() => {
      throw Object.assign(new Error('inner words'), { code });
    });
    const body = await answer.text();
    expect([answer.status, body]).toEqual([status, expect.stringMatching(says)]);
    expect(body).not.toContain('inner words');
  });
  it('stops reading past its cap, told or not told the length', async () => {
    const large = new Uint8Array(LARGEST_BODY + 1).fill(32);
    expect(await refusal(request(large))).toMatchObject({ status: 413 });
    expect(await refusal(request('{}', { 'content-length': String(50 * 1024 * 1024) }))).toMatchObject({ status: 413 });
  });
  it.each<[string, BodyInit, Record<string, string>, number]>([
    ['broken JSON', '{"a":', {}, 400],
    ['bytes that are not UTF-8', new Uint8Array([0xff, 0xfe, 0x00]), {}, 400],
    ['what is nested without end', '['.repeat(200_000) + ']'.repeat(200_000), {}, 400],
    ['what is nested deeper than a document', `{"a":${'[{"b":'.repeat(30)}1${'}]'.repeat(30)}}`, {}, 400],
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
