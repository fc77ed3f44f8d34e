import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { pageSentSchema, ruleSchema, type PageSent } from '@/core/book';
import { newStation } from '@/core/station';
import { alarmsOf, allStanding, happenedAt, listPages, priceOf, rollsOf, searchBook, writePage } from './book';
import { askedOf, lastOf, readingsOf } from './standing';
import { bookFile, pagesCsv } from './bookFile';
import { openDatabase, type Db } from './db';
import { dueAt, dueEverywhere } from './due';
import { dueCalendar, dueCsv } from './dueFiles';
import { addFirmRule, endFirmRule, firmRules } from './firmRules';
import { MIGRATIONS } from './migrations';
import { sparkAt } from './sparks';
import { createStation, findStation, saveStation, type Saved } from './stations';

let folder: string;
let db: Db;
let sump: Saved;
const AT = '2026-11-24T09:41:00.000Z';
const DAY = 86_400_000;

beforeEach(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'pitbell-book-'));
  db = openDatabase(path.join(folder, 'pitbell.sqlite'));
  sump = createStation(db, newStation('Sump', 'Yard', 'metric-230'), AT);
});
afterEach(() => {
  db.close();
  rmSync(folder, { recursive: true });
});

const sent = (page: object, more: object = {}): PageSent =>
  pageSentSchema.parse({ at: AT, by: 'R. T.', page, ...more });
const visit = (words: string, more: object = {}) => sent({ kind: 'visit', why: 'due', words }, more);
const write = (page: PageSent, key: string | null = null) => {
  const written = writePage(db, sump, page, AT, key);
  if (!written.ok) throw new Error(written.detail);
  return written.page;
};

describe('the book', () => {
  it('keeps pages with their readings, newest first, fifty at a time', () => {
    for (let i = 0; i < 60; i++)
      write(
        visit(`visit ${i}`, {
          at: new Date(Date.parse(AT) + i * DAY).toISOString(),
          readings: [{ meter: 'hours-1', value: i }],
        }),
      );
    const first = listPages(db, sump.id);
    expect(first).toHaveLength(50);
    expect(first[0]).toMatchObject({
      page: { words: 'visit 59' },
      revision: 1,
      readings: [{ meter: 'hours-1', value: 59 }],
    });
    expect(listPages(db, sump.id, { before: first.at(-1)!.id }).map((p) => p.page)).toHaveLength(10);
    expect(readingsOf(db, sump.id)['hours-1']!.map((r) => r.value)).toEqual(Array.from({ length: 60 }, (_, i) => i));
  });
  it('is never changed: a page is struck out by a later one, and its readings no longer stand', () => {
    const wrong = write(visit('typed twice', { readings: [{ meter: 'hours-1', value: 77 }] }));
    for (const sql of [
      'UPDATE book_pages SET written_by = 1',
      'DELETE FROM book_pages',
      'UPDATE book_readings SET value = 1',
      'DELETE FROM book_readings',
      `INSERT OR REPLACE INTO book_readings (id, station_id, meter, at, value) VALUES (1, ${sump.id}, 'hours-1', 1, 1)`,
    ])
      expect(() => db.exec(sql)).toThrow(/never/);
    const struck = write(sent({ kind: 'struck', why: 'it was the day before' }, { corrects: wrong.id }));
    expect(readingsOf(db, sump.id)).toEqual({});
    expect(listPages(db, sump.id).find((p) => p.id === wrong.id)!.correctedBy).toBe(struck.id);
    expect(writePage(db, sump, sent({ kind: 'struck', why: 'again' }, { corrects: wrong.id }), AT)).toMatchObject({
      ok: false,
    });
    expect(allStanding(db, sump.id)).toEqual([]);
  });
  it('a reading that is corrected stands at the time of the one it corrects', () => {
    const page = write(visit('', { readings: [{ meter: 'hours-1', value: 770 }] }));
    write(
      visit('one digit too many', {
        at: '2026-12-01T10:00:00Z',
        readings: [{ meter: 'hours-1', value: 77, corrects: page.readings[0]!.id }],
      }),
    );
    expect(readingsOf(db, sump.id)['hours-1']).toMatchObject([{ at: Date.parse(AT), value: 77 }]);
    const stray = visit('', { readings: [{ meter: 'starts-1', value: 7, corrects: page.readings[0]!.id }] });
    expect(writePage(db, sump, stray, AT)).toMatchObject({ ok: false });
    expect(listPages(db, sump.id)).toHaveLength(2);
    const shown = listPages(db, sump.id).flatMap((p) => p.readings.map((r) => [r.value, r.stands]));
    expect(shown).toEqual([
      [77, true],
      [770, false],
    ]);
  });
  it('says which revision a visit found and which it left', () => {
    const save = (name: string, at: string) => {
      const saved = saveStation(db, sump.id, sump.revision, newStation(name, 'Yard', 'metric-230'), at);
      if (!saved.ok) throw new Error('not saved');
      sump = saved.saved;
    };
    save('Sump, clip moved', '2026-11-25T10:30:00.000Z');
    write(
      visit('moved a clip', {
        at: '2026-11-25T11:00:00Z',
        page: { kind: 'visit', why: 'job', minutes: 45, words: '' },
      }),
    );
    expect(listPages(db, sump.id)[0]).toMatchObject({ foundRevision: 1, revision: 2 });
    write(visit('', { at: '2026-11-26T11:00:00Z' }));
    expect(listPages(db, sump.id)[0]).toMatchObject({ foundRevision: 2, revision: 2 });
    write(visit('', { at: '2026-11-01T11:00:00Z' }));
    expect(listPages(db, sump.id).at(-1)!.foundRevision).toBeNull();
  });
  it('is read by pump and by part: what names it, and all that became of a part', () => {
    write(visit('seal of pump 2 weeps'));
    write(visit('pump 1 drawn down'));
    const shelf = write(sent({ kind: 'part', name: 'tilt float (wide)', state: 'on the shelf' }));
    const fitted = write(
      sent({ kind: 'part', name: 'tilt float (wide)', place: 'float 2', state: 'fitted' }, { corrects: shelf.id }),
    );
    write(sent({ kind: 'struck', why: 'it was another' }, { corrects: fitted.id }));
    write(visit('new tilt float wide of swing tried'));
    const words = (asked: object) =>
      listPages(db, sump.id, asked).map(({ page }) =>
        page?.kind === 'visit' ? page.words : page?.kind === 'part' ? page.state : page?.kind,
      );
    expect(words({ pump: 2 })).toEqual(['seal of pump 2 weeps']);
    expect(words({ pump: 1, kind: 'alarm' })).toEqual([]);
    const all = ['new tilt float wide of swing tried', 'struck', 'fitted', 'on the shelf'];
    expect(words({ part: fitted.id })).toEqual(all);
    expect(words({ part: shelf.id })).toEqual(all);
    expect(words({ part: shelf.id, kind: 'part' })).toEqual(['fitted', 'on the shelf']);
    expect(words({ part: 1 })).toEqual(['seal of pump 2 weeps']);
    expect(words({ part: 999 })).toEqual([]);
  });
  it('knows what happened, on one axis: calls and jobs apart from other visits, nothing that was corrected', () => {
    const wrong = write(visit('other pit'));
    write(sent({ kind: 'struck', why: 'other pit' }, { corrects: wrong.id }));
    write(sent({ kind: 'visit', why: 'call', words: 'came at night' }));
    write(visit('read'));
    write(sent({ kind: 'alarm', rang: 'high water' }));
    write(sent({ kind: 'part', name: 'float', state: 'fitted' }));
    write(sent({ kind: 'site', access: 'gate' }));
    expect(happenedAt(db, sump.id).map((h) => h.what)).toEqual(['repair', 'visit', 'alarm', 'part']);
  });
  it.each([12_000, 24_000])(
    'is asked what a meter read %d times means by some of its readings: the last of each stretch, new meters and all rain',
    (many) => {
      const put = db.prepare(
        'INSERT INTO book_readings (station_id, meter, at, value, new_from) VALUES (?, ?, ?, ?, ?)',
      );
      const from = Date.parse(AT);
      db.transaction(() => {
        for (let i = 0; i < many; i++) {
          put.run(sump.id, 'hours-1', from + i * 600_000, i / 100, i === 6000 ? 3 : null);
          put.run(sump.id, 'rain', from + i * 600_000, 0.5, null);
          put.run(sump.id, 'level', from + i * 600_000, 0.5, null);
        }
        put.run(sump.id, 'starts-1', from, 4, null);
      })();
      const asked = askedOf(db, sump.id);
      expect(Object.keys(asked).sort()).toEqual(['hours-1', 'rain', 'starts-1']);
      const hours = asked['hours-1']!;
      expect(hours.length).toBeGreaterThan(3500);
      expect(hours.length).toBeLessThan(5100);
      expect(hours.at(-1)).toMatchObject({ at: from + (many - 1) * 600_000, value: (many - 1) / 100 });
      expect(hours.filter((r) => r.newFrom !== null)).toMatchObject([{ value: 60, newFrom: 3 }]);
      for (const [i, r] of hours.slice(1).entries()) expect(r.at).toBeGreaterThan(hours[i]!.at);
      expect(asked.rain!.reduce((sum, r) => sum + r.value, 0)).toBeCloseTo(many * 0.5, 6);
      expect(lastOf(db, sump.id)).toMatchObject({
        level: { at: from + (many - 1) * 600_000 },
        'starts-1': { value: 4 },
      });
    },
  );
  it('is asked by all readings where they are few, and never by one that was corrected', () => {
    const page = write(visit('', { readings: [{ meter: 'hours-1', value: 770 }] }));
    write(visit('', { readings: [{ meter: 'hours-1', value: 77, corrects: page.readings[0]!.id }] }));
    expect(askedOf(db, sump.id)).toEqual(readingsOf(db, sump.id));
    expect(lastOf(db, sump.id)).toMatchObject({ 'hours-1': { value: 77 } });
  });
  it('is a file with every page, those that no longer stand too, and every reading', () => {
    const wrong = write(visit('twice', { readings: [{ meter: 'hours-1', value: 7 }] }));
    write(sent({ kind: 'struck', why: 'twice' }, { corrects: wrong.id }));
    const file = bookFile(db, sump, AT);
    expect(file).toMatchObject({ format: 'pit-bell/book', version: 1, station: 'Sump' });
    expect(file.pages).toMatchObject([
      { id: wrong.id, page: { words: 'twice' }, by: 'R. T.' },
      { corrects: wrong.id, page: { kind: 'struck' } },
    ]);
    expect(pagesCsv(db, sump.id).split('\r\n')).toEqual([
      'page,time,kind,by,revision,corrects,words',
      `${wrong.id},${AT},visit,R. T.,1,,due · twice · R. T.`,
      `${wrong.id + 1},${AT},struck,R. T.,1,${wrong.id},twice · R. T.`,
    ]);
    expect(file.readings).toMatchObject([{ page: wrong.id, meter: 'hours-1', value: 7, at: AT }]);
  });
  it('knows what a kWh costs there, and how often pumps started lately, until its book goes on', () => {
    expect([priceOf(db, sump.id), sparkAt(db, sump.id)]).toEqual([null, null]);
    write(sent({ kind: 'site', price: 0.3 }));
    for (let week = 0; week < 4; week++)
      write(
        visit('', {
          at: new Date(Date.parse(AT) + week * 7 * DAY).toISOString(),
          readings: [{ meter: 'starts-1', value: 70 * week }],
        }),
      );
    expect(priceOf(db, sump.id)).toBe(0.3);
    expect(sparkAt(db, sump.id)!.weeks.slice(-3)).toEqual([10, 10, 10]);
    write(
      visit('', {
        at: new Date(Date.parse(AT) + 28 * DAY).toISOString(),
        readings: [{ meter: 'starts-1', value: 350 }],
      }),
    );
    expect(sparkAt(db, sump.id)!.weeks.slice(-2)).toEqual([10, 20]);
  });
  it('a page that is sent again after a lost answer is written once', () => {
    expect(write(visit('once'), 'key-12345').id).toBe(write(visit('once'), 'key-12345').id);
    expect(listPages(db, sump.id)).toHaveLength(1);
  });
  it('refuses what is no page, meter or figure, by its field', () => {
    const wrong = (more: object) =>
      pageSentSchema.safeParse({ ...visit('x'), ...more }).error?.issues.map((i) => i.path.join('.'));
    expect(wrong({ by: ' ' })).toEqual(['by']);
    expect(wrong({ at: 'yesterday' })).toEqual(['at']);
    expect(wrong({ page: { kind: 'visit', why: 'boredom', words: '' } })).toEqual(['page.why']);
    expect(wrong({ page: { kind: 'part', name: '', place: '', state: 'fitted' } })).toEqual(['page.name']);
    expect(wrong({ readings: [{ meter: 'wind-1', value: 3 }] })).toEqual(['readings.0.meter']);
    expect(wrong({ readings: [{ meter: 'hours-1', value: -3 }] })).toEqual(['readings.0']);
  });
  it('finds pages by all of their words, their beginnings too, and takes none of them for a command', () => {
    write(visit('Rags round the impeller, cleared'));
    write(sent({ kind: 'alarm', rang: 'high water', was: 'Rags again', done: 'cleared' }));
    expect(
      searchBook(db, 'rags')
        .map((h) => h.kind)
        .sort(),
    ).toEqual(['alarm', 'visit']);
    expect(searchBook(db, 'rag impel')).toMatchObject([
      { kind: 'visit', name: 'Sump', words: expect.stringContaining('«impeller»') },
    ]);
    for (const odd of ['" OR 1 --', 'rags NOT cleared', '***', '']) expect(() => searchBook(db, odd)).not.toThrow();
    expect(searchBook(db, 'rags', sump.id + 1)).toEqual([]);
  });
  it('knows where meters roll over, as written last, and when it rang', () => {
    write(sent({ kind: 'meter', meter: 'hours-1', rollsAt: 10_000 }));
    write(sent({ kind: 'meter', meter: 'hours-1', rollsAt: 100_000 }));
    write(sent({ kind: 'alarm', rang: 'high water' }));
    expect([rollsOf(db, sump.id), alarmsOf(db, sump.id)]).toEqual([{ 'hours-1': 100_000 }, [Date.parse(AT)]]);
  });
  it('comes to a file of the version before, whose rows stay', () => {
    const file = path.join(folder, 'older.sqlite');
    const older = openDatabase(file, MIGRATIONS.slice(0, 4));
    expect(older.pragma('user_version', { simple: true })).toBe(4);
    older.exec("INSERT INTO stations (id, revision, created_at) VALUES (7, 1, 'x')");
    older
      .prepare("INSERT INTO revisions (station_id, revision, saved_at, document) VALUES (7, 1, 'x', ?)")
      .run(JSON.stringify(newStation('Old', 'Yard', 'metric-230')));
    older.close();
    const now = openDatabase(file);
    const kept = findStation(now, 7)!;
    expect(writePage(now, kept, visit('first page'), AT).ok).toBe(true);
    expect(now.pragma('user_version', { simple: true })).toBe(MIGRATIONS.length);
    now.close();
  });
});

describe('what is due', () => {
  const now = Date.parse('2026-12-01T00:00:00Z');
  const due = () =>
    dueAt(db, sump, now).map((d) => [
      d.id.replace(/\d+/, 'N'),
      d.at === null ? null : new Date(d.at).toISOString().slice(0, 10),
    ]);
  it('is a look in a year where nobody has a rule, and nothing that can be told where nobody came', () => {
    expect(due()).toEqual([['look', null]]);
    write(visit('looked at all of it'));
    expect(due()).toEqual([['look', '2027-11-24']]);
    expect(dueAt(db, sump, now)[0]).toMatchObject({ what: 'look at it and try its alarm', job: 'commission' });
    const { station } = sump;
    const bare = createStation(db, { ...station, sensors: station.sensors.filter((s) => s.role !== 'alarm') }, AT);
    expect(dueAt(db, bare, now)[0]!.what).toBe('look at it: no alarm sensor is surveyed');
  });
  it('comes by years, hours or starts, whichever is first', () => {
    // Two hours and forty starts a day over ten days: 1000 h are over in 490 days more, 2000 starts in 40.
    for (const [day, h, n] of [
      [0, 0, 0],
      [10, 20, 400],
    ] as const)
      write(
        visit('', {
          at: new Date(Date.parse('2026-11-01T08:00:00Z') + day * DAY).toISOString(),
          readings: [
            { meter: 'hours-1', value: h },
            { meter: 'starts-1', value: n },
          ],
        }),
      );
    write(
      sent(
        { kind: 'part', name: 'contactor', place: 'Q1', state: 'fitted', years: 10, hours: 1000, starts: 2000 },
        { at: '2026-11-01T08:00:00Z' },
      ),
    );
    expect(due().find(([id]) => id === 'part-N')).toEqual(['part-N', '2026-12-21']);
    expect(due().map(([id]) => id)).toEqual(['part-N', 'look']);
  });
  it('a rule counts from the visit that names it, in its month, and can be put off with a reason', () => {
    const rule = write(
      sent({ kind: 'rule', what: 'flush the laterals', days: 180, month: 4 }, { at: '2026-01-10T08:00:00Z' }),
    );
    expect(due()).toEqual([['rule-N', '2027-04-01']]);
    write(visit('Flush the laterals: done', { at: '2026-03-01T08:00:00Z' }));
    expect(due()).toEqual([['rule-N', '2027-04-01']]);
    write(sent({ kind: 'later', due: `rule-${rule.id}`, until: '2027-05-20', why: 'the field is wet' }));
    expect(dueAt(db, sump, now).find((d) => d.id !== 'look')!.later).toEqual({
      until: Date.parse('2027-05-20'),
      why: 'the field is wet',
    });
  });
  it('everywhere: what is late at a station that gives little time comes first; as calendar and rows', () => {
    write(visit('', { at: '2025-10-01T08:00:00Z' }));
    const other = createStation(db, newStation('Other', 'Yard', 'metric-230'), AT);
    writePage(db, other, visit('', { at: '2026-11-01T08:00:00Z' }), AT);
    const all = dueEverywhere(db, now);
    expect(all.map((d) => d.name)).toEqual(['Sump', 'Other']);
    expect(all[0]!.pressing).toBeGreaterThan(all[1]!.pressing);
    const calendar = dueCalendar(all, 'http://127.0.0.1:4310');
    expect(calendar.match(/BEGIN:VEVENT/g)).toHaveLength(2);
    expect(calendar).toContain('DTSTART;VALUE=DATE:20261001');
    expect(calendar).toMatch(/SUMMARY:Sump: look at it/);
    expect(dueCsv(all).split('\r\n')[1]).toMatch(/^2026-10-01,Sump,Yard,/);
  });
});

describe('rules of the firm', () => {
  const now = Date.parse('2026-12-01T00:00:00Z');
  const rule = ruleSchema.parse({ kind: 'rule', what: 'try the horn', days: 30, job: 'J21' });
  const due = () =>
    dueAt(db, sump, now)
      .filter((d) => d.id !== 'look')
      .map((d) => [d.what, d.job, new Date(d.at ?? 0).toISOString().slice(0, 10)]);
  it('are due at every station, by their job, until they are ended; what is said of them stays', () => {
    const other = createStation(db, newStation('Other', 'Yard', 'metric-230'), AT);
    expect(due()).toEqual([]);
    const kept = addFirmRule(db, rule, 'M. O.', AT);
    expect(due()).toEqual([['try the horn', 'J21', '2026-12-24']]);
    expect(dueAt(db, other, now).map((d) => d.id)).toEqual([`rule-${-kept}`, 'look']);
    expect(firmRules(db)).toMatchObject([{ by: 'M. O.', rule: { what: 'try the horn' } }]);
    expect([endFirmRule(db, kept, 'M. O.', AT), endFirmRule(db, kept, 'M. O.', AT)]).toEqual([true, false]);
    expect(due()).toEqual([]);
    for (const sql of ['UPDATE firm_rules SET kept_by = 1', 'DELETE FROM firm_rules'])
      expect(() => db.exec(sql)).toThrow(/never/);
  });
  it('sent again after a lost answer are written, and ended, once', () => {
    const ids = [1, 2].map(() => addFirmRule(db, rule, 'M. O.', AT, 'key-of-rule'));
    expect([ids[0] === ids[1], firmRules(db).length]).toEqual([true, 1]);
    expect([1, 2].map(() => endFirmRule(db, ids[0]!, 'M. O.', AT, 'key-of-end'))).toEqual([true, true]);
    expect(firmRules(db)).toEqual([]);
  });
  it('are done by a visit that names them, and by a sealed run of their job, and can be put off at one station', () => {
    const kept = addFirmRule(db, rule, 'M. O.', AT);
    write(visit('Try the horn: done, loud', { at: '2026-11-28T10:00:00Z' }));
    expect(due()).toEqual([['try the horn', 'J21', '2026-12-28']]);
    write(
      visit('alarm card: 6 pass; sealed', {
        at: '2026-11-30T10:00:00Z',
        page: { kind: 'visit', why: 'job', words: '', run: 3, job: 'J21' },
      }),
    );
    expect(due()).toEqual([['try the horn', 'J21', '2026-12-30']]);
    write(
      visit('', { at: '2026-12-01T10:00:00Z', page: { kind: 'visit', why: 'job', words: '', run: 4, job: 'J11' } }),
    );
    expect(due()).toEqual([['try the horn', 'J21', '2026-12-30']]);
    write(sent({ kind: 'later', due: `rule-${-kept}`, until: '2027-03-01', why: 'the place is shut' }));
    expect(dueAt(db, sump, now).find((d) => d.id !== 'look')!.later).toMatchObject({ why: 'the place is shut' });
  });
});
