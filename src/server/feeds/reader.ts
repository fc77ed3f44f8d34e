import { isDeepStrictEqual } from 'node:util';
import { waitFor, type Feed } from '@/core/feeds';
import type { Db } from '../db';
import { feedNow, feedsOn, lastFeed, type FeedKept } from './feeds';
import { linkTo, type Link } from './links';
import { judgedBy, takeIn, type Judged } from './takeIn';

/** One panel that is being read. */
interface Reading {
  kept: FeedKept;
  link: Link;
  failures: number;
  dueAt: number;
  asking: boolean;
}

export interface Reader {
  /** Looks what is due, and asks it. */
  tick(now: number): void;
  /** Ends every line; what is under way is not taken in. */
  close(): void;
}

/**
 * Reads all panels that are to be read, each at its own pace: never asked again while it has not answered, less and less often while it does
 * not, and not all of them at one moment.
 * @param failed told what could not be taken in
 */
export function reader(db: Db, failed: (why: string) => void, link: (feed: Feed) => Link = linkTo): Reader {
  const panels = new Map<number, Reading>();
  const stations = new Map<number, Judged>();
  let known = -1;
  let closed = false;

  const look = (now: number) => {
    const last = lastFeed(db);
    if (last === known) return;
    known = last;
    const on = new Map(feedsOn(db).map((f) => [f.stationId, f]));
    for (const [id, panel] of panels) {
      const kept = on.get(id);
      if (kept && isDeepStrictEqual(kept.feed, panel.kept.feed)) continue;
      panel.link.close();
      panels.delete(id);
    }
    for (const [id, kept] of on) {
      const there = panels.get(id);
      if (there) there.kept = kept;
      else {
        const spread = (panels.size * 137) % (Math.min(kept.feed.every, 30) * 1000);
        const failures = feedNow(db, id)?.failures ?? 0;
        panels.set(id, { kept, link: link(kept.feed), failures, dueAt: now + spread, asking: false });
      }
    }
  };

  /** The station as it is now; asked anew when it was saved. */
  const stationOf = (id: number): Judged | null => {
    const revision = db.prepare<[number], number>('SELECT revision FROM stations WHERE id = ?').pluck().get(id);
    const before = stations.get(id);
    if (before && before.revision === revision) return before;
    const found = judgedBy(db, id);
    if (found) stations.set(id, found);
    return found;
  };

  const ask = async (panel: Reading, now: () => number) => {
    panel.asking = true;
    const answer = await panel.link.ask();
    panel.asking = false;
    if (closed || panels.get(panel.kept.stationId) !== panel) return;
    const at = now();
    panel.failures = answer.ok ? 0 : panel.failures + 1;
    panel.dueAt = at + waitFor(panel.kept.feed.every, panel.failures) * 1000;
    try {
      const station = stationOf(panel.kept.stationId);
      if (station) takeIn(db, panel.kept, station, answer, at);
    } catch (error) {
      failed((error as Error).message);
    }
  };

  return {
    tick(now) {
      const from = Date.now();
      look(now);
      for (const panel of panels.values())
        if (!panel.asking && panel.dueAt <= now) void ask(panel, () => now + Date.now() - from);
    },
    close() {
      closed = true;
      for (const { link } of panels.values()) link.close();
      panels.clear();
    },
  };
}
