import { NOTHING_BEFORE, take, type AlarmTold, type Values } from '@/core/feeds';
import { vesselOf } from '@/core/vessel';
import { rollsOf, writePage } from '../book';
import type { Db } from '../db';
import { findStation } from '../stations';
import { feedNow, putNow, type FeedKept } from './feeds';

/** What came of asking a panel: its answer, as it came and as it is read, or why there is none. */
export type Answer =
  | {
      readonly ok: true;
      readonly raw: string;
      readonly values: Values;
      /** It sent this by itself: what it did not name stands as it was. */ readonly pushed?: true;
    }
  | { readonly ok: false; readonly why: string };

/** What of a station is wanted to judge what its panel says. */
export interface Judged {
  readonly id: number;
  readonly revision: number;
  /** m */
  readonly depth: number;
}

/** A station as its panel is judged by. */
export const judgedBy = (db: Db, stationId: number): Judged | null => {
  const saved = findStation(db, stationId);
  return saved && { id: saved.id, revision: saved.revision, depth: vesselOf(saved.station.vessel).depth };
};

const BY = 'the panel';

/** The page of an alarm of the panel that is not yet over, by its beginning. */
const pageOfAlarm = (db: Db, stationId: number, since: number): number | null =>
  db
    .prepare<[number, string, string], number>(
      `SELECT id FROM book_pages p WHERE station_id = ? AND kind = 'alarm' AND happened_at = ? AND written_by = ?
       AND NOT EXISTS (SELECT 1 FROM book_pages c WHERE c.corrects = p.id) ORDER BY id DESC LIMIT 1`,
    )
    .pluck()
    .get(stationId, new Date(since).toISOString(), BY) ?? null;

/** Writes an alarm that began, or how long one was that is over: a page that corrects the one of its beginning. */
export function writeAlarm(db: Db, station: Judged, told: AlarmTold, rang: string, at: string): void {
  const since = told.kind === 'began' ? told.at : told.since;
  const corrects = told.kind === 'over' ? pageOfAlarm(db, station.id, since) : null;
  const minutes = told.kind === 'over' ? Math.round(((told.until - told.since) / 60_000) * 10) / 10 : null;
  const written = writePage(
    db,
    station,
    {
      at: new Date(since).toISOString(),
      by: BY,
      page: { kind: 'alarm', rang, minutes, was: '', done: '' },
      readings: [],
      corrects,
    },
    at,
  );
  if (!written.ok) throw new Error(written.detail);
}

const sameAsBefore = (db: Db, feed: number, raw: string): boolean =>
  db
    .prepare<[number], string>('SELECT content FROM feed_raw WHERE feed_id = ? ORDER BY at DESC, id DESC LIMIT 1')
    .pluck()
    .get(feed) === raw;

/** Takes in what came of asking a panel: kept as it came, shown as it stands, and written into the book where it is time. All or nothing. */
export function takeIn(db: Db, kept: FeedKept, station: Judged, answer: Answer, now: number): void {
  db.transaction(() => {
    const before = feedNow(db, station.id);
    // By another map other figures were read: only an alarm that rings is the same one.
    const base =
      before?.feedId === kept.id
        ? before
        : { heardAt: null, failures: 0, heard: {}, memory: { ...NOTHING_BEFORE, alarm: before?.memory.alarm ?? null } };
    if (!answer.ok) {
      putNow(db, kept, { ...base, askedAt: now, failures: base.failures + 1, why: answer.why });
      return;
    }
    if (!sameAsBefore(db, kept.id, answer.raw))
      db.prepare('INSERT INTO feed_raw (feed_id, at, content) VALUES (?, ?, ?)').run(kept.id, now, answer.raw);
    const rolls = rollsOf(db, station.id);
    const taken = take(base.memory, answer.values, {
      now,
      keepEvery: kept.feed.keepEvery,
      depth: station.depth,
      rolls,
      // Who only sends says when it is quiet, and nothing more.
      ...(kept.feed.protocol === 'sends' && { sameAlarm: 0 }),
    });
    const put = db.prepare(
      'INSERT INTO book_readings (station_id, page_id, meter, at, value, new_from, corrects) VALUES (?, NULL, ?, ?, ?, ?, NULL)',
    );
    for (const r of taken.keep) put.run(station.id, r.meter, r.at, r.value, r.newFrom);
    const at = new Date(now).toISOString();
    for (const told of taken.alarms) writeAlarm(db, station, told, 'alarm, as the panel tells it', at);
    for (const words of taken.anew)
      writePage(
        db,
        station,
        { at, by: BY, page: { kind: 'visit', why: 'look', minutes: null, words }, readings: [], corrects: null },
        at,
      );
    const unread = Object.entries(answer.values).flatMap(([id, v]) => (v.ok ? [] : [`${id}: ${v.why}`]));
    putNow(db, kept, {
      askedAt: now,
      heardAt: now,
      failures: 0,
      why: [...taken.doubts, ...unread].join('; ') || null,
      heard: { ...(answer.pushed ? base.heard : {}), ...answer.values },
      memory: taken.memory,
    });
  }).immediate();
}
