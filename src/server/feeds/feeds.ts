import { randomBytes } from 'node:crypto';
import * as z from 'zod';
import { feedSchema, isStale, NOTHING_BEFORE, type Feed, type FeedShown, type Memory, type Values } from '@/core/feeds';
import type { Db } from '../db';

/** How the panel of a station is read, as it is kept. */
export interface FeedKept {
  readonly id: number;
  readonly stationId: number;
  readonly keptAt: string;
  readonly by: string;
  readonly feed: Feed;
}

interface Row {
  readonly id: number;
  readonly stationId: number;
  readonly keptAt: string;
  readonly by: string;
  readonly content: string;
}

const SELECT = 'SELECT id, station_id AS stationId, kept_at AS keptAt, kept_by AS by, content FROM feeds';

function readFeed({ content, ...row }: Row): FeedKept | null {
  const read = feedSchema.safeParse(JSON.parse(content));
  return read.success ? { ...row, feed: read.data } : null;
}

/** How a station’s panel is read; null where it is not, or where this version cannot read how. */
export function feedOf(db: Db, stationId: number): FeedKept | null {
  const row = db.prepare<[number], Row>(`${SELECT} WHERE station_id = ? ORDER BY id DESC LIMIT 1`).get(stationId);
  return row ? readFeed(row) : null;
}

/** Every panel that is to be read; of a station that rests none is. */
export const feedsOn = (db: Db): FeedKept[] =>
  db
    .prepare<[], Row>(
      `${SELECT} WHERE id IN (SELECT max(id) FROM feeds GROUP BY station_id)
       AND station_id NOT IN (SELECT station_id FROM station_figures WHERE rest IS NOT NULL) ORDER BY id`,
    )
    .all()
    .flatMap((row) => readFeed(row) ?? [])
    .filter((f) => f.feed.on && f.feed.protocol !== 'sends');

/** Another when anything about any panel was kept anew, or a station was put to rest or brought back. */
export const lastFeed = (db: Db): number =>
  db
    .prepare('SELECT (SELECT coalesce(max(id), 0) FROM feeds) + (SELECT coalesce(max(id), 0) FROM station_rest)')
    .pluck()
    .get() as number;

export function keepFeed(db: Db, stationId: number, feed: Feed, by: string, at: string): FeedKept {
  const { lastInsertRowid } = db
    .prepare('INSERT INTO feeds (station_id, kept_at, kept_by, content) VALUES (?, ?, ?, ?)')
    .run(stationId, at, by, JSON.stringify(feed));
  return { id: Number(lastInsertRowid), stationId, keptAt: at, by, feed };
}

/** The word by which the panel of a station is known when it sends an alarm; made the first time. */
export function wordOf(db: Db, stationId: number): string {
  db.prepare('INSERT INTO feed_words (station_id, word) VALUES (?, ?) ON CONFLICT DO NOTHING').run(
    stationId,
    randomBytes(12).toString('base64url'),
  );
  return db.prepare<[number], string>('SELECT word FROM feed_words WHERE station_id = ?').pluck().get(stationId)!;
}

export const stationOfWord = (db: Db, word: string): number | null =>
  db.prepare<[string], number>('SELECT station_id FROM feed_words WHERE word = ?').pluck().get(word) ?? null;

/** How it stands with a panel. Times in ms since 1970. */
export interface FeedNow {
  /** By which map: what another map made of the answers is not what this one says. */
  readonly feedId: number;
  readonly askedAt: number;
  /** When it answered last; null: never. */
  readonly heardAt: number | null;
  /** How often it has not answered since. */
  readonly failures: number;
  /** Why it did not answer, or what of its answer was not believed; null: all is well. */
  readonly why: string | null;
  readonly heard: Values;
  readonly memory: Memory;
}

const heardSchema = z.record(
  z.string(),
  z.discriminatedUnion('ok', [
    z.object({ ok: z.literal(true), value: z.number() }),
    z.object({ ok: z.literal(false), why: z.string() }),
  ]),
);
const seenSchema = z.object({ at: z.number(), value: z.number() });
const memorySchema = z.object({
  dials: z.record(
    z.string(),
    z.object({
      seen: seenSchema,
      keptAt: z.number(),
      odd: seenSchema.extend({ last: seenSchema, times: z.number() }).nullable(),
    }),
  ),
  alarm: z.object({ since: z.number(), quietSince: z.number().nullable() }).nullable(),
  at: z.number().nullable(),
});

type NowRow = Omit<FeedNow, 'heard' | 'memory'> & { readonly heard: string; readonly memory: string };

/** How it stands with the panel of a station; null: it was never asked. What cannot be read is as if it had never been heard. */
export function feedNow(db: Db, stationId: number): FeedNow | null {
  const row = db
    .prepare<[number], NowRow>(
      'SELECT feed_id AS feedId, asked_at AS askedAt, heard_at AS heardAt, failures, why, heard, memory FROM feed_now WHERE station_id = ?',
    )
    .get(stationId);
  if (!row) return null;
  const heard = heardSchema.safeParse(JSON.parse(row.heard));
  const memory = memorySchema.safeParse(JSON.parse(row.memory));
  return { ...row, heard: heard.data ?? {}, memory: memory.data ?? NOTHING_BEFORE };
}

export function putNow(
  db: Db,
  { id, stationId }: Pick<FeedKept, 'id' | 'stationId'>,
  now: Omit<FeedNow, 'feedId'>,
): void {
  db.prepare(
    `INSERT INTO feed_now (station_id, feed_id, asked_at, heard_at, failures, why, heard, memory) VALUES (?, ?, ?, ?, ?, ?, ?, ?)
     ON CONFLICT (station_id) DO UPDATE SET feed_id = excluded.feed_id, asked_at = excluded.asked_at, heard_at = excluded.heard_at,
     failures = excluded.failures, why = excluded.why, heard = excluded.heard, memory = excluded.memory`,
  ).run(
    stationId,
    id,
    now.askedAt,
    now.heardAt,
    now.failures,
    now.why,
    JSON.stringify(now.heard),
    JSON.stringify(now.memory),
  );
}

/** What is shown of a panel that is being read. */
export function shownOf(db: Db, { id, stationId, feed }: FeedKept, now: number): FeedShown {
  const any = feedNow(db, stationId);
  const at = any?.feedId === id ? any : null;
  return {
    now,
    askedAt: at?.askedAt ?? null,
    heardAt: at?.heardAt ?? null,
    failures: at?.failures ?? 0,
    why: at?.why ?? null,
    stale: isStale(feed.every, at?.heardAt ?? null, now),
    heard: at?.heard ?? {},
    kept: lastPulled(db, stationId),
  };
}

/** The number of the last reading that a panel gave; 0: none. */
export const lastPulled = (db: Db, stationId: number): number =>
  (db
    .prepare<[number]>('SELECT max(id) FROM book_readings WHERE station_id = ? AND page_id IS NULL')
    .pluck()
    .get(stationId) as number | null) ?? 0;

/** The last answers of a panel, as they came, the newest first. */
export const rawOf = (db: Db, stationId: number, most: number): { at: number; content: string }[] =>
  db
    .prepare<[number, number], { at: number; content: string }>(
      'SELECT r.at, r.content FROM feeds f JOIN feed_raw r ON r.feed_id = f.id WHERE f.station_id = ? ORDER BY r.at DESC, r.id DESC LIMIT ?',
    )
    .all(stationId, most);
