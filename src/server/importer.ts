import { parentPort, workerData } from 'node:worker_threads';
import { openDataFolder } from './db';
import { takeParts, type Told } from './importParts';

/* Takes one large table of readings into the book, in a thread of its own, and ends. */

const { folder, station, taking, at } = workerData as Told;
const db = openDataFolder(folder);
try {
  parentPort!.postMessage(takeParts(db, station, taking, at));
} finally {
  db.close();
}
