import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { pageSchema, pageSentSchema } from '@/core/book';
import { newStation } from '@/core/station';
import { writePage } from './book';
import { openDatabase, type Db } from './db';
import { keepRate } from './rates';
import { setRest } from './rest';
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
  const part = (more: object = {}) => ({
    kind: 'part',
    name: 'Float',
    place: 'the pump',
    state: 'fitted',
    years: 10,
    ...more,
  });
  it('parts that are fitted here come with how far through their life they are; shelves of the whole firm come too', () => {
    write(sump!, part());
    write(other!, part({ name: 'Elsewhere' }));
    write(other!, part({ name: 'Spare', place: '', state: 'on the shelf', years: null }));
    write(sump!, part({ name: 'Gone', state: 'taken out' }));
    const later = Date.parse(AT) + 5 * 365.25 * 86_400_000;
    const { parts } = pastOf(db, sump!, later);
    expect(parts.map((p) => [p.name, p.state, p.at, p.since, p.gone])).toEqual([
      ['Spare', 'on the shelf', 'Other', '2026-11-24', null],
      ['Float', 'fitted', null, '2026-11-24', { share: 0.5, by: '5.0 of 10 years' }],
    ]);
  });
  it('of hours and starts what was counted since it was fitted, and the measure of which most is gone', () => {
    const readings = (at: string, hours: number, starts: number) =>
      writePage(
        db,
        sump!,
        pageSentSchema.parse({
          at,
          by: 'R. T.',
          page: visit(),
          corrects: null,
          readings: [
            { meter: 'hours-1', value: hours, newFrom: null, corrects: null },
            { meter: 'starts-1', value: starts, newFrom: null, corrects: null },
          ],
        }),
        at,
        null,
      );
    readings('2026-01-01T00:00:00.000Z', 1000, 40_000);
    write(sump!, part({ years: 100, hours: 500, starts: 20_000 }));
    readings('2026-11-25T09:41:00.000Z', 1010, 41_000);
    readings('2026-12-24T09:41:00.000Z', 1110, 56_000);
    const gone = pastOf(db, sump!, Date.parse('2026-12-24T10:00:00Z')).parts[0]!.gone!;
    expect(gone.by).toMatch(/ of 20000 starts$/);
    expect(gone.share).toBeCloseTo(0.75, 1);
  });
  it('the shelf of a station in the bin is no shelf', () => {
    write(other!, part({ name: 'Spare', place: '', state: 'on the shelf' }));
    setRest(db, other!.id, 'bin', 'R. T.', AT);
    expect(pastOf(db, sump!, Date.parse(AT)).parts).toEqual([]);
    // Of one that rests itself its own is told.
    expect(pastOf(db, other!, Date.parse(AT)).parts).toMatchObject([{ name: 'Spare', at: null }]);
  });
  it('what the firm says of how often a kind comes: the newest holds, and nothing said is as assumed', () => {
    keepRate(db, { cause: 'rust', years: 4 }, 'R. T.', AT);
    keepRate(db, { cause: 'grit', years: 2 }, 'R. T.', AT);
    keepRate(db, { cause: 'rust', years: 8 }, 'R. T.', AT);
    keepRate(db, { cause: 'grit', years: null }, 'R. T.', AT);
    expect(pastOf(db, sump!, Date.parse(AT)).rates).toEqual([{ cause: 'rust', years: 8 }]);
  });
});
