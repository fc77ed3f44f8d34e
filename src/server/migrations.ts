import { SINCE_8 } from './migrationsSince8';

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
  `
  -- A word of each document that tells a flipped bit, and the key that its save carried: the same save sent again is kept once.
  ALTER TABLE revisions ADD COLUMN digest TEXT;
  ALTER TABLE revisions ADD COLUMN save_key TEXT;
  DROP TRIGGER revisions_stay;
  UPDATE revisions SET digest = digest_of(document);
  CREATE TRIGGER revisions_stay BEFORE UPDATE ON revisions BEGIN SELECT RAISE(ABORT, 'a revision is never changed'); END;
  CREATE UNIQUE INDEX revisions_by_key ON revisions (station_id, save_key) WHERE save_key IS NOT NULL;
  ALTER TABLE proof_runs ADD COLUMN client_key TEXT;
  CREATE UNIQUE INDEX proof_runs_by_key ON proof_runs (station_id, client_key) WHERE client_key IS NOT NULL;
  ALTER TABLE proof_entries ADD COLUMN client_key TEXT;
  CREATE UNIQUE INDEX proof_entries_by_key ON proof_entries (run_id, client_key) WHERE client_key IS NOT NULL;

  -- “INSERT OR REPLACE” takes the row that is in its way out without asking what guards removal: so what is in the way is asked first.
  CREATE TRIGGER revisions_once BEFORE INSERT ON revisions
    WHEN EXISTS (SELECT 1 FROM revisions WHERE station_id = NEW.station_id AND (revision = NEW.revision OR save_key = NEW.save_key))
    BEGIN SELECT RAISE(ABORT, 'a revision is never changed'); END;
  CREATE TRIGGER revisions_follow BEFORE INSERT ON revisions
    WHEN NEW.revision <> 1 + coalesce((SELECT max(revision) FROM revisions WHERE station_id = NEW.station_id), 0)
    BEGIN SELECT RAISE(ABORT, 'revisions follow each other'); END;
  CREATE TRIGGER stations_once BEFORE INSERT ON stations
    WHEN EXISTS (SELECT 1 FROM stations WHERE id = NEW.id)
    BEGIN SELECT RAISE(ABORT, 'a station is never replaced'); END;
  CREATE TRIGGER stations_go_on BEFORE UPDATE ON stations
    WHEN NEW.id <> OLD.id OR NEW.created_at <> OLD.created_at OR NEW.revision <> OLD.revision + 1
    BEGIN SELECT RAISE(ABORT, 'a station goes on to its next revision, never back'); END;
  CREATE TRIGGER stations_remain BEFORE DELETE ON stations BEGIN SELECT RAISE(ABORT, 'a station is never removed'); END;
  CREATE TRIGGER proof_runs_once BEFORE INSERT ON proof_runs
    WHEN EXISTS (SELECT 1 FROM proof_runs WHERE id = NEW.id OR (station_id = NEW.station_id AND client_key = NEW.client_key))
    BEGIN SELECT RAISE(ABORT, 'a test run is never changed'); END;
  CREATE TRIGGER proof_runs_follow AFTER INSERT ON proof_runs WHEN NEW.id < (SELECT max(id) FROM proof_runs)
    BEGIN SELECT RAISE(ABORT, 'test runs follow each other'); END;
  CREATE TRIGGER proof_entries_once BEFORE INSERT ON proof_entries
    WHEN EXISTS (SELECT 1 FROM proof_entries WHERE id = NEW.id OR (run_id = NEW.run_id AND client_key = NEW.client_key))
    BEGIN SELECT RAISE(ABORT, 'a finding is never changed: add another'); END;
  CREATE TRIGGER proof_entries_follow AFTER INSERT ON proof_entries WHEN NEW.id < (SELECT max(id) FROM proof_entries)
    BEGIN SELECT RAISE(ABORT, 'findings follow each other'); END;

  -- The pump library keeps what it said before: the newest of a name is the one that is offered.
  CREATE TABLE pump_revisions (
    id INTEGER PRIMARY KEY,
    name TEXT NOT NULL COLLATE NOCASE,
    kept_at TEXT NOT NULL,
    model TEXT NOT NULL CHECK (json_valid(model))
  ) STRICT;
  INSERT INTO pump_revisions (name, kept_at, model) SELECT name, kept_at, model FROM pump_models ORDER BY kept_at, name;
  DROP TABLE pump_models;
  CREATE INDEX pump_revisions_by_name ON pump_revisions (name, id);
  CREATE TRIGGER pump_revisions_stay BEFORE UPDATE ON pump_revisions BEGIN SELECT RAISE(ABORT, 'what a pump was is never changed: keep it anew'); END;
  CREATE TRIGGER pump_revisions_remain BEFORE DELETE ON pump_revisions BEGIN SELECT RAISE(ABORT, 'what a pump was is never removed'); END;
  CREATE TRIGGER pump_revisions_once BEFORE INSERT ON pump_revisions
    WHEN EXISTS (SELECT 1 FROM pump_revisions WHERE id = NEW.id)
    BEGIN SELECT RAISE(ABORT, 'what a pump was is never changed: keep it anew'); END;
  CREATE TRIGGER pump_revisions_follow AFTER INSERT ON pump_revisions WHEN NEW.id < (SELECT max(id) FROM pump_revisions)
    BEGIN SELECT RAISE(ABORT, 'pumps are kept one after the other'); END;

  -- What is shown first of the newest revision of each station: worked out from it and thrown away freely.
  CREATE TABLE station_figures (
    station_id INTEGER PRIMARY KEY REFERENCES stations (id),
    revision INTEGER NOT NULL,
    name TEXT NOT NULL,
    site TEXT NOT NULL,
    -- The program that worked them out; null until it has been done.
    by_core TEXT,
    figures TEXT CHECK (figures IS NULL OR json_valid(figures))
  ) STRICT;
  INSERT INTO station_figures (station_id, revision, name, site)
    SELECT s.id, s.revision,
      CASE WHEN json_valid(r.document) THEN coalesce(json_extract(r.document, '$.identity.name'), '') ELSE '' END,
      CASE WHEN json_valid(r.document) THEN coalesce(json_extract(r.document, '$.identity.site'), '') ELSE '' END
    FROM stations s JOIN revisions r ON r.station_id = s.id AND r.revision = s.revision;
  CREATE INDEX station_figures_by_name ON station_figures (site COLLATE NOCASE, name COLLATE NOCASE, station_id);
  `,
  `
  -- Several people work on one card, and a step may be left outside its band or not done, with a reason. SQLite changes no check of a
  -- column: the findings are carried over into a table that has the new one.
  CREATE TABLE findings (
    id INTEGER PRIMARY KEY,
    run_id INTEGER NOT NULL REFERENCES proof_runs (id),
    step_id TEXT NOT NULL,
    entered_at TEXT NOT NULL,
    entered_by TEXT NOT NULL DEFAULT '',
    verdict TEXT NOT NULL CHECK (verdict IN ('pass', 'fail', 'outside', 'not done')),
    found TEXT NOT NULL CHECK (json_valid(found)),
    decided TEXT NOT NULL DEFAULT '{}' CHECK (json_valid(decided)),
    note TEXT NOT NULL,
    client_key TEXT
  ) STRICT;
  INSERT INTO findings (id, run_id, step_id, entered_at, verdict, found, note, client_key)
    SELECT id, run_id, step_id, entered_at, verdict, found, note, client_key FROM proof_entries;
  DROP TABLE proof_entries;
  ALTER TABLE findings RENAME TO proof_entries;
  CREATE INDEX proof_entries_by_run ON proof_entries (run_id);
  CREATE UNIQUE INDEX proof_entries_by_key ON proof_entries (run_id, client_key) WHERE client_key IS NOT NULL;
  CREATE TRIGGER proof_entries_stay BEFORE UPDATE ON proof_entries BEGIN SELECT RAISE(ABORT, 'a finding is never changed: add another'); END;
  CREATE TRIGGER proof_entries_remain BEFORE DELETE ON proof_entries BEGIN SELECT RAISE(ABORT, 'a finding is never removed: add another'); END;
  CREATE TRIGGER proof_entries_once BEFORE INSERT ON proof_entries
    WHEN EXISTS (SELECT 1 FROM proof_entries WHERE id = NEW.id OR (run_id = NEW.run_id AND client_key = NEW.client_key))
    BEGIN SELECT RAISE(ABORT, 'a finding is never changed: add another'); END;
  CREATE TRIGGER proof_entries_follow AFTER INSERT ON proof_entries WHEN NEW.id < (SELECT max(id) FROM proof_entries)
    BEGIN SELECT RAISE(ABORT, 'findings follow each other'); END;

  -- A finished run sealed: its content as it is signed for, and the hash of it, which holds that of the station’s run sealed before.
  CREATE TABLE seals (
    run_id INTEGER PRIMARY KEY REFERENCES proof_runs (id),
    station_id INTEGER NOT NULL REFERENCES stations (id),
    sealed_at TEXT NOT NULL,
    sealed_by TEXT NOT NULL,
    previous TEXT,
    hash TEXT NOT NULL UNIQUE,
    content TEXT NOT NULL CHECK (json_valid(content))
  ) STRICT;
  CREATE INDEX seals_by_station ON seals (station_id);
  CREATE TRIGGER seals_stay BEFORE UPDATE ON seals BEGIN SELECT RAISE(ABORT, 'a sealed run is never changed: add words to it'); END;
  CREATE TRIGGER seals_remain BEFORE DELETE ON seals BEGIN SELECT RAISE(ABORT, 'a sealed run is never removed'); END;
  CREATE TRIGGER seals_once BEFORE INSERT ON seals
    WHEN EXISTS (SELECT 1 FROM seals WHERE run_id = NEW.run_id OR hash = NEW.hash)
    BEGIN SELECT RAISE(ABORT, 'a run is sealed once'); END;
  CREATE TRIGGER proof_entries_sealed BEFORE INSERT ON proof_entries
    WHEN EXISTS (SELECT 1 FROM seals WHERE run_id = NEW.run_id)
    BEGIN SELECT RAISE(ABORT, 'the run is sealed: add words to it'); END;

  CREATE TABLE run_words (
    id INTEGER PRIMARY KEY,
    run_id INTEGER NOT NULL REFERENCES proof_runs (id),
    added_at TEXT NOT NULL,
    added_by TEXT NOT NULL,
    words TEXT NOT NULL,
    client_key TEXT
  ) STRICT;
  CREATE INDEX run_words_by_run ON run_words (run_id);
  CREATE UNIQUE INDEX run_words_by_key ON run_words (run_id, client_key) WHERE client_key IS NOT NULL;
  CREATE TRIGGER run_words_stay BEFORE UPDATE ON run_words BEGIN SELECT RAISE(ABORT, 'what was added is never changed'); END;
  CREATE TRIGGER run_words_remain BEFORE DELETE ON run_words BEGIN SELECT RAISE(ABORT, 'what was added is never removed'); END;

  -- Photographs lie as files beside the database; here is what they are.
  CREATE TABLE photos (
    id INTEGER PRIMARY KEY,
    run_id INTEGER NOT NULL REFERENCES proof_runs (id),
    step_id TEXT NOT NULL,
    taken_at TEXT NOT NULL,
    taken_by TEXT NOT NULL,
    digest TEXT NOT NULL,
    bytes INTEGER NOT NULL,
    width INTEGER NOT NULL,
    height INTEGER NOT NULL,
    client_key TEXT
  ) STRICT;
  CREATE INDEX photos_by_run ON photos (run_id);
  CREATE UNIQUE INDEX photos_by_key ON photos (run_id, client_key) WHERE client_key IS NOT NULL;
  CREATE TRIGGER photos_stay BEFORE UPDATE ON photos BEGIN SELECT RAISE(ABORT, 'a photograph is never changed'); END;
  CREATE TRIGGER photos_remain BEFORE DELETE ON photos BEGIN SELECT RAISE(ABORT, 'a photograph is never removed'); END;
  CREATE TRIGGER photos_sealed BEFORE INSERT ON photos
    WHEN EXISTS (SELECT 1 FROM seals WHERE run_id = NEW.run_id)
    BEGIN SELECT RAISE(ABORT, 'the run is sealed: add words to it'); END;

  -- Sealed runs that came as files from elsewhere: kept as they came, once each.
  CREATE TABLE runs_from_files (
    id INTEGER PRIMARY KEY,
    station_id INTEGER NOT NULL REFERENCES stations (id),
    received_at TEXT NOT NULL,
    hash TEXT NOT NULL,
    content TEXT NOT NULL CHECK (json_valid(content)),
    UNIQUE (station_id, hash)
  ) STRICT;
  CREATE TRIGGER runs_from_files_stay BEFORE UPDATE ON runs_from_files BEGIN SELECT RAISE(ABORT, 'a sealed run is never changed'); END;
  CREATE TRIGGER runs_from_files_remain BEFORE DELETE ON runs_from_files BEGIN SELECT RAISE(ABORT, 'a sealed run is never removed'); END;
  `,
  `
  -- What the firm takes as given at a new station, by profile: figures and schools of the rules and wires. The newest is meant.
  CREATE TABLE firm_settings (
    id INTEGER PRIMARY KEY,
    profile TEXT NOT NULL CHECK (profile IN ('metric-230', 'us-120')),
    kept_at TEXT NOT NULL,
    settings TEXT NOT NULL CHECK (json_valid(settings))
  ) STRICT;
  CREATE INDEX firm_settings_by_profile ON firm_settings (profile, id);
  CREATE TRIGGER firm_settings_stay BEFORE UPDATE ON firm_settings BEGIN SELECT RAISE(ABORT, 'what the firm took as given is never changed: keep it anew'); END;
  CREATE TRIGGER firm_settings_remain BEFORE DELETE ON firm_settings BEGIN SELECT RAISE(ABORT, 'what the firm took as given is never removed'); END;

  -- The book of a station: pages in the order in which they were written. A correction is a page that names the one it corrects.
  CREATE TABLE book_pages (
    id INTEGER PRIMARY KEY,
    station_id INTEGER NOT NULL REFERENCES stations (id),
    -- The revision of the document that it was true of.
    revision INTEGER NOT NULL,
    kind TEXT NOT NULL CHECK (kind IN ('visit', 'alarm', 'part', 'site', 'meter', 'rule', 'later', 'struck')),
    happened_at TEXT NOT NULL,
    written_at TEXT NOT NULL,
    written_by TEXT NOT NULL,
    corrects INTEGER REFERENCES book_pages (id),
    content TEXT NOT NULL CHECK (json_valid(content)),
    client_key TEXT
  ) STRICT;
  CREATE INDEX book_pages_by_station ON book_pages (station_id, happened_at, id);
  CREATE INDEX book_pages_by_correction ON book_pages (corrects) WHERE corrects IS NOT NULL;
  CREATE UNIQUE INDEX book_pages_by_key ON book_pages (station_id, client_key) WHERE client_key IS NOT NULL;
  CREATE TRIGGER book_pages_stay BEFORE UPDATE ON book_pages BEGIN SELECT RAISE(ABORT, 'what is in the book is never changed: write a correction'); END;
  CREATE TRIGGER book_pages_remain BEFORE DELETE ON book_pages BEGIN SELECT RAISE(ABORT, 'what is in the book is never removed: strike it out'); END;
  CREATE TRIGGER book_pages_once BEFORE INSERT ON book_pages
    WHEN EXISTS (SELECT 1 FROM book_pages WHERE id = NEW.id)
    BEGIN SELECT RAISE(ABORT, 'what is in the book is never changed: write a correction'); END;

  -- What stood on meters, each as it stood; times in ms since 1970.
  CREATE TABLE book_readings (
    id INTEGER PRIMARY KEY,
    station_id INTEGER NOT NULL REFERENCES stations (id),
    page_id INTEGER REFERENCES book_pages (id),
    meter TEXT NOT NULL,
    at INTEGER NOT NULL,
    value REAL NOT NULL,
    new_from REAL,
    corrects INTEGER REFERENCES book_readings (id)
  ) STRICT;
  CREATE INDEX book_readings_by_station ON book_readings (station_id, meter, at, value, new_from);
  CREATE INDEX book_readings_by_page ON book_readings (page_id) WHERE page_id IS NOT NULL;
  CREATE INDEX book_readings_by_correction ON book_readings (corrects) WHERE corrects IS NOT NULL;
  CREATE TRIGGER book_readings_stay BEFORE UPDATE ON book_readings BEGIN SELECT RAISE(ABORT, 'what was read is never changed: write a correction'); END;
  CREATE TRIGGER book_readings_remain BEFORE DELETE ON book_readings BEGIN SELECT RAISE(ABORT, 'what was read is never removed'); END;
  CREATE TRIGGER book_readings_once BEFORE INSERT ON book_readings
    WHEN EXISTS (SELECT 1 FROM book_readings WHERE id = NEW.id)
    BEGIN SELECT RAISE(ABORT, 'what was read is never changed: write a correction'); END;

  -- All words of the pages, to be searched; a page’s row has its number.
  CREATE VIRTUAL TABLE book_words USING fts5 (words, tokenize = 'unicode61 remove_diacritics 2');
  `,
  `
  -- How the panel of a station is read. The newest is meant; what was meant before stays beneath.
  CREATE TABLE feeds (
    id INTEGER PRIMARY KEY,
    station_id INTEGER NOT NULL REFERENCES stations (id),
    kept_at TEXT NOT NULL,
    kept_by TEXT NOT NULL,
    content TEXT NOT NULL CHECK (json_valid(content))
  ) STRICT;
  CREATE INDEX feeds_by_station ON feeds (station_id, id);
  CREATE TRIGGER feeds_stay BEFORE UPDATE ON feeds BEGIN SELECT RAISE(ABORT, 'how a panel was read is never changed: keep it anew'); END;
  CREATE TRIGGER feeds_remain BEFORE DELETE ON feeds BEGIN SELECT RAISE(ABORT, 'how a panel was read is never removed'); END;

  -- Everything that a panel answered, as it came over the line; an answer that is the same as the one before it is not kept twice.
  CREATE TABLE feed_raw (
    id INTEGER PRIMARY KEY,
    feed_id INTEGER NOT NULL REFERENCES feeds (id),
    at INTEGER NOT NULL,
    content TEXT NOT NULL
  ) STRICT;
  CREATE INDEX feed_raw_by_feed ON feed_raw (feed_id, at);
  CREATE TRIGGER feed_raw_stay BEFORE UPDATE ON feed_raw BEGIN SELECT RAISE(ABORT, 'what a panel answered is never changed'); END;
  CREATE TRIGGER feed_raw_remain BEFORE DELETE ON feed_raw BEGIN SELECT RAISE(ABORT, 'what a panel answered is never removed'); END;

  -- How it stands with the panel of a station: what it said last, and what must be known of what came before. This alone is written over.
  CREATE TABLE feed_now (
    station_id INTEGER PRIMARY KEY REFERENCES stations (id),
    feed_id INTEGER NOT NULL REFERENCES feeds (id),
    asked_at INTEGER NOT NULL,
    heard_at INTEGER,
    failures INTEGER NOT NULL,
    why TEXT,
    heard TEXT NOT NULL CHECK (json_valid(heard)),
    memory TEXT NOT NULL CHECK (json_valid(memory))
  ) STRICT;

  -- The word by which a panel that sends its alarms is known.
  CREATE TABLE feed_words (
    station_id INTEGER PRIMARY KEY REFERENCES stations (id),
    word TEXT NOT NULL UNIQUE
  ) STRICT;

  -- Readings that a panel gave stand on no page.
  CREATE INDEX book_readings_pulled ON book_readings (station_id, id) WHERE page_id IS NULL;

  -- Parts of a table of readings that is being sent: taken into the book when the last is there, all or none, and then gone from here.
  CREATE TABLE import_parts (
    station_id INTEGER NOT NULL REFERENCES stations (id),
    word TEXT NOT NULL,
    part INTEGER NOT NULL,
    sent_at INTEGER NOT NULL,
    rows TEXT NOT NULL CHECK (json_valid(rows)),
    PRIMARY KEY (station_id, word, part)
  ) STRICT;

  -- What the firm does again and again at every station. A row that ends another takes it back; both stay.
  CREATE TABLE firm_rules (
    id INTEGER PRIMARY KEY,
    kept_at TEXT NOT NULL,
    kept_by TEXT NOT NULL,
    content TEXT NOT NULL CHECK (json_valid(content)),
    ends INTEGER REFERENCES firm_rules (id)
  ) STRICT;
  CREATE TRIGGER firm_rules_stay BEFORE UPDATE ON firm_rules BEGIN SELECT RAISE(ABORT, 'a rule of the firm is never changed: end it, and write another'); END;
  CREATE TRIGGER firm_rules_remain BEFORE DELETE ON firm_rules BEGIN SELECT RAISE(ABORT, 'a rule of the firm is never removed: end it'); END;

  -- Photographs of a page of the book; the pictures lie with those of the runs.
  CREATE TABLE book_photos (
    id INTEGER PRIMARY KEY,
    page_id INTEGER NOT NULL REFERENCES book_pages (id),
    added_at TEXT NOT NULL,
    added_by TEXT NOT NULL,
    digest TEXT NOT NULL,
    bytes INTEGER NOT NULL,
    width INTEGER NOT NULL,
    height INTEGER NOT NULL,
    client_key TEXT
  ) STRICT;
  CREATE INDEX book_photos_by_page ON book_photos (page_id);
  CREATE UNIQUE INDEX book_photos_by_key ON book_photos (page_id, client_key) WHERE client_key IS NOT NULL;
  CREATE TRIGGER book_photos_stay BEFORE UPDATE ON book_photos BEGIN SELECT RAISE(ABORT, 'a photograph is never changed'); END;
  CREATE TRIGGER book_photos_remain BEFORE DELETE ON book_photos BEGIN SELECT RAISE(ABORT, 'a photograph is never removed'); END;
  `,
  `
  -- People who may come in over a network, their sessions and what their passphrases are known by: tables of the library that keeps them
  -- (better-auth); it asks for no more, and a test says so. Their dates are text.
  CREATE TABLE people (
    id TEXT NOT NULL PRIMARY KEY,
    name TEXT NOT NULL,
    email TEXT NOT NULL UNIQUE,
    emailVerified INTEGER NOT NULL,
    image TEXT,
    createdAt DATE NOT NULL,
    updatedAt DATE NOT NULL,
    role TEXT NOT NULL CHECK (role IN ('reader', 'installer', 'owner'))
  );
  CREATE TABLE people_sessions (
    id TEXT NOT NULL PRIMARY KEY,
    expiresAt DATE NOT NULL,
    token TEXT NOT NULL UNIQUE,
    createdAt DATE NOT NULL,
    updatedAt DATE NOT NULL,
    ipAddress TEXT,
    userAgent TEXT,
    userId TEXT NOT NULL REFERENCES people (id) ON DELETE CASCADE
  );
  CREATE INDEX people_sessions_by_person ON people_sessions (userId);
  CREATE TABLE people_secrets (
    id TEXT NOT NULL PRIMARY KEY,
    accountId TEXT NOT NULL,
    providerId TEXT NOT NULL,
    userId TEXT NOT NULL REFERENCES people (id) ON DELETE CASCADE,
    accessToken TEXT,
    refreshToken TEXT,
    idToken TEXT,
    accessTokenExpiresAt DATE,
    refreshTokenExpiresAt DATE,
    scope TEXT,
    password TEXT,
    createdAt DATE NOT NULL,
    updatedAt DATE NOT NULL
  );
  CREATE INDEX people_secrets_by_person ON people_secrets (userId);
  CREATE TABLE people_words (
    id TEXT NOT NULL PRIMARY KEY,
    identifier TEXT NOT NULL,
    value TEXT NOT NULL,
    expiresAt DATE NOT NULL,
    createdAt DATE NOT NULL,
    updatedAt DATE NOT NULL
  );

  -- Addresses that are good once: by the digest of their word, never by the word. The first of all is made by nobody.
  CREATE TABLE people_invited (
    digest TEXT NOT NULL PRIMARY KEY,
    role TEXT NOT NULL CHECK (role IN ('reader', 'installer', 'owner')),
    made_at TEXT NOT NULL,
    made_by TEXT,
    until TEXT NOT NULL,
    used_at TEXT,
    used_by TEXT
  ) STRICT;

  -- What came to the door: right and wrong passphrases, by the name that was said and the address they came from.
  CREATE TABLE people_tried (
    id INTEGER PRIMARY KEY,
    at INTEGER NOT NULL,
    name TEXT NOT NULL,
    address TEXT NOT NULL,
    let_in INTEGER NOT NULL CHECK (let_in IN (0, 1))
  ) STRICT;
  CREATE INDEX people_tried_by_name ON people_tried (name, at);
  CREATE INDEX people_tried_by_address ON people_tried (address, at);

  -- Who saved a revision; null where nobody was signed in.
  ALTER TABLE revisions ADD COLUMN saved_by TEXT;
  `,
  ...SINCE_8,
];
