import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { newStation } from '@/core/station';
import { listPages } from './book';
import { readingsOf } from './standing';
import { openDatabase, type Db } from './db';
import { drop, layBy, partNumberSchema, partSchema, takeParts, wordSchema } from './importParts';
import { createStation, type Saved } from './stations';

const AT = '2026-11-24T09:41:00.000Z';
const NOW = Date.parse(AT);
const WORD = 'table-0001';
let folder: string;
let db: Db;
let sump: Saved;

beforeEach(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'pitbell-import-'));
  db = openDatabase(path.join(folder, 'pitbell.sqlite'));
  sump = createStation(db, newStation('Sump', 'Yard', 'metric-230'), AT);
});
afterEach(() => {
  db.close();
  rmSync(folder, { recursive: true });
});

const part = (values: readonly number[], from = 0) => ({
  meters: ['level', 'hours-1'],
  rows: values.map((v, i): [number, number, number] => [v % 2, from + i * 60_000, v]),
});
const lay = (n: number, values: readonly number[], word = WORD, now = NOW) =>
  layBy(db, sump.id, word, n, part(values, n * 3_600_000), now);
const take = (parts: number, word = WORD) => takeParts(db, sump, { word, parts, by: 'R. T.', file: 'log.csv' }, AT);
const laid = () => db.prepare('SELECT count(*) FROM import_parts').pluck().get();

describe('a table that is sent in parts', () => {
  it('is in the book when all of it has come, with one page that says whence, and is laid by no more', () => {
    lay(1, [4, 5]);
    lay(0, [1, 2, 3]);
    expect(readingsOf(db, sump.id)).toEqual({});
    expect(take(2)).toEqual({ ok: true, added: 5, double: 0 });
    expect(readingsOf(db, sump.id)['hours-1']!.map((r) => r.value)).toEqual([1, 3, 5]);
    expect(listPages(db, sump.id)).toMatchObject([
      { by: 'R. T.', page: { words: '5 readings imported from log.csv' } },
    ]);
    expect(laid()).toBe(0);
  });
  it('is not taken while a part is missing, and nothing of it is lost', () => {
    lay(0, [1]);
    lay(2, [2]);
    expect(take(3)).toEqual({ ok: false, detail: 'of 3 parts 2 have come: send it again' });
    expect(take(2)).toMatchObject({ ok: false });
    expect(readingsOf(db, sump.id)).toEqual({});
    lay(1, [3]);
    expect(take(3)).toMatchObject({ added: 3 });
  });
  it('has each part once, however often it is sent; what is in the book already is counted, not taken twice', () => {
    lay(0, [1, 2]);
    lay(0, [1, 2]);
    expect(take(1)).toEqual({ ok: true, added: 2, double: 0 });
    lay(0, [1, 2, 3], 'table-0002');
    expect(take(1, 'table-0002')).toEqual({ ok: true, added: 1, double: 2 });
  });
  it('that is stopped leaves nothing, nor does one that nobody took for a day; others stay', () => {
    lay(0, [1]);
    lay(0, [2], 'table-0002');
    drop(db, sump.id, WORD);
    expect(laid()).toBe(1);
    lay(0, [3], 'table-0003', NOW + 25 * 3_600_000);
    expect(laid()).toBe(1);
    expect(take(1, 'table-0002')).toMatchObject({ ok: false });
  });
  it('is not taken at another station', () => {
    const other = createStation(db, newStation('Other', 'Yard', 'metric-230'), AT);
    lay(0, [1]);
    expect(takeParts(db, other, { word: WORD, parts: 1, by: 'x', file: '' }, AT)).toMatchObject({ ok: false });
  });
  it.each([
    [{ meters: ['wind'], rows: [] }, /no meter known/],
    [{ meters: ['level'], rows: [[1, 0, 3]] }, /of no meter/],
    [{ meters: ['level'], rows: [[0, 0.5, 3]] }, /int/],
    [{ meters: ['level'], rows: [[0, 0, null]] }, /number/],
  ])('%j is no part', (body, why) => {
    const read = partSchema.safeParse(body);
    expect(read.success ? '' : read.error.issues.map((i) => i.message).join()).toMatch(why);
  });
  it('has a word and numbers that are its own', () => {
    for (const word of ['short', 'with space', 'x'.repeat(81)]) expect(wordSchema.safeParse(word).success).toBe(false);
    for (const n of ['-1', '100', '1.5']) expect(partNumberSchema.safeParse(n).success).toBe(false);
  });
});
