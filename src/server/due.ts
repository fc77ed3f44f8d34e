import { analyse, dueOf, hoursToHarm, pressing, type Due } from '@/core/book';
import { alarmsOf, allStanding, readingsOf, rollsOf } from './book';
import type { Db } from './db';
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
    readings: readingsOf(db, saved.id),
    rolls: rollsOf(db, saved.id),
    alarms: alarmsOf(db, saved.id),
  });

/** What is due at a station, the most pressing first. @param now ms since 1970 */
export function dueAt(db: Db, saved: Saved, now: number, spans = analysisOf(db, saved).spans): DueSomewhere[] {
  const toHarm = hoursToHarm(saved.station);
  const { name, site } = saved.station.identity;
  return dueOf(allStanding(db, saved.id), spans).map((d) => ({
    ...d,
    stationId: saved.id,
    name,
    site,
    toHarm,
    pressing: pressing(d, toHarm, now),
  }));
}

/** What is due everywhere: the most pressing first, then by when. */
export const dueEverywhere = (db: Db, now: number): DueSomewhere[] =>
  listNames(db)
    .flatMap(({ id }) => {
      const saved = findStation(db, id);
      return saved ? dueAt(db, saved, now) : [];
    })
    .sort((a, b) => b.pressing - a.pressing || (a.at ?? Infinity) - (b.at ?? Infinity));
