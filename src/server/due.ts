import { analyse, dueOf, expectedOf, hoursToHarm, pressing, spansOf, whenOf, type Due, type Span } from '@/core/book';
import { alarmsOf, allStanding, priceOf, rollsOf } from './book';
import { askedOf, dailyOf } from './standing';
import type { Db } from './db';
import { lastPulled } from './feeds/feeds';
import { firmPages, lastFirmRule } from './firmRules';
import { listNames } from './heads';
import { findStation, type Saved } from './stations';

/** What is due somewhere, and how pressing it is. */
export interface DueSomewhere extends Due {
  readonly stationId: number;
  readonly name: string;
  readonly site: string;
  /** Hours that the station gives after its alarm; null where nothing tells. */
  readonly toHarm: number | null;
  readonly pressing: number;
}

/** What the readings of a station mean. */
export const analysisOf = (db: Db, saved: Saved) =>
  analyse({
    station: saved.station,
    readings: askedOf(db, saved.id),
    rolls: rollsOf(db, saved.id),
    alarms: alarmsOf(db, saved.id),
    price: priceOf(db, saved.id),
  });

/** What was counted between readings of a station, one a day. */
export const spansAt = (db: Db, { id, station }: Pick<Saved, 'id' | 'station'>): readonly Span[] =>
  spansOf(station, expectedOf(station), dailyOf(db, id), rollsOf(db, id)).spans;

/** What was worked out of a station, and for which of its states. */
interface Known {
  readonly stamp: string;
  readonly due: readonly Due[];
  readonly toHarm: number | null;
}
const known = new WeakMap<Db, Map<number, Known>>();

/** What stands in the book and in the document is known by their last numbers: readings come with a page, or from the panel. */
const stampOf = (db: Db, id: number, revision: number): string =>
  `${revision} ${lastFirmRule(db)} ${lastPulled(db, id)} ${String(db.prepare<[number]>('SELECT max(id) FROM book_pages WHERE station_id = ?').pluck().get(id))}`;

function workedOut(db: Db, id: number, revision: number, find: () => Saved | null): Known | null {
  const all = known.get(db) ?? new Map<number, Known>();
  known.set(db, all);
  const stamp = stampOf(db, id, revision);
  const before = all.get(id);
  if (before?.stamp === stamp) return before;
  const saved = find();
  if (!saved) return null;
  const { station } = saved;
  const spans = spansAt(db, saved);
  const now = {
    stamp,
    due: dueOf(station, [...allStanding(db, id), ...firmPages(db)], spans),
    toHarm: hoursToHarm(station),
  };
  all.set(id, now);
  return now;
}

const somewhere = (
  { due, toHarm }: Known,
  { id, name, site }: { readonly id: number; readonly name: string; readonly site: string },
  now: number,
): DueSomewhere[] => due.map((d) => ({ ...d, stationId: id, name, site, toHarm, pressing: pressing(d, toHarm, now) }));

/** What is due at a station, the earliest first; worked out anew when its book or its document has gone on. @param now ms since 1970 */
export function dueAt(db: Db, saved: Saved, now: number): DueSomewhere[] {
  const what = workedOut(db, saved.id, saved.revision, () => saved);
  return what ? somewhere(what, { id: saved.id, ...saved.station.identity }, now) : [];
}

/** What is due everywhere: the most pressing first, then by when. A station that cannot be read hides no other. */
export function dueEverywhere(db: Db, now: number): DueSomewhere[] {
  const revisions = new Map(
    db
      .prepare<[], { id: number; revision: number }>('SELECT id, revision FROM stations')
      .all()
      .map((s) => [s.id, s.revision]),
  );
  return listNames(db)
    .flatMap((s) => {
      const what = workedOut(db, s.id, revisions.get(s.id) ?? 0, () => findStation(db, s.id));
      return what ? somewhere(what, s, now) : [];
    })
    .sort((a, b) => b.pressing - a.pressing || whenOf(a) - whenOf(b));
}
