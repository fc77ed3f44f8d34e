import { readFound, readPlan, storePlan, testPlan, type ProofEntry, type Step } from '@/core/proving';
import type { Db } from './db';
import { findStation } from './stations';

export interface ProofRun {
  readonly id: number;
  readonly stationId: number;
  /** The revision of the document that the run was true of. */
  readonly revision: number;
  readonly startedAt: string;
  readonly tester: string;
  /** The plan as it stood when the run began; none where this version cannot read it. */
  readonly plan: readonly Step[];
  /** Why the plan that was kept cannot be read; null when it can. */
  readonly unreadable: string | null;
  /** In the order they were entered; a later one about a step stands over an earlier one, and both are kept. */
  readonly entries: readonly ProofEntry[];
}

export type NewEntry = Pick<ProofEntry, 'stepId' | 'verdict' | 'found' | 'note'>;

type RunRow = Omit<ProofRun, 'plan' | 'unreadable' | 'entries'> & { plan: string };
type EntryRow = Omit<ProofEntry, 'found'> & { found: string };

const RUN = 'SELECT id, station_id AS stationId, revision, started_at AS startedAt, tester, plan FROM proof_runs';

function entriesOf(db: Db, runId: number): ProofEntry[] {
  return db
    .prepare<[number], EntryRow>(
      'SELECT id, step_id AS stepId, entered_at AS enteredAt, verdict, found, note FROM proof_entries WHERE run_id = ? ORDER BY id',
    )
    .all(runId)
    .map((row) => ({ ...row, found: readFound(row.found) }));
}

function toRun(db: Db, row: RunRow): ProofRun {
  const plan = readPlan(row.plan);
  return {
    ...row,
    plan: plan.ok ? plan.steps : [],
    unreadable: plan.ok ? null : plan.reason,
    entries: entriesOf(db, row.id),
  };
}

/** What was kept under a key before: its id, or null. */
const keptUnder = (
  db: Db,
  table: 'proof_runs' | 'proof_entries',
  of: 'station_id' | 'run_id',
  id: number,
  key: string | null,
) =>
  key === null
    ? null
    : (db
        .prepare<[number, string], { id: number }>(`SELECT id FROM ${table} WHERE ${of} = ? AND client_key = ?`)
        .get(id, key)?.id ?? null);

/**
 * Begins a run on the newest revision of a station, its plan and expectations kept with it. Null when there is no such station.
 * @param key of the request: the same one sent again begins no second run
 */
export function startRun(
  db: Db,
  stationId: number,
  tester: string,
  at: string,
  key: string | null = null,
): ProofRun | null {
  const before = keptUnder(db, 'proof_runs', 'station_id', stationId, key);
  if (before !== null) return findRun(db, before);
  const saved = findStation(db, stationId);
  if (!saved) return null;
  const plan = testPlan(saved.station);
  const { lastInsertRowid } = db
    .prepare(
      'INSERT INTO proof_runs (station_id, revision, started_at, tester, plan, client_key) VALUES (?, ?, ?, ?, ?, ?)',
    )
    .run(stationId, saved.revision, at, tester, storePlan(plan), key);
  return {
    id: Number(lastInsertRowid),
    stationId,
    revision: saved.revision,
    startedAt: at,
    tester,
    plan,
    unreadable: null,
    entries: [],
  };
}

export function findRun(db: Db, id: number): ProofRun | null {
  const row = db.prepare<[number], RunRow>(`${RUN} WHERE id = ?`).get(id);
  return row ? toRun(db, row) : null;
}

/** The runs of a station, newest first. */
export function listRuns(db: Db, stationId: number): ProofRun[] {
  return db
    .prepare<[number], RunRow>(`${RUN} WHERE station_id = ? ORDER BY id DESC`)
    .all(stationId)
    .map((row) => toRun(db, row));
}

export type AddResult = { ok: true; entry: ProofEntry } | { ok: false; reason: 'no-run' | 'no-step'; detail: string };

/** Adds a finding to a run. What was entered before stays. @param key of the request: a finding sent again is kept once */
export function addEntry(db: Db, runId: number, entry: NewEntry, at: string, key: string | null = null): AddResult {
  const run = findRun(db, runId);
  if (!run) return { ok: false, reason: 'no-run', detail: `there is no test run ${runId}` };
  const before = keptUnder(db, 'proof_entries', 'run_id', runId, key);
  const kept = run.entries.find((e) => e.id === before);
  if (kept) return { ok: true, entry: kept };
  if (run.unreadable !== null)
    return {
      ok: false,
      reason: 'no-step',
      detail: `the plan of this run cannot be read by this version: ${run.unreadable}`,
    };
  const step = run.plan.find((s) => s.id === entry.stepId);
  if (!step) return { ok: false, reason: 'no-step', detail: `the plan of this run has no step “${entry.stepId}”` };
  const stray = Object.keys(entry.found).find((id) => !step.expects.some((e) => e.id === id));
  if (stray) return { ok: false, reason: 'no-step', detail: `step “${step.title}” asks nothing called “${stray}”` };
  const { lastInsertRowid } = db
    .prepare(
      'INSERT INTO proof_entries (run_id, step_id, entered_at, verdict, found, note, client_key) VALUES (?, ?, ?, ?, ?, ?, ?)',
    )
    .run(runId, entry.stepId, at, entry.verdict, JSON.stringify(entry.found), entry.note, key);
  return { ok: true, entry: { id: Number(lastInsertRowid), enteredAt: at, ...entry } };
}
