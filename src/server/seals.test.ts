import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createHash } from 'node:crypto';
import { tmpdir } from 'node:os';
import path from 'node:path';
import Database from 'better-sqlite3';
import sharp from 'sharp';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { newStation } from '@/core/station';
import { listPages, writePage } from './book';
import { bookFile } from './bookFile';
import { databaseFile, openDataFolder, type Db } from './db';
import { MIGRATIONS } from './migrations';
import { addPagePhoto, addPhoto, listPhotos, readPhoto } from './photos';
import { addEntry, findRun, startRun } from './proofs';
import { hashOf } from './seal';
import { addWords, receiveRun, runsFromFiles, sealedFile, sealOf, sealRun, wordsOf } from './seals';
import { createStation, findStation } from './stations';
import { verify } from './verify';

const AT = '2026-11-26T09:41:00.000Z';
let folder: string;
let db: Db;
const before = process.env.PITBELL_DATA;
beforeEach(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'pitbell-seal-'));
  process.env.PITBELL_DATA = folder;
  db = openDataFolder(folder);
});
afterEach(() => {
  db.close();
  rmSync(folder, { recursive: true });
  process.env.PITBELL_DATA = before;
});

const station = () => createStation(db, newStation('Sump', 'Yard', 'metric-230'), AT).id;

/** A run with every step entered. */
function finished(id: number, note = ''): number {
  const run = startRun(db, id, 'A. B.', AT)!;
  for (const s of run.plan) addEntry(db, run.id, { stepId: s.id, verdict: 'pass', found: {}, note }, AT);
  return run.id;
}

describe('a finished run', () => {
  it('is sealed with all that it is true of, and nothing of it changes after that', () => {
    const id = station();
    const run = startRun(db, id, 'A. B.', AT)!;
    addEntry(db, run.id, { stepId: 'isolate', verdict: 'pass', found: { dead: 0 }, note: '' }, AT);
    expect(sealRun(db, run.id, 'A. B.', AT)).toMatchObject({
      ok: false,
      detail: expect.stringMatching(/steps are open: Bench test/),
    });
    for (const s of run.plan.slice(1)) addEntry(db, run.id, { stepId: s.id, verdict: 'pass', found: {}, note: '' }, AT);
    const done = sealRun(db, run.id, 'C. D.', AT);
    expect(done).toMatchObject({ ok: true, seal: { sealedBy: 'C. D.', previous: null } });
    // The same again is the same seal.
    expect(sealRun(db, run.id, 'X', 'later')).toEqual(done);
    expect(addEntry(db, run.id, { stepId: 'isolate', verdict: 'fail', found: {}, note: 'late' }, AT)).toMatchObject({
      ok: false,
      reason: 'sealed',
    });
    for (const change of [
      "UPDATE seals SET sealed_by = 'me'",
      'DELETE FROM seals',
      "INSERT INTO proof_entries (run_id, step_id, entered_at, verdict, found, note) VALUES (1, 'isolate', 'x', 'pass', '{}', '')",
      'INSERT OR REPLACE INTO seals SELECT * FROM seals',
    ])
      expect(() => db.exec(change), change).toThrow(/sealed/);
    // It is a page of the book, once.
    expect(listPages(db, id)).toMatchObject([
      {
        by: 'C. D.',
        page: { kind: 'visit', why: 'job', run: run.id, words: expect.stringMatching(/\d+ pass; sealed$/) },
      },
    ]);
    // Words stand beside it.
    addWords(db, run.id, 'E. F.', 'the owner was told by telephone', AT);
    expect(wordsOf(db, run.id).map((w) => w.words)).toEqual(['the owner was told by telephone']);
    expect(() => db.exec("UPDATE run_words SET words = 'x'")).toThrow(/never changed/);
  });
  it('hashes to what the canonical JSON of anybody else hashes to: keys in order, no spaces', () => {
    const content = { version: 1, format: 'pit-bell/run', b: [3, 'ä', null], a: { z: 1.5, y: true } };
    const text = '{"a":{"y":true,"z":1.5},"b":[3,"ä",null],"format":"pit-bell/run","version":1}';
    expect(hashOf(content as never)).toBe(createHash('sha256').update(text, 'utf8').digest('hex'));
  });
  it('that ends with its last step not done is not sealed: the station is not handed over', () => {
    const id = station();
    const run = startRun(db, id, 'A. B.', AT)!;
    for (const [i, s] of run.plan.entries())
      addEntry(
        db,
        run.id,
        { stepId: s.id, verdict: i === run.plan.length - 1 ? 'not done' : 'outside', found: {}, note: 'rain' },
        AT,
      );
    expect(sealRun(db, run.id, 'A. B.', AT)).toMatchObject({
      ok: false,
      detail: expect.stringMatching(/Leave it working/),
    });
  });
});

describe('the chain of a station', () => {
  it('is whole, run by run; one flipped byte names the first link that is broken', () => {
    const [id, other] = [station(), station()];
    const runs = [finished(id), finished(other), finished(id), finished(id)];
    for (const r of runs) expect(sealRun(db, r, 'A. B.', AT).ok).toBe(true);
    expect(sealOf(db, runs[2]!)!.previous).toBe(sealOf(db, runs[0]!)!.hash);
    expect(sealOf(db, runs[1]!)!.previous).toBeNull();
    expect(verify(folder)).toEqual({ whole: true, runs: 4, stations: 2, broken: null });
    // Somebody with the file in hand and the guards taken off.
    db.exec('DROP TRIGGER seals_stay');
    db.prepare(
      'UPDATE seals SET content = replace(content, \'"verdict":"pass"\', \'"verdict":"fail"\') WHERE run_id = ?',
    ).run(runs[2]);
    expect(verify(folder)).toMatchObject({
      whole: false,
      broken: { station: id, run: runs[2], why: expect.stringMatching(/seal is broken/) },
    });
  });
  it('misses a run that was taken out of it', () => {
    const id = station();
    const runs = [finished(id), finished(id), finished(id)];
    for (const r of runs) sealRun(db, r, 'A. B.', AT);
    db.exec('DROP TRIGGER seals_remain');
    db.prepare('DELETE FROM seals WHERE run_id = ?').run(runs[1]);
    expect(verify(databaseFile(folder))).toMatchObject({
      broken: { run: runs[2], why: expect.stringMatching(/it follows/) },
    });
  });
  it('goes out as a file, is checked there, and comes in once where its seal is whole', () => {
    const id = station();
    const run = finished(id);
    sealRun(db, run, 'A. B.', AT);
    const text = sealedFile(db, run)!;
    const file = path.join(folder, 'run.json');
    writeFileSync(file, text);
    expect(verify(file)).toMatchObject({ whole: true, runs: 1 });
    writeFileSync(file, text.replace('A. B.', 'A. C.'));
    expect(verify(file)).toMatchObject({ whole: false, broken: { why: expect.stringMatching(/seal is broken/) } });
    const there = station();
    expect(receiveRun(db, there, JSON.parse(text), AT).ok).toBe(true);
    receiveRun(db, there, JSON.parse(text), AT);
    expect(runsFromFiles(db, there)).toHaveLength(1);
    expect(receiveRun(db, there, JSON.parse(text.replace('A. B.', 'A. C.')), AT)).toMatchObject({ ok: false });
    expect(receiveRun(db, there, { format: 'something' }, AT)).toMatchObject({
      ok: false,
      problems: expect.arrayContaining([expect.stringMatching(/not a Pit Bell run/)]),
    });
    expect(() => verify(path.join(folder, 'nowhere'))).toThrow(/there is no/);
  });
});

describe('several people on one card', () => {
  it('answer the same step: both are kept, with who it was; outside and not done want no reading', () => {
    const run = startRun(db, station(), 'A. B.', AT)!;
    addEntry(db, run.id, { stepId: 'isolate', verdict: 'pass', found: { dead: 0 }, note: '', by: 'A. B.' }, AT);
    addEntry(db, run.id, { stepId: 'isolate', verdict: 'outside', found: { dead: 9 }, note: 'meter', by: 'C. D.' }, AT);
    addEntry(db, run.id, { stepId: 'bench-pump', verdict: 'not done', found: {}, note: 'no time', by: 'C. D.' }, AT);
    expect(findRun(db, run.id)!.entries.map((e) => [e.by, e.verdict])).toEqual([
      ['A. B.', 'pass'],
      ['C. D.', 'outside'],
      ['C. D.', 'not done'],
    ]);
  });
});

describe('a photograph', () => {
  const picture = (width: number, height: number) =>
    sharp({ create: { width, height, channels: 3, background: { r: 90, g: 120, b: 60 } } });
  it('is kept turned and small, and with nothing of where it was taken; a thumbnail beside it', async () => {
    const run = startRun(db, station(), 'A. B.', AT)!;
    const bytes = await picture(3000, 2000)
      .withExif({ IFD0: { Make: 'somebody' }, IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '51/1 30/1 0/1' } })
      .jpeg()
      .toBuffer();
    expect((await sharp(bytes).metadata()).exif).toBeDefined();
    const added = await addPhoto(db, run.id, { stepId: 'isolate', by: 'A. B.', bytes }, AT, 'photo-key-1');
    expect(added).toMatchObject({ ok: true, photo: { width: 2400, height: 1600, by: 'A. B.' } });
    // Sent again it is the same.
    await addPhoto(db, run.id, { stepId: 'isolate', by: 'A. B.', bytes }, AT, 'photo-key-1');
    const [photo, ...more] = listPhotos(db, run.id);
    expect(more).toEqual([]);
    const kept = await sharp(readPhoto(db, photo!.id, 'full')!).metadata();
    expect([kept.format, kept.exif, kept.width]).toEqual(['jpeg', undefined, 2400]);
    expect((await sharp(readPhoto(db, photo!.id, 'thumb')!).metadata()).width).toBe(320);
    expect(readdirSync(path.join(folder, 'photos')).length).toBe(2);
    expect(
      createHash('sha256')
        .update(readPhoto(db, photo!.id, 'full')!)
        .digest('hex'),
    ).toBe(photo!.digest);
  });
  it.each([
    ['a text that says it is one', Buffer.from('\xff\xd8\xff not a picture')],
    ['a drawing', Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"/>')],
    ['half of one', readFileSync('docs/screenshots/round.png').subarray(0, 2000)],
  ])('%s is refused, and leaves nothing', async (_, bytes) => {
    const run = startRun(db, station(), 'A. B.', AT)!;
    expect(await addPhoto(db, run.id, { stepId: 'isolate', by: '', bytes }, AT)).toMatchObject({
      ok: false,
      reason: 'no-picture',
    });
    expect(listPhotos(db, run.id)).toEqual([]);
  });
  it('of a sealed run, or of a step that is not there, is refused', async () => {
    const run = finished(station());
    const bytes = await picture(40, 30).png().toBuffer();
    expect(await addPhoto(db, run, { stepId: 'dance', by: '', bytes }, AT)).toMatchObject({ reason: 'no-step' });
    sealRun(db, run, 'A. B.', AT);
    expect(await addPhoto(db, run, { stepId: 'isolate', by: '', bytes }, AT)).toMatchObject({ reason: 'sealed' });
  });
});

describe('a database of the release before', () => {
  it('keeps every finding of its runs, and takes the new verdicts', () => {
    const file = path.join(folder, 'old.sqlite');
    const old = new Database(file);
    old.function('digest_of', { deterministic: true }, (text) => String(text).slice(0, 1));
    for (const step of MIGRATIONS.slice(0, 3)) old.exec(step);
    old.exec(`
      INSERT INTO stations VALUES (1, 1, 'x');
      INSERT INTO revisions (station_id, revision, saved_at, document) VALUES (1, 1, 'x', '{}');
      INSERT INTO proof_runs (id, station_id, revision, started_at, tester, plan) VALUES (4, 1, 1, 'x', 'R. T.', '[]');
      INSERT INTO proof_entries (id, run_id, step_id, entered_at, verdict, found, note, client_key) VALUES (9, 4, 'isolate', 'x', 'fail', '{"dead": 230}', 'live', 'key-9');
    `);
    old.exec(MIGRATIONS[3]!);
    expect(old.prepare('SELECT * FROM proof_entries').all()).toEqual([
      {
        id: 9,
        run_id: 4,
        step_id: 'isolate',
        entered_at: 'x',
        entered_by: '',
        verdict: 'fail',
        found: '{"dead": 230}',
        decided: '{}',
        note: 'live',
        client_key: 'key-9',
      },
    ]);
    old.exec(
      "INSERT INTO proof_entries (run_id, step_id, entered_at, verdict, found, note) VALUES (4, 'a', 'x', 'not done', '{}', 'rain')",
    );
    expect(() => old.exec("UPDATE proof_entries SET note = ''")).toThrow(/never changed/);
    expect(() =>
      old.exec(
        "INSERT OR REPLACE INTO proof_entries (id, run_id, step_id, entered_at, verdict, found, note) VALUES (9, 4, 'a', 'x', 'pass', '{}', '')",
      ),
    ).toThrow(/never changed/);
    old.close();
  });
});

describe('photographs of a page of the book', () => {
  it('are kept beside the database, once for each key, on their page and in the file of the book', async () => {
    const id = station();
    const saved = findStation(db, id)!;
    const page = { kind: 'visit' as const, why: 'due' as const, minutes: null, words: 'pit looked at' };
    const written = writePage(db, saved, { at: AT, by: 'R. T.', page, readings: [], corrects: null }, AT);
    if (!written.ok) throw new Error(written.detail);
    const pageId = written.page.id;
    const bytes = await sharp({ create: { width: 900, height: 600, channels: 3, background: '#335' } })
      .png()
      .toBuffer();
    const add = (key: string, of: Uint8Array = bytes, to = pageId, at = id) =>
      addPagePhoto(db, { stationId: at, pageId: to, by: 'R. T.', bytes: of }, AT, key);
    const first = await add('key-00001');
    expect(await add('key-00001')).toEqual(first);
    expect(await add('key-00002', new Uint8Array([1, 2, 3]))).toMatchObject({ ok: false, reason: 'no-picture' });
    expect(await add('key-00003', bytes, pageId + 1)).toBeNull();
    expect(await add('key-00004', bytes, pageId, id + 1)).toBeNull();
    expect(listPages(db, id)[0]!.photos).toEqual([1]);
    const thumb = await sharp(readPhoto(db, 1, 'thumb', 'book_photos')!).metadata();
    expect([thumb.format, thumb.width]).toEqual(['jpeg', 320]);
    expect(readPhoto(db, 2, 'thumb', 'book_photos')).toBeNull();
    expect(() => db.exec('DELETE FROM book_photos')).toThrow(/never removed/);
    expect(bookFile(db, saved, AT).pages).toMatchObject([{ page, photos: [expect.stringMatching(/^[0-9a-f]{64}$/)] }]);
  });
});
