import { demoBook, demoPumps, demoStations } from '@/core/demo';
import { proposeVerdict, type Found, type Step } from '@/core/proving';
import { writePage } from './book';
import type { Db } from './db';
import { addEntry, startRun } from './proofs';
import { keepPumpModel } from './pumps';
import { createStation } from './stations';

/** Findings a careful person would have had on this plan: each reading as expected, each look as it should be. */
function soundFindings(step: Step): Found {
  return Object.fromEntries(step.expects.map((e) => [e.id, e.reading ? (e.reading.expected?.value ?? 0) : true]));
}

/** The demo stations with a year of their books, and one finished test run on the first of them, into an empty database. Does nothing where there is a station. */
export function seedDemo(db: Db, at: string): number {
  if (db.prepare('SELECT 1 FROM stations').get() !== undefined) return 0;
  for (const model of demoPumps()) keepPumpModel(db, model, at);
  const saved = demoStations().map(({ station }) => createStation(db, station, at));
  const from = new Date(at).setUTCHours(0, 0, 0, 0) - 366 * 86_400_000;
  db.transaction(() => {
    for (const [i, { file, station }] of demoStations().entries())
      for (const page of demoBook(file, station, 31 + i, from)) writePage(db, saved[i]!, page, page.at);
  })();
  const run = startRun(db, saved[0]!.id, 'R. T.', at);
  for (const step of run?.plan ?? []) {
    const found = soundFindings(step);
    addEntry(db, run!.id, { stepId: step.id, verdict: proposeVerdict(step, found) ?? 'pass', found, note: '' }, at);
  }
  return saved.length;
}
