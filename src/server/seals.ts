import { jobTitle } from '@/core/jobs';
import { notFinished, VERDICTS, type ProofEntry, type SealedFile } from '@/core/proving';
import { writePage } from './book';
import type { Db } from './db';
import { listPhotos } from './photos';
import { entriesOf, findRun, keptUnder, type ProofRun, type Refused } from './proofs';
import { checkSeal, sealed } from './seal';
import { documentAt } from './stations';

/** A run's seal, as it is told. */
export interface Seal {
  readonly sealedAt: string;
  readonly sealedBy: string;
  readonly hash: string;
  readonly previous: string | null;
}

export interface Words {
  readonly id: number;
  readonly addedAt: string;
  readonly by: string;
  readonly words: string;
}

const SEAL = 'SELECT sealed_at AS sealedAt, sealed_by AS sealedBy, hash, previous FROM seals';

export const sealOf = (db: Db, runId: number): Seal | null =>
  db.prepare<[number], Seal>(`${SEAL} WHERE run_id = ?`).get(runId) ?? null;

/** The run of a station that was sealed last: the chain goes on from it. */
const lastHash = (db: Db, stationId: number): string | null =>
  db
    .prepare<[number], { hash: string }>('SELECT hash FROM seals WHERE station_id = ? ORDER BY rowid DESC LIMIT 1')
    .get(stationId)?.hash ?? null;

/** A run that lasted longer than this was not one visit, min. */
const VISIT = 12 * 60;

/** A sealed run is a page of the book. */
function writeRun(db: Db, run: ProofRun, by: string, at: string): void {
  const last = new Map(run.entries.map((e) => [e.stepId, e.verdict]));
  const many = (verdict: ProofEntry['verdict']) => [...last.values()].filter((v) => v === verdict).length;
  const told = VERDICTS.flatMap((v) => (many(v) > 0 ? [`${many(v)} ${v}`] : []));
  const minutes = Math.round((Date.parse(at) - Date.parse(run.startedAt)) / 60_000);
  const written = writePage(
    db,
    { id: run.stationId, revision: run.revision },
    {
      at,
      by,
      page: {
        kind: 'visit',
        why: 'job',
        minutes: minutes > 0 && minutes <= VISIT ? minutes : null,
        words: `${jobTitle(run.job)}: ${told.join(', ')}; sealed`,
        run: run.id,
        job: run.job,
      },
      readings: [],
      corrects: null,
    },
    at,
  );
  if (!written.ok) throw new Error(written.detail);
}

/** Seals a finished run: once, with everything that it is true of. The same request again answers the seal that is there. */
export function sealRun(db: Db, runId: number, by: string, at: string): { ok: true; seal: Seal } | Refused {
  return db.transaction((): { ok: true; seal: Seal } | Refused => {
    const there = sealOf(db, runId);
    if (there) return { ok: true, seal: there };
    const run = findRun(db, runId);
    if (!run) return { ok: false, reason: 'no-run', detail: `there is no run ${runId}` };
    const open = run.unreadable ?? notFinished(run.plan, run.entries);
    if (open !== null) return { ok: false, reason: 'no-step', detail: open };
    const { plan } = db.prepare<[number], { plan: string }>('SELECT plan FROM proof_runs WHERE id = ?').get(runId)!;
    const document = documentAt(db, run.stationId, run.revision)!;
    const file = sealed({
      station: JSON.parse(document) as unknown,
      revision: run.revision,
      run: { id: run.id, startedAt: run.startedAt, tester: run.tester, plan: JSON.parse(plan) as unknown },
      entries: entriesOf(db, runId).map((e) => ({ ...e, found: { ...e.found }, decided: { ...e.decided } })),
      photos: listPhotos(db, runId).map(({ id, stepId, takenAt, by: who, digest }) => ({
        id,
        stepId,
        takenAt,
        by: who,
        digest,
      })),
      sealedAt: at,
      sealedBy: by,
      previous: lastHash(db, run.stationId),
    });
    const { hash, previous } = file;
    db.prepare(
      'INSERT INTO seals (run_id, station_id, sealed_at, sealed_by, previous, hash, content) VALUES (?, ?, ?, ?, ?, ?, ?)',
    ).run(runId, run.stationId, at, by, previous, hash, JSON.stringify(file));
    writeRun(db, run, by, at);
    return { ok: true, seal: { sealedAt: at, sealedBy: by, hash, previous } };
  })();
}

/** A sealed run as its file; null where it is not sealed. */
export const sealedFile = (db: Db, runId: number): string | null =>
  db.prepare<[number], { content: string }>('SELECT content FROM seals WHERE run_id = ?').get(runId)?.content ?? null;

/** Words that came after the seal, oldest first: they stand beside it, never in it. */
export const wordsOf = (db: Db, runId: number): Words[] =>
  db
    .prepare<[number], Words>(
      'SELECT id, added_at AS addedAt, added_by AS by, words FROM run_words WHERE run_id = ? ORDER BY id',
    )
    .all(runId);

export function addWords(
  db: Db,
  runId: number,
  by: string,
  words: string,
  at: string,
  key: string | null = null,
): { ok: true; words: Words } | Refused {
  if (!findRun(db, runId)) return { ok: false, reason: 'no-run', detail: `there is no run ${runId}` };
  const before = keptUnder(db, 'run_words', 'run_id', runId, key);
  const kept = wordsOf(db, runId).find((w) => w.id === before);
  if (kept) return { ok: true, words: kept };
  const { lastInsertRowid } = db
    .prepare('INSERT INTO run_words (run_id, added_at, added_by, words, client_key) VALUES (?, ?, ?, ?, ?)')
    .run(runId, at, by, words, key);
  return { ok: true, words: { id: Number(lastInsertRowid), addedAt: at, by, words } };
}

/** Sealed runs of a station that came as files. */
export interface FromFile {
  readonly id: number;
  readonly receivedAt: string;
  readonly file: SealedFile;
}

/** Takes a sealed run from a file, once; refused where its seal is broken. */
export function receiveRun(
  db: Db,
  stationId: number,
  input: unknown,
  at: string,
): { ok: true; received: FromFile } | { ok: false; problems: readonly string[] } {
  const checked = checkSeal(input);
  if (!checked.ok) return checked;
  const there = runsFromFiles(db, stationId).find((r) => r.file.hash === checked.file.hash);
  if (there) return { ok: true, received: there };
  const { lastInsertRowid } = db
    .prepare('INSERT INTO runs_from_files (station_id, received_at, hash, content) VALUES (?, ?, ?, ?)')
    .run(stationId, at, checked.file.hash, JSON.stringify(input));
  return { ok: true, received: { id: Number(lastInsertRowid), receivedAt: at, file: checked.file } };
}

export function runsFromFiles(db: Db, stationId: number): FromFile[] {
  return db
    .prepare<[number], { id: number; receivedAt: string; content: string }>(
      'SELECT id, received_at AS receivedAt, content FROM runs_from_files WHERE station_id = ? ORDER BY id DESC',
    )
    .all(stationId)
    .flatMap(({ content, ...row }) => {
      const checked = checkSeal(JSON.parse(content));
      return checked.ok ? [{ ...row, file: checked.file }] : [];
    });
}
