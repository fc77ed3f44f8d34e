/* Fills an empty data folder with the demo stations; leaves one that has stations alone. */
import { closeDatabase, database, DataTrouble } from '@/server/db';
import { headsWorkedOut } from '@/server/figures';
import { listNames } from '@/server/heads';
import { seedDemo } from '@/server/seed';

try {
  const made = seedDemo(database(), new Date().toISOString());
  if (made > 0) {
    const ids = listNames(database()).map((n) => n.id);
    await headsWorkedOut(database(), ids);
    process.stdout.write(`${made} demo stations written\n`);
  }
  closeDatabase();
} catch (error) {
  if (!(error instanceof DataTrouble)) throw error;
  process.stderr.write(`${error.message}\n`);
  process.exitCode = 1;
}
