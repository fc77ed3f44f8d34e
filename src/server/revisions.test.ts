import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { newStation } from '@/core/station';
import { openDatabase, type Db } from './db';
import { revisionsOf } from './revisions';
import { createStation, saveStation } from './stations';

let folder: string;
let db: Db;
let id: number;
const AT = '2026-11-24T09:41:00.000Z';
const named = (name: string) => newStation(name, 'Yard', 'metric-230');

beforeEach(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'pitbell-revisions-'));
  db = openDatabase(path.join(folder, 'pitbell.sqlite'));
  id = createStation(db, named('First'), AT, null, 'R. Teal').id;
});
afterEach(() => {
  db.close();
  rmSync(folder, { recursive: true });
});

describe('revisions', () => {
  it('are all there, newest first, with when and by whom', () => {
    saveStation(db, id, 1, named('Second'), '2026-11-25T09:41:00.000Z');
    saveStation(db, id, 2, named('Third'), '2026-11-26T09:41:00.000Z', null, 'M. Oak');
    createStation(db, named('Another pit'), AT);
    expect(
      revisionsOf(db, id, null, 10).map((r) => [
        r.revision,
        r.savedAt.slice(8, 10),
        r.savedBy,
        r.station?.identity.name,
      ]),
    ).toEqual([
      [3, '26', 'M. Oak', 'Third'],
      [2, '25', null, 'Second'],
      [1, '24', 'R. Teal', 'First'],
    ]);
  });
  it('come so many at a time, and those before one', () => {
    for (let n = 1; n < 8; n++) saveStation(db, id, n, named(`no. ${n + 1}`), AT);
    expect(revisionsOf(db, id, null, 3).map((r) => r.revision)).toEqual([8, 7, 6]);
    expect(revisionsOf(db, id, 6, 3).map((r) => r.revision)).toEqual([5, 4, 3]);
    expect(revisionsOf(db, id, 1, 3)).toEqual([]);
    expect(revisionsOf(db, id + 1, null, 3)).toEqual([]);
  });
  it('that this version cannot read hide no other', () => {
    db.pragma('ignore_check_constraints = ON');
    db.prepare(
      "INSERT INTO revisions (station_id, revision, saved_at, document) VALUES (?, 2, 'x', '{\"version\":99}')",
    ).run(id);
    db.prepare("INSERT INTO revisions (station_id, revision, saved_at, document) VALUES (?, 3, 'x', 'no json')").run(
      id,
    );
    expect(revisionsOf(db, id, null, 10).map((r) => [r.revision, r.station?.identity.name ?? null])).toEqual([
      [3, null],
      [2, null],
      [1, 'First'],
    ]);
  });
});
