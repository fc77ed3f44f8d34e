/**
 * The database, step by step. Each entry brings a file from the version of its index to the next; a step that has
 * landed is never changed. What happened is append-only: triggers refuse to change or remove it.
 */
export const MIGRATIONS: readonly string[] = [
  `
  CREATE TABLE stations (
    id INTEGER PRIMARY KEY,
    revision INTEGER NOT NULL,
    created_at TEXT NOT NULL
  ) STRICT;

  CREATE TABLE revisions (
    station_id INTEGER NOT NULL REFERENCES stations (id),
    revision INTEGER NOT NULL,
    saved_at TEXT NOT NULL,
    document TEXT NOT NULL CHECK (json_valid(document)),
    PRIMARY KEY (station_id, revision)
  ) STRICT;

  CREATE TABLE proof_runs (
    id INTEGER PRIMARY KEY,
    station_id INTEGER NOT NULL,
    revision INTEGER NOT NULL,
    started_at TEXT NOT NULL,
    tester TEXT NOT NULL,
    plan TEXT NOT NULL CHECK (json_valid(plan)),
    FOREIGN KEY (station_id, revision) REFERENCES revisions (station_id, revision)
  ) STRICT;

  CREATE TABLE proof_entries (
    id INTEGER PRIMARY KEY,
    run_id INTEGER NOT NULL REFERENCES proof_runs (id),
    step_id TEXT NOT NULL,
    entered_at TEXT NOT NULL,
    verdict TEXT NOT NULL CHECK (verdict IN ('pass', 'fail')),
    found TEXT NOT NULL CHECK (json_valid(found)),
    note TEXT NOT NULL
  ) STRICT;

  CREATE INDEX proof_runs_by_station ON proof_runs (station_id);
  CREATE INDEX proof_entries_by_run ON proof_entries (run_id);

  CREATE TRIGGER revisions_stay BEFORE UPDATE ON revisions BEGIN SELECT RAISE(ABORT, 'a revision is never changed'); END;
  CREATE TRIGGER revisions_remain BEFORE DELETE ON revisions BEGIN SELECT RAISE(ABORT, 'a revision is never removed'); END;
  CREATE TRIGGER proof_runs_stay BEFORE UPDATE ON proof_runs BEGIN SELECT RAISE(ABORT, 'a test run is never changed'); END;
  CREATE TRIGGER proof_runs_remain BEFORE DELETE ON proof_runs BEGIN SELECT RAISE(ABORT, 'a test run is never removed'); END;
  CREATE TRIGGER proof_entries_stay BEFORE UPDATE ON proof_entries BEGIN SELECT RAISE(ABORT, 'a finding is never changed: add another'); END;
  CREATE TRIGGER proof_entries_remain BEFORE DELETE ON proof_entries BEGIN SELECT RAISE(ABORT, 'a finding is never removed: add another'); END;
  `,
  `
  CREATE TABLE pump_models (
    name TEXT PRIMARY KEY COLLATE NOCASE,
    kept_at TEXT NOT NULL,
    model TEXT NOT NULL CHECK (json_valid(model))
  ) STRICT;
  `,
];
