import { planText } from '@/pool/plan';
import {
  asksWiring,
  leftWires,
  readDecided,
  readFound,
  readPlan,
  WHOLE,
  type ProofEntry,
  type Step,
} from '@/core/proving';
import type { Db } from './db';
import { findStation } from './stations';

export interface ProofRun {
  readonly id: number;
  readonly stationId: number;
  /** The revision of the document that the run was true of. */
  readonly revision: number;
  readonly startedAt: string;
  readonly tester: string;
  /** The kind of job whose card it is. */
  readonly job: string;
  /** The plan as it stood when the run began; none where this version cannot read it. */
  readonly plan: readonly Step[];
  /** Why the plan that was kept cannot be read; null when it can. */
  readonly unreadable: string | null;
  /** In the order they were entered; a later one about a step stands over an earlier one, and both are kept. */
  readonly entries: readonly ProofEntry[];
}

export type NewEntry = Pick<ProofEntry, 'stepId' | 'verdict' | 'found' | 'note'> &
  Partial<Pick<ProofEntry, 'by' | 'decided'>>;

type RunRow = Omit<ProofRun, 'plan' | 'job' | 'unreadable' | 'entries'> & { plan: string };
type EntryRow = Omit<ProofEntry, 'found' | 'decided'> & { found: string; decided: string };

const RUN = 'SELECT id, station_id AS stationId, revision, started_at AS startedAt, tester, plan FROM proof_runs';

export function entriesOf(db: Db, runId: number): ProofEntry[] {
  return db
    .prepare<[number], EntryRow>(
      'SELECT id, step_id AS stepId, entered_at AS enteredAt, entered_by AS by, verdict, found, decided, note FROM proof_entries WHERE run_id = ? ORDER BY id',
    )
    .all(runId)
    .map((row) => ({ ...row, found: readFound(row.found), decided: readDecided(row.decided) }));
}

function toRun(db: Db, row: RunRow): ProofRun {
  const plan = readPlan(row.plan);
  return {
    ...row,
    job: plan.ok ? plan.job : WHOLE,
    plan: plan.ok ? plan.steps : [],
    unreadable: plan.ok ? null : plan.reason,
    entries: entriesOf(db, row.id),
  };
}

/** What was kept under a key before: its id, or null. */
export const keptUnder = (
  db: Db,
  table: 'proof_runs' | 'proof_entries' | 'photos' | 'run_words' | 'book_pages' | 'book_photos',
  of: 'station_id' | 'run_id' | 'page_id',
  id: number,
  key: string | null,
) =>
  key === null
    ? null
    : (db
        .prepare<[number, string], { id: number }>(`SELECT id FROM ${table} WHERE ${of} = ? AND client_key = ?`)
        .get(id, key)?.id ?? null);

/**
 * Begins a run of a station, its card and expectations kept with it. Null when there is no such station.
 * @param card as it is kept, and the revision that it was made of; else the whole proof of the newest
 * @param key of the request: the same one sent again begins no second run
 */
export function startRun(
  db: Db,
  stationId: number,
  tester: string,
  at: string,
  key: string | null = null,
  card: { readonly plan: string; readonly revision: number } | null = null,
): ProofRun | null {
  const before = keptUnder(db, 'proof_runs', 'station_id', stationId, key);
  if (before !== null) return findRun(db, before);
  const saved = findStation(db, stationId);
  if (!saved) return null;
  const made = card ? { ok: true as const, ...card } : { ...planText(saved.station, WHOLE), revision: saved.revision };
  if (!made.ok) throw new Error(made.reason);
  const { lastInsertRowid } = db
    .prepare(
      'INSERT INTO proof_runs (station_id, revision, started_at, tester, plan, client_key) VALUES (?, ?, ?, ?, ?, ?)',
    )
    .run(stationId, made.revision, at, tester, made.plan, key);
  return findRun(db, Number(lastInsertRowid));
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

/** Why something is not taken into a run. */
export interface Refused {
  readonly ok: false;
  readonly reason: 'no-run' | 'no-step' | 'sealed';
  readonly detail: string;
}

export type AddResult = { ok: true; entry: ProofEntry } | Refused;

const isSealed = (db: Db, runId: number): boolean =>
  db.prepare('SELECT 1 FROM seals WHERE run_id = ?').get(runId) !== undefined;

/** The step of a run that something is about to be added to, or why nothing can be. */
export function openStep(db: Db, runId: number, stepId: string): { ok: true; run: ProofRun; step: Step } | Refused {
  const run = findRun(db, runId);
  if (!run) return { ok: false, reason: 'no-run', detail: `there is no run ${runId}` };
  if (isSealed(db, runId)) return { ok: false, reason: 'sealed', detail: 'the run is sealed: add words to it' };
  if (run.unreadable !== null)
    return {
      ok: false,
      reason: 'no-step',
      detail: `the plan of this run cannot be read by this version: ${run.unreadable}`,
    };
  const step = run.plan.find((s) => s.id === stepId);
  if (!step) return { ok: false, reason: 'no-step', detail: `the plan of this run has no step “${stepId}”` };
  return { ok: true, run, step };
}

/** What of a finding its step does not ask; null where it asks all of it. */
function stray(step: Step, { found, decided = {} }: NewEntry): string | null {
  const asked = Object.keys(found).find((id) => !step.expects.some((e) => e.id === id));
  if (asked !== undefined) return `step “${step.title}” asks nothing called “${asked}”`;
  for (const [id, choice] of Object.entries(decided)) {
    if (asksWiring(step) && leftWires({ [id]: choice }).length > 0) continue;
    const decision = step.decisions.find((d) => d.id === id);
    if (!decision) return `step “${step.title}” decides nothing called “${id}”`;
    if (!decision.choices.some((c) => c.id === choice)) return `“${choice}” is no choice of “${decision.question}”`;
  }
  return null;
}

/** Adds a finding to a run. What was entered before stays. @param key of the request: a finding sent again is kept once */
export function addEntry(db: Db, runId: number, entry: NewEntry, at: string, key: string | null = null): AddResult {
  const before = keptUnder(db, 'proof_entries', 'run_id', runId, key);
  const kept = before === null ? undefined : entriesOf(db, runId).find((e) => e.id === before);
  if (kept) return { ok: true, entry: kept };
  const open = openStep(db, runId, entry.stepId);
  if (!open.ok) return open;
  const strange = stray(open.step, entry);
  if (strange !== null) return { ok: false, reason: 'no-step', detail: strange };
  const { by = open.run.tester, decided = {} } = entry;
  const { lastInsertRowid } = db
    .prepare(
      'INSERT INTO proof_entries (run_id, step_id, entered_at, entered_by, verdict, found, decided, note, client_key) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)',
    )
    .run(
      runId,
      entry.stepId,
      at,
      by,
      entry.verdict,
      JSON.stringify(entry.found),
      JSON.stringify(decided),
      entry.note,
      key,
    );
  return { ok: true, entry: { id: Number(lastInsertRowid), enteredAt: at, ...entry, by, decided } };
}
