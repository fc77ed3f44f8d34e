import type { Dated, Page, PageKept, PageKind, PageSent, ReadingKept } from '@/core/book';
import { pageSchema, wordsOfPage } from '@/core/book';
import type { Db } from './db';
import { keptUnder } from './proofs';

interface Row {
  readonly id: number;
  readonly stationId: number;
  readonly revision: number;
  readonly at: string;
  readonly writtenAt: string;
  readonly by: string;
  readonly corrects: number | null;
  readonly correctedBy: number | null;
  readonly content: string;
}

const SELECT = `SELECT p.id, p.station_id AS stationId, p.revision, p.happened_at AS at, p.written_at AS writtenAt, p.written_by AS by, p.corrects, p.content,
  (SELECT max(c.id) FROM book_pages c WHERE c.corrects = p.id) AS correctedBy FROM book_pages p`;

function readPage(content: string): Page | null {
  const read = pageSchema.safeParse(JSON.parse(content));
  return read.success ? read.data : null;
}

/** A page shows no more readings than a visit takes; those of an imported table are in the export. */
const SHOWN = 60;

function readingsOfPage(db: Db, page: number): ReadingKept[] {
  const list = db
    .prepare<[number, number], Omit<ReadingKept, 'stands'> & { stands: 0 | 1 }>(
      `SELECT id, meter, value, new_from AS newFrom, corrects,
       NOT EXISTS (SELECT 1 FROM book_readings c WHERE c.corrects = r.id) AS stands FROM book_readings r WHERE page_id = ? LIMIT ?`,
    )
    .all(page, SHOWN + 1)
    .map((r): ReadingKept => ({ ...r, stands: r.stands === 1 }));
  return list.length > SHOWN ? [] : list.sort((a, b) => a.meter.localeCompare(b.meter) || a.id - b.id);
}

/** Who says nothing of how long it took has come no longer than this before it was written, min. */
const STAY = 120;

/** The last revision before a visit that ended then. */
const foundAt = (db: Db, stationId: number, ended: string, minutes: number): number | null =>
  db
    .prepare<[number, string], number | null>(
      'SELECT max(revision) FROM revisions WHERE station_id = ? AND saved_at <= ?',
    )
    .pluck()
    .get(stationId, new Date(Date.parse(ended) - minutes * 60_000).toISOString()) ?? null;

const photosOfPage = (db: Db, page: number): number[] =>
  db
    .prepare<[number], number>('SELECT id FROM book_photos WHERE page_id = ? ORDER BY id')
    .pluck()
    .all(page) as unknown as number[];

function pageOf(db: Db, { content, stationId, ...row }: Row): PageKept {
  const page = readPage(content);
  const stayed = page?.kind === 'visit' ? (page.minutes ?? STAY) : 0;
  return {
    ...row,
    page,
    readings: readingsOfPage(db, row.id),
    photos: photosOfPage(db, row.id),
    foundRevision: foundAt(db, stationId, row.at, stayed),
  };
}

export interface Asked {
  readonly kind?: PageKind | undefined;
  /** Pages that name this pump, from 1. */
  readonly pump?: number | undefined;
  /** What became of this part, by the number of any of its pages, and pages that name it. */
  readonly part?: number | undefined;
  /** Pages that happened before this one: the next that are shown. */
  readonly before?: number | undefined;
  readonly most?: number;
}

/** Words that pages about something have; null: of anything. A part is known by its name. */
function wordsAbout(db: Db, stationId: number, { pump, part }: Asked): string | null {
  if (pump !== undefined) return `"pump ${pump}"`;
  if (part === undefined) return null;
  const page = pageAt(db, stationId, part)?.page;
  // What is no part has no words: nothing is about it.
  return page?.kind === 'part' ? `"${page.name.replace(/[^\p{L}\p{N}]+/gu, ' ').trim()}"` : '""';
}

/** Pages that went before this one, or came after it, by being corrected. */
const CHAIN = `WITH RECURSIVE back (id) AS (SELECT @part UNION SELECT p.corrects FROM book_pages p JOIN back ON p.id = back.id WHERE p.corrects IS NOT NULL),
  chain (id) AS (SELECT id FROM back UNION SELECT p.id FROM book_pages p JOIN chain ON p.corrects = chain.id)`;

/** Pages of a station’s book, newest first. */
export function listPages(db: Db, stationId: number, asked: Asked = {}): PageKept[] {
  const { kind, part, before, most = 50 } = asked;
  const about = wordsAbout(db, stationId, asked);
  const edge =
    before === undefined
      ? undefined
      : db
          .prepare<[number], { at: string; id: number }>('SELECT happened_at AS at, id FROM book_pages WHERE id = ?')
          .get(before);
  return db
    .prepare<unknown[], Row>(
      `${CHAIN} ${SELECT} WHERE p.station_id = @stationId AND (@kind IS NULL OR p.kind = @kind)
       AND (@about IS NULL OR p.id IN (SELECT rowid FROM book_words WHERE book_words MATCH @about) OR p.id IN (SELECT id FROM chain))
       AND (@at IS NULL OR (p.happened_at, p.id) < (@at, @id))
       ORDER BY p.happened_at DESC, p.id DESC LIMIT @most`,
    )
    .all({ stationId, kind: kind ?? null, at: edge?.at ?? null, id: edge?.id ?? null, most, about, part: part ?? null })
    .map((row) => pageOf(db, row));
}

export type WriteResult = { ok: true; page: PageKept } | { ok: false; detail: string };

const pageAt = (db: Db, stationId: number, id: number): PageKept | null => {
  const row = db.prepare<[number, number], Row>(`${SELECT} WHERE p.station_id = ? AND p.id = ?`).get(stationId, id);
  return row ? pageOf(db, row) : null;
};

/** What of a page is of no station’s book here; null where all of it is. */
function stray(db: Db, stationId: number, { corrects, readings }: PageSent): string | null {
  if (corrects !== null) {
    const old = pageAt(db, stationId, corrects);
    if (!old) return 'the page that it corrects is not in this book';
    if (old.correctedBy !== null) return 'that page has been corrected already: correct the one that stands for it';
  }
  for (const r of readings) {
    if (r.corrects === null) continue;
    const old = db
      .prepare<[number, number, string], { id: number }>(
        'SELECT id FROM book_readings WHERE id = ? AND station_id = ? AND meter = ?',
      )
      .get(r.corrects, stationId, r.meter);
    if (!old) return 'the reading that it corrects is none of this meter here';
  }
  return null;
}

/** When a reading that is corrected was taken: the one in its place stands at that time. */
const takenAt = (db: Db, id: number): number =>
  db.prepare<[number], { at: number }>('SELECT at FROM book_readings WHERE id = ?').get(id)!.at;

/** Writes a page with its readings, all or nothing. @param key of the request: a page sent again is kept once */
export function writePage(
  db: Db,
  { id: stationId, revision }: { readonly id: number; readonly revision: number },
  sent: PageSent,
  at: string,
  key: string | null = null,
): WriteResult {
  return db.transaction((): WriteResult => {
    const before = keptUnder(db, 'book_pages', 'station_id', stationId, key);
    const kept = before === null ? null : pageAt(db, stationId, before);
    if (kept) return { ok: true, page: kept };
    const strange = stray(db, stationId, sent);
    if (strange !== null) return { ok: false, detail: strange };
    const happened = new Date(sent.at);
    const { lastInsertRowid } = db
      .prepare(
        'INSERT INTO book_pages (station_id, revision, kind, happened_at, written_at, written_by, corrects, content, client_key) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)',
      )
      .run(
        stationId,
        revision,
        sent.page.kind,
        happened.toISOString(),
        at,
        sent.by,
        sent.corrects,
        JSON.stringify(sent.page),
        key,
      );
    const id = Number(lastInsertRowid);
    const put = db.prepare(
      'INSERT INTO book_readings (station_id, page_id, meter, at, value, new_from, corrects) VALUES (?, ?, ?, ?, ?, ?, ?)',
    );
    for (const r of sent.readings) {
      const taken = r.corrects === null ? happened.getTime() : takenAt(db, r.corrects);
      put.run(stationId, id, r.meter, taken, r.value, r.newFrom, r.corrects);
    }
    db.prepare('INSERT INTO book_words (rowid, words) VALUES (?, ?)').run(id, `${wordsOfPage(sent.page)} · ${sent.by}`);
    return { ok: true, page: pageAt(db, stationId, id)! };
  })();
}

/** Pages of a kind that stand: neither corrected nor struck out, oldest first. */
export const standingPages = (db: Db, stationId: number, kind: PageKind): PageKept[] =>
  db
    .prepare<[number, string], Row>(
      `${SELECT} WHERE p.station_id = ? AND p.kind = ? AND NOT EXISTS (SELECT 1 FROM book_pages c WHERE c.corrects = p.id)
       ORDER BY p.happened_at, p.id`,
    )
    .all(stationId, kind)
    .map((row) => pageOf(db, row));

/** Where meters roll over, as it was written last. */
export function rollsOf(db: Db, stationId: number): Record<string, number> {
  const rolls: Record<string, number> = {};
  for (const { page } of standingPages(db, stationId, 'meter'))
    if (page?.kind === 'meter') {
      if (page.rollsAt === null) delete rolls[page.meter];
      else rolls[page.meter] = page.rollsAt;
    }
  return rolls;
}

/** What a kWh costs there, as it was written last; null: nobody said. */
export function priceOf(db: Db, stationId: number): number | null {
  const page = standingPages(db, stationId, 'site').at(-1)?.page;
  return page?.kind === 'site' ? (page.price ?? null) : null;
}

/** When the alarm rang, ms since 1970. */
export const alarmsOf = (db: Db, stationId: number): number[] =>
  standingPages(db, stationId, 'alarm').map((p) => Date.parse(p.at));

/** A page that has the words that were looked for, and where they stand on it, between « and ». */
export interface Hit {
  readonly id: number;
  readonly stationId: number;
  readonly name: string;
  readonly at: string;
  readonly kind: PageKind;
  readonly words: string;
}

/** Words as a search takes them: each by itself, the last one may go on; nothing of them is a command. */
const asked = (text: string): string =>
  text
    .split(/[^\p{L}\p{N}]+/u)
    .filter((w) => w !== '')
    .map((w) => `"${w}"*`)
    .join(' ');

/** Pages in all books, or in one, that have all the words; the best first. */
export function searchBook(db: Db, text: string, stationId: number | null = null, most = 40): Hit[] {
  const query = asked(text);
  if (query === '') return [];
  return db
    .prepare<[Readonly<Record<string, unknown>>], Hit>(
      `SELECT p.id, p.station_id AS stationId, f.name, p.happened_at AS at, p.kind, snippet(book_words, 0, '«', '»', '…', 16) AS words
       FROM book_words JOIN book_pages p ON p.id = book_words.rowid JOIN station_figures f ON f.station_id = p.station_id
       WHERE book_words MATCH @query AND (f.rest IS NULL OR p.station_id = @station)
         AND (@station IS NULL OR p.station_id = @station)
       ORDER BY rank LIMIT @most`,
    )
    .all({ query, station: stationId, most });
}

/** Every page that stands, oldest first. */
export const allStanding = (db: Db, stationId: number): Dated[] =>
  db
    .prepare<[number], { id: number; at: string; content: string }>(
      `SELECT id, happened_at AS at, content FROM book_pages p WHERE station_id = ? AND kind <> 'struck'
       AND NOT EXISTS (SELECT 1 FROM book_pages c WHERE c.corrects = p.id) ORDER BY happened_at, id`,
    )
    .all(stationId)
    .map(({ id, at, content }) => ({ id, at: Date.parse(at), page: readPage(content) }));

/** What happened at a station, for the axis of time: alarms, parts, repairs (calls and jobs) and other visits, oldest first. */
export function happenedAt(
  db: Db,
  stationId: number,
): { id: number; at: number; what: 'alarm' | 'part' | 'repair' | 'visit' }[] {
  return db
    .prepare<[number], { id: number; at: string; kind: 'alarm' | 'part' | 'visit'; why: string | null }>(
      `SELECT id, happened_at AS at, kind, content ->> '$.why' AS why FROM book_pages p WHERE station_id = ?
       AND kind IN ('alarm', 'part', 'visit') AND NOT EXISTS (SELECT 1 FROM book_pages c WHERE c.corrects = p.id) ORDER BY happened_at, id`,
    )
    .all(stationId)
    .map(({ id, at, kind, why }) => ({
      id,
      at: Date.parse(at),
      what: kind === 'visit' && (why === 'call' || why === 'job') ? 'repair' : kind,
    }));
}
