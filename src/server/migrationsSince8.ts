/** Changes of the database from the eighth on, in order: see `migrations.ts`. A landed one is never edited. */
export const SINCE_8: readonly string[] = [
  `
  -- The firm's own table of what copper carries, beside its settings; null: the common tables.
  ALTER TABLE firm_settings ADD COLUMN copper TEXT;
  `,
  `
  -- What became of a station that nobody looks after any more, newest last; the newest holds.
  CREATE TABLE station_rest (
    id INTEGER PRIMARY KEY,
    station_id INTEGER NOT NULL REFERENCES stations (id),
    rested_at TEXT NOT NULL,
    rested_by TEXT NOT NULL,
    what TEXT NOT NULL CHECK (what IN ('archive', 'bin', 'back'))
  ) STRICT;
  CREATE INDEX station_rest_by_station ON station_rest (station_id, id);

  -- Where it rests now; null: it hangs on the wall.
  ALTER TABLE station_figures ADD COLUMN rest TEXT CHECK (rest IN ('archive', 'bin'));
  `,
  `
  -- How often kinds of faults come, as the firm says: once in so many years of one such part; null: as it is assumed. The newest of each holds.
  CREATE TABLE firm_rates (
    id INTEGER PRIMARY KEY,
    kept_at TEXT NOT NULL,
    kept_by TEXT NOT NULL,
    cause TEXT NOT NULL,
    years REAL CHECK (years > 0)
  ) STRICT;
  CREATE INDEX firm_rates_by_cause ON firm_rates (cause, id);
  `,
  `
  -- Readers who are held to stations of their own, and to which; and what somebody is held to who is asked in, as JSON.
  CREATE TABLE people_held (person_id TEXT PRIMARY KEY) STRICT;
  CREATE TABLE people_sees (
    person_id TEXT NOT NULL,
    station_id INTEGER NOT NULL REFERENCES stations (id),
    PRIMARY KEY (person_id, station_id)
  ) STRICT;
  CREATE INDEX people_sees_by_station ON people_sees (station_id);
  ALTER TABLE people_invited ADD COLUMN sees TEXT;
  `,
  `
  -- What a firm keeps of its own may come from a device that had no signal: sent again it is kept once.
  ALTER TABLE pump_revisions ADD COLUMN client_key TEXT;
  ALTER TABLE firm_settings ADD COLUMN client_key TEXT;
  ALTER TABLE firm_rules ADD COLUMN client_key TEXT;
  ALTER TABLE firm_rates ADD COLUMN client_key TEXT;
  CREATE UNIQUE INDEX pump_revisions_by_key ON pump_revisions (client_key) WHERE client_key IS NOT NULL;
  CREATE UNIQUE INDEX firm_settings_by_key ON firm_settings (client_key) WHERE client_key IS NOT NULL;
  CREATE UNIQUE INDEX firm_rules_by_key ON firm_rules (client_key) WHERE client_key IS NOT NULL;
  CREATE UNIQUE INDEX firm_rates_by_key ON firm_rates (client_key) WHERE client_key IS NOT NULL;
  `,
  `
  -- Drills that a teacher set to a class, each as its file; and those that were taken back.
  CREATE TABLE drill_sets (
    id INTEGER PRIMARY KEY,
    set_at TEXT NOT NULL,
    set_by TEXT NOT NULL,
    class TEXT NOT NULL,
    drill TEXT NOT NULL,
    taken_back_at TEXT,
    client_key TEXT
  ) STRICT;
  CREATE UNIQUE INDEX drill_sets_by_key ON drill_sets (client_key) WHERE client_key IS NOT NULL;

  -- What came of drills, one row for each that was looked back at, as JSON.
  CREATE TABLE drill_results (
    id INTEGER PRIMARY KEY,
    told_by TEXT NOT NULL,
    result TEXT NOT NULL,
    client_key TEXT
  ) STRICT;
  CREATE INDEX drill_results_by_who ON drill_results (told_by, id);
  CREATE UNIQUE INDEX drill_results_by_key ON drill_results (client_key) WHERE client_key IS NOT NULL;
  `,
];
