import { existsSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import Database from 'better-sqlite3';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { newStation } from '@/core/station';
import { openDataFolder } from './db';
import { copiesIn, nightly } from './nightly';
import { createStation } from './stations';

let folder = '';
beforeEach(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'pitbell-nightly-'));
  const db = openDataFolder(folder);
  createStation(db, newStation('Sump', 'Yard', 'metric-230'), '2026-11-27T10:00:00Z');
  db.close();
});
afterEach(() => rmSync(folder, { recursive: true }));

const days = () => copiesIn(folder).map((c) => c.day);
const stationsIn = (file: string) => {
  const db = new Database(file, { readonly: true });
  const count = db.prepare('SELECT count(*) FROM stations').pluck().get();
  db.close();
  return count;
};

describe('the copy of a night', () => {
  it('holds what was there, and is made once a day', async () => {
    const file = (await nightly('2026-11-27', 7, folder))!;
    expect(stationsIn(file)).toBe(1);
    const db = openDataFolder(folder);
    createStation(db, newStation('Second', 'Yard', 'metric-230'), '2026-11-27T11:00:00Z');
    expect(await nightly('2026-11-27', 7, folder)).toBeNull();
    expect(stationsIn((await nightly('2026-11-28', 7, folder))!)).toBe(2);
    db.close();
    expect(stationsIn(file)).toBe(1);
  });
  it('so many are kept, the newest; none where none are wanted', async () => {
    for (const day of ['2026-11-24', '2026-11-25', '2026-11-26', '2026-11-27']) await nightly(day, 3, folder);
    expect(days()).toEqual(['2026-11-27', '2026-11-26', '2026-11-25']);
    expect(await nightly('2026-11-28', 0, folder)).toBeNull();
    expect(days()).toHaveLength(3);
  });
  it('what lies there under another name is nobody’s business, and a copy that was cut short does not count', async () => {
    const file = (await nightly('2026-11-26', 1, folder))!;
    writeFileSync(path.join(path.dirname(file), 'mine.sqlite'), 'mine');
    writeFileSync(path.join(path.dirname(file), 'pitbell-2026-11-27.sqlite.part'), 'cut short');
    await nightly('2026-11-27', 1, folder);
    expect(readdirSync(path.dirname(file)).sort()).toEqual(['mine.sqlite', 'pitbell-2026-11-27.sqlite']);
  });
  it('of a database that is damaged none is made, and those of before stay', async () => {
    await nightly('2026-11-26', 1, folder);
    writeFileSync(path.join(folder, 'pitbell.sqlite'), 'this is no database at all, but a text of some length');
    await expect(nightly('2026-11-27', 1, folder)).rejects.toThrow();
    expect(days()).toEqual(['2026-11-26']);
  });
  it('where there is no database there is nothing to copy', async () => {
    const empty = mkdtempSync(path.join(tmpdir(), 'pitbell-nightly-'));
    expect(await nightly('2026-11-27', 7, empty)).toBeNull();
    expect(existsSync(path.join(empty, 'copies'))).toBe(false);
    rmSync(empty, { recursive: true });
  });
});
