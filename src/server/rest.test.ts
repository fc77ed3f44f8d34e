import { existsSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { feedSchema } from '@/core/feeds';
import { newStation } from '@/core/station';
import { searchBook, writePage } from './book';
import { openDataFolder, photoFolder, type Db } from './db';
import { feedsOn, keepFeed, lastFeed } from './feeds/feeds';
import { listNames, neighboursOf } from './heads';
import { addPagePhoto } from './photos';
import { emptyBin, IN_BIN, restingStations, restOf, setRest } from './rest';
import { addEntry, startRun } from './proofs';
import { sealRun } from './seals';
import { seedDemo } from './seed';
import { createStation, findStation } from './stations';

/* The first of three stations has a sealed run, pages with readings, and a photograph: what becomes of it, and of nothing else. */

const AT = '2026-11-27T10:00:00.000Z';
let folder = '';
let db: Db;
beforeAll(async () => {
  folder = mkdtempSync(path.join(tmpdir(), 'pitbell-rest-'));
  process.env.PITBELL_DATA = folder;
  db = openDataFolder(folder);
  for (const name of ['First', 'Second', 'Third']) createStation(db, newStation(name, 'Yard', 'metric-230'), AT);
  for (const id of [1, 2]) {
    const run = startRun(db, id, 'R. T.', AT)!;
    for (const { id: stepId } of run.plan) addEntry(db, run.id, { stepId, verdict: 'pass', found: {}, note: '' }, AT);
    sealRun(db, run.id, 'R. T.', AT);
    for (let n = 0; n < 6; n++)
      writePage(
        db,
        findStation(db, id)!,
        {
          ...{ at: `2026-11-0${n + 1}T10:00:00.000Z`, by: 'R. T.', corrects: null },
          page: { kind: 'visit', why: 'due', minutes: null, words: 'rags' },
          readings: [{ meter: 'hours-1', value: n, newFrom: null, corrects: null }],
        },
        AT,
      );
  }
  const visit = { kind: 'visit', why: 'due', minutes: null, words: 'a heron in the shaft' } as const;
  const written = writePage(
    db,
    findStation(db, 1)!,
    { at: AT, by: 'R. T.', page: visit, readings: [], corrects: null },
    AT,
  );
  if (!written.ok) throw new Error(written.detail);
  const bytes = await sharp({ create: { width: 20, height: 20, channels: 3, background: '#123' } })
    .jpeg()
    .toBuffer();
  await addPagePhoto(db, { stationId: 1, pageId: written.page.id, by: 'R. T.', bytes }, AT);
  keepFeed(
    db,
    1,
    feedSchema.parse({
      protocol: 'http',
      url: 'http://127.0.0.1:9/x',
      format: 'json',
      points: [{ signal: 'level', at: '/level', scale: 1 }],
    }),
    'R. T.',
    AT,
  );
});
afterAll(() => {
  db.close();
  rmSync(folder, { recursive: true });
});

const ids = () => listNames(db).map((s) => s.id);
const tables = () =>
  (
    db
      .prepare("SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'book_words_%'")
      .pluck()
      .all() as string[]
  )
    .filter((name) => !name.startsWith('sqlite_'))
    .sort();
const counts = () =>
  Object.fromEntries(tables().map((t) => [t, db.prepare(`SELECT count(*) FROM ${t}`).pluck().get() as number]));
const guards = () => db.prepare("SELECT name, sql FROM sqlite_master WHERE type = 'trigger' ORDER BY name").all();

describe('a station that rests', () => {
  it('is off the wall, out of searches and of the panels that are asked, and opens as ever; brought back it hangs again', () => {
    const [all, feeds] = [ids(), lastFeed(db)];
    expect([searchBook(db, 'heron').length, feedsOn(db).length]).toEqual([1, 1]);
    expect(setRest(db, 1, 'archive', 'R. T.', AT)).toBe(true);
    expect(ids()).toEqual(all.filter((i) => i !== 1));
    expect(restOf(db, 1)).toMatchObject({ rest: 'archive', at: AT, by: 'R. T.', until: null });
    expect([searchBook(db, 'heron').length, searchBook(db, 'heron', 1).length]).toEqual([0, 1]);
    expect([feedsOn(db).length, lastFeed(db) > feeds]).toEqual([0, true]);
    expect(
      Object.values(
        neighboursOf(
          db,
          all.find((i) => i !== 1)!,
        ),
      ),
    ).not.toContain(1);
    expect(neighboursOf(db, 1)).toEqual({ before: 1, after: 1 });
    expect(findStation(db, 1)).not.toBeNull();
    setRest(db, 1, null, 'R. T.', AT);
    expect([ids(), restOf(db, 1), feedsOn(db).length]).toEqual([all, null, 1]);
    expect(setRest(db, 999, 'bin', 'R. T.', AT)).toBe(false);
  });
  it('put there again keeps its day', () => {
    setRest(db, 2, 'bin', 'first', AT);
    setRest(db, 2, 'bin', 'second', '2026-12-20T10:00:00.000Z');
    expect(restOf(db, 2)).toMatchObject({ by: 'first', until: new Date(Date.parse(AT) + IN_BIN).toISOString() });
    setRest(db, 2, null, 'x', AT);
  });
});

describe('the bin', () => {
  it('after thirty days, and not a moment before, takes all of it, and nothing else; the guards of history stand', () => {
    setRest(db, 1, 'bin', 'R. T.', AT);
    setRest(db, 3, 'archive', 'R. T.', '2020-01-01T00:00:00.000Z');
    expect(restingStations(db).map((s) => [s.id, s.rest])).toEqual([
      [1, 'bin'],
      [3, 'archive'],
    ]);
    const end = Date.parse(AT) + IN_BIN;
    expect(emptyBin(db, end - 1)).toEqual([]);
    const digest = db.prepare('SELECT digest FROM book_photos').pluck().get() as string;
    const picture = path.join(photoFolder(folder), `${digest}.jpg`);
    expect(existsSync(picture)).toBe(true);
    const [before, guarded] = [counts(), guards()];
    const mine = db.prepare('SELECT count(*) FROM book_pages WHERE station_id = 1').pluck().get() as number;
    expect(mine).toBeGreaterThan(5);
    expect(emptyBin(db, end)).toEqual([1]);
    const after = counts();
    expect([before.stations! - after.stations!, before.book_pages! - after.book_pages!]).toEqual([1, mine]);
    expect([after.proof_runs, after.seals, after.feeds, after.book_photos]).toEqual([1, 1, 0, 0]);
    expect(after.proof_entries).toBe(before.proof_entries! / 2);
    expect(searchBook(db, 'heron', 1)).toEqual([]);
    // Whatever table there is that speaks of a station: none speaks of this one, and none lost anything of another.
    for (const table of tables()) {
      const columns = db.prepare('SELECT name FROM pragma_table_info(?)').pluck().all(table) as string[];
      if (!columns.includes('station_id')) continue;
      expect([table, db.prepare(`SELECT count(*) FROM ${table} WHERE station_id = 1`).pluck().get()]).toEqual([
        table,
        0,
      ]);
    }
    for (const table of ['pump_revisions', 'firm_settings', 'people']) expect(after[table]).toBe(before[table]);
    expect(db.pragma('foreign_key_check')).toEqual([]);
    expect(db.pragma('integrity_check', { simple: true })).toBe('ok');
    expect(guards()).toEqual(guarded);
    expect(() => db.prepare('DELETE FROM revisions').run()).toThrow();
    expect(existsSync(picture)).toBe(false);
    expect([findStation(db, 1), emptyBin(db, end), restOf(db, 3)?.rest]).toEqual([null, [], 'archive']);
  });
  it('an empty wall is not filled with the demo again while stations rest', () => {
    for (const id of ids()) setRest(db, id, 'archive', 'R. T.', AT);
    expect([ids(), seedDemo(db, AT)]).toEqual([[], 0]);
  });
});
