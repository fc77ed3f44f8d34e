import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { pageSchema, pageSentSchema } from '@/core/book';
import { newStation } from '@/core/station';
import { writePage } from './book';
import { openDatabase, type Db } from './db';
import { createStation, type Saved } from './stations';
import { pastOf } from './traced';

let folder: string;
let db: Db;
let [sump, other]: Saved[] = [];
const AT = '2026-11-24T09:41:00.000Z';
const FAULT = {
  id: 'pump-welded',
  label: 'pump float: contact welded',
  cause: 'its contact carried more than it is made for',
};

beforeEach(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'pitbell-traced-'));
  db = openDatabase(path.join(folder, 'pitbell.sqlite'));
  sump = createStation(db, newStation('Sump', 'Yard', 'metric-230'), AT);
  other = createStation(db, newStation('Other', 'Yard', 'metric-230'), AT);
});
afterEach(() => {
  db.close();
  rmSync(folder, { recursive: true });
});

const write = (saved: Saved, page: object, corrects: number | null = null) => {
  const written = writePage(db, saved, pageSentSchema.parse({ at: AT, by: 'R. T.', page, corrects }), AT, null);
  if (!written.ok) throw new Error(written.detail);
  return written.page.id;
};
const visit = (more: object = {}) => ({ kind: 'visit', why: 'call', words: 'it stood', ...more });

describe('what is known before a fault is looked for', () => {
  it('what was confirmed counts here and in the firm, until its page is struck out', () => {
    write(other!, visit({ faults: [FAULT] }));
    const own = write(sump!, visit({ faults: [FAULT] }));
    write(sump!, visit());
    const now = Date.parse(AT);
    expect(pastOf(db, sump!, now).confirmed).toEqual([
      { cause: FAULT.cause, here: false },
      { cause: FAULT.cause, here: true },
    ]);
    write(sump!, { kind: 'struck', why: 'it was the lead' }, own);
    expect(pastOf(db, sump!, now).confirmed).toEqual([{ cause: FAULT.cause, here: false }]);
  });
  it('the years of all stations are added up, and what the meters mean comes along', () => {
    const year = 365.25 * 86_400_000;
    const past = pastOf(db, sump!, Date.parse(AT) + 2 * year);
    expect(past.stationYears).toBeCloseTo(4, 9);
    expect(past.findings).toEqual([]);
  });
  it('a page that was written before faults were kept is read as it was', () => {
    const old = pageSchema.parse({ kind: 'visit', why: 'look', minutes: null, words: 'all well' });
    expect(old).not.toHaveProperty('faults');
    write(sump!, old);
    expect(pastOf(db, sump!, Date.parse(AT)).confirmed).toEqual([]);
  });
});
