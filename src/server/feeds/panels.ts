import { parentPort } from 'node:worker_threads';
import { openDataFolder } from '../db';
import { reader } from './reader';

/*
 * Reads the panels, in a thread beside the one that answers, with a connection of its own. It ends when it is told to.
 */

/** How often it is looked what is due, ms. */
const LOOK = 250;

const db = openDataFolder();
// Every answer of a panel is asked again in a moment: one that is lost when the power fails is no loss.
db.pragma('synchronous = NORMAL');
const panels = reader(db, (why) => process.stderr.write(`reading the panels: ${why}\n`));
const clock = setInterval(() => panels.tick(Date.now()), LOOK);

parentPort?.once('message', () => {
  clearInterval(clock);
  panels.close();
  db.close();
  parentPort?.close();
});
