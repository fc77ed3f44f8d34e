import { createHash } from 'node:crypto';
import {
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  truncateSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import Database from 'better-sqlite3';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { newStation } from '@/core/station';
import { backUp } from './backup';
import { openDatabase, openDataFolder, photoFolder } from './db';
import { MIGRATIONS } from './migrations';
import { drop, layBeside, switchTo, waitingIn } from './restore';
import { listNames } from './heads';
import { createStation } from './stations';

const [AT, NOW] = ['2026-11-24T09:41:00.000Z', '2026-11-27T10:11:12.000Z'];
let root: string;
let [office, away]: string[] = [];

const named = (name: string) => newStation(name, 'Yard', 'metric-230');
const keep = (folder: string, ...names: string[]) => {
  const db = openDataFolder(folder);
  for (const name of names) createStation(db, named(name), AT);
  db.close();
};
const photo = (folder: string, content: string): string => {
  const name = `${createHash('sha256').update(content).digest('hex')}.jpg`;
  mkdirSync(photoFolder(folder), { recursive: true });
  writeFileSync(path.join(photoFolder(folder), name), content);
  writeFileSync(path.join(photoFolder(folder), name.replace('.jpg', '.thumb.jpg')), `small ${content}`);
  return name;
};
const names = (folder: string): string[] => {
  const db = openDataFolder(folder);
  try {
    return listNames(db).map((s) => s.name);
  } finally {
    db.close();
  }
};

beforeEach(() => {
  root = mkdtempSync(path.join(tmpdir(), 'pitbell-restore-'));
  [office, away] = ['office', 'away'].map((name) => path.join(root, name));
});
afterEach(() => rmSync(root, { recursive: true }));

describe('a backup', () => {
  it('is one file with the photographs in it, which SQLite’s own archive reads back byte for byte', async () => {
    keep(office!, 'Sump');
    const name = photo(office!, 'a picture');
    const file = path.join(root, 'kept.sqlite');
    expect(await backUp(file, office)).toMatchObject({ file, stations: 1, revisions: 1, photos: 1 });
    expect(readdirSync(root).sort()).toEqual(['kept.sqlite', 'office']);
    const db = new Database(file, { readonly: true });
    const row = db.prepare('SELECT data, sz FROM sqlar WHERE name = ?').get(name) as { data: Buffer; sz: number };
    expect([row.data.toString(), row.sz]).toEqual(['a picture', 9]);
    db.close();
  });
  it('is told before it takes the place of anything, and nothing is touched until then', async () => {
    keep(office!, 'Sump', 'Well');
    photo(office!, 'a picture');
    const file = path.join(root, 'kept.sqlite');
    await backUp(file, office);
    keep(away!, 'Other');
    const told = layBeside(file, 'kept.sqlite', NOW, away);
    expect(told).toMatchObject({
      name: 'kept.sqlite',
      laidAt: NOW,
      last: AT,
      version: MIGRATIONS.length,
      holds: { stations: 2, revisions: 2, photos: 1 },
      stations: [
        { name: 'Sump', site: 'Yard', revision: 1, savedAt: AT },
        { name: 'Well', site: 'Yard', revision: 1, savedAt: AT },
      ],
    });
    expect(waitingIn(away)).toEqual([told]);
    expect(names(away!)).toEqual(['Other']);
    expect(existsSync(photoFolder(away))).toBe(false);
    drop(told.id, away);
    expect([waitingIn(away), readdirSync(path.join(away!, 'restore'))]).toEqual([[], []]);
  });
  it('is switched whole: photographs are added, and a copy of what was there stays', async () => {
    keep(office!, 'Sump');
    const taken = photo(office!, 'a picture');
    const file = path.join(root, 'kept.sqlite');
    await backUp(file, office);
    keep(away!, 'Other');
    const own = photo(away!, 'of its own');
    const { id } = layBeside(file, 'kept.sqlite', NOW, away);
    const { before, photos } = switchTo(id, NOW, away);
    expect(photos).toEqual({ added: 1, strange: 0 });
    expect(names(away!)).toEqual(['Sump']);
    expect(readFileSync(path.join(photoFolder(away), taken), 'utf8')).toBe('a picture');
    expect(existsSync(path.join(photoFolder(away), own))).toBe(true);
    // No photograph weighs in the database that is used.
    const db = openDataFolder(away);
    expect(db.prepare("SELECT count(*) FROM sqlite_master WHERE name = 'sqlar'").pluck().get()).toBe(0);
    db.close();
    // And back again: what was there before is a backup like any other.
    expect(before).toBe(path.join(away!, 'copies', 'before-20261127-101112.sqlite'));
    switchTo(layBeside(before!, 'before', NOW, away).id, NOW, away);
    expect(names(away!)).toEqual(['Other']);
  });
  it('of a folder that has nothing yet makes one', async () => {
    keep(office!, 'Sump');
    const file = path.join(root, 'kept.sqlite');
    await backUp(file, office);
    expect(switchTo(layBeside(file, 'kept', NOW, away).id, NOW, away)).toEqual({
      before: null,
      photos: { added: 0, strange: 0 },
    });
    expect(names(away!)).toEqual(['Sump']);
  });
  it('with a picture that is not what its name says leaves that one out, and counts it', async () => {
    keep(office!, 'Sump');
    const good = photo(office!, 'a picture');
    const file = path.join(root, 'kept.sqlite');
    await backUp(file, office);
    const db = new Database(file);
    const put = db.prepare('INSERT INTO sqlar VALUES (?, 0, 0, 3, ?)');
    put.run(`${'ab'.repeat(32)}.jpg`, Buffer.from('not'));
    put.run('../../evil.jpg', Buffer.from('not'));
    db.close();
    const { photos } = switchTo(layBeside(file, 'kept', NOW, away).id, NOW, away);
    expect(photos).toEqual({ added: 1, strange: 2 });
    expect(readdirSync(photoFolder(away)).sort()).toEqual([good.replace('.jpg', '.thumb.jpg'), good].sort());
    expect(existsSync(path.join(root, 'evil.jpg'))).toBe(false);
  });
  it('as an earlier version made it, with a folder of photographs beside it and an older database, is brought up', () => {
    const file = path.join(root, 'old.sqlite');
    openDatabase(file, MIGRATIONS.slice(0, 9)).close();
    mkdirSync(`${file}.photos`);
    writeFileSync(path.join(`${file}.photos`, `${createHash('sha256').update('old').digest('hex')}.jpg`), 'old');
    const told = layBeside(file, 'old.sqlite', NOW, away);
    expect(told).toMatchObject({ version: 9, holds: { stations: 0, photos: 1 }, last: null });
    expect(switchTo(told.id, NOW, away).photos.added).toBe(1);
    expect(names(away!)).toEqual([]);
  });
  it.each([
    [
      'of a newer program',
      (file: string) => void edit(file, (db) => db.pragma('user_version = 999')),
      /newer Pit Bell/,
    ],
    [
      'of another program',
      (file: string) => (rmSync(file), edit(file, (db) => db.exec('CREATE TABLE x (y)'))),
      /another program/,
    ],
    ['that is cut off', (file: string) => truncateSync(file, 20_000), /kept/],
    ['that is no database', (file: string) => writeFileSync(file, 'x'.repeat(9000)), /kept/],
    ['that is empty', (file: string) => writeFileSync(file, ''), /empty or cut off/],
  ])('%s is refused in words, and nothing stays', async (_, harm, words) => {
    keep(office!, 'Sump');
    const file = path.join(root, 'kept.sqlite');
    await backUp(file, office);
    harm(file);
    keep(away!, 'Other');
    expect(() => layBeside(file, 'kept', NOW, away)).toThrow(words);
    expect(readdirSync(path.join(away!, 'restore'))).toEqual([]);
    expect(names(away!)).toEqual(['Other']);
  });
  it('is not switched while somebody has the database open, and a number that is none is none', async () => {
    keep(office!, 'Sump');
    const file = path.join(root, 'kept.sqlite');
    await backUp(file, office);
    keep(away!, 'Other');
    const { id } = layBeside(file, 'kept', NOW, away);
    const open = openDataFolder(away);
    // Whether it has just written or only stands open.
    expect(() => switchTo(id, NOW, away)).toThrow(/has the database open/);
    createStation(open, named('Meanwhile'), AT);
    expect(() => switchTo(id, NOW, away)).toThrow(/has the database open/);
    open.close();
    expect(names(away!)).toEqual(['Meanwhile', 'Other']);
    expect(() => switchTo('../x', NOW, away)).toThrow(/no such backup/);
    expect(() => switchTo('20200101-000000-abcd', NOW, away)).toThrow(/no such backup/);
  });
});

function edit(file: string, by: (db: Database.Database) => unknown): void {
  const db = new Database(file);
  by(db);
  db.close();
}
