import { parentPort, workerData } from 'node:worker_threads';
import { backUp } from './backup';
import { DataTrouble } from './db';
import type { Errand, Kept } from './keeping';
import { layBeside, makeReady } from './restore';

/* Reads or writes everything that is kept, in a thread of its own, and ends: whoever asks the server meanwhile does not wait for it. */

const done = (errand: Errand): Promise<unknown> | object => {
  switch (errand.what) {
    case 'back up':
      return backUp(errand.to, errand.folder);
    case 'lay beside':
      return layBeside(errand.file, errand.name, errand.at, errand.folder);
    case 'make ready':
      return makeReady(errand.id, errand.folder);
  }
};

let kept: Kept<unknown>;
try {
  kept = { ok: true, value: await done(workerData as Errand) };
} catch (error) {
  kept = { ok: false, trouble: error instanceof DataTrouble, message: (error as Error).message };
}
parentPort!.postMessage(kept);
