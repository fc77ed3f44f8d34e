import { existsSync } from 'node:fs';
import path from 'node:path';
import { Worker } from 'node:worker_threads';
import { backUp, type BackedUp } from './backup';
import { dataFolder, DataTrouble } from './db';
import { layBeside, makeReady, type Switched, type Waiting } from './restore';

/* What reads or writes everything that is kept, beside the thread that answers; where none is built, here. */

export type Errand =
  | { readonly what: 'back up'; readonly to: string; readonly folder: string }
  | {
      readonly what: 'lay beside';
      readonly file: string;
      readonly name: string;
      readonly at: string;
      readonly folder: string;
    }
  | { readonly what: 'make ready'; readonly id: string; readonly folder: string };

/** What came of it; `trouble`: said in words for whoever asked. */
export type Kept<T> =
  | { readonly ok: true; readonly value: T }
  | { readonly ok: false; readonly trouble: boolean; readonly message: string };

/** The thread, as the build writes it. */
const BUILT = path.join(/* turbopackIgnore: true */ process.cwd(), 'dist/keeper.mjs');

function apart<T>(errand: Errand): Promise<T> {
  return new Promise((resolve, reject) => {
    const worker = new Worker(BUILT, { workerData: errand });
    worker.once('message', (kept: Kept<T>) => {
      if (kept.ok) resolve(kept.value);
      else reject(kept.trouble ? new DataTrouble(kept.message) : new Error(kept.message));
    });
    worker.once('error', reject);
    worker.once('exit', () => reject(new Error('it was not done: the thread ended')));
  });
}

const built = (): boolean => existsSync(BUILT);

/** As `backUp`, beside the thread that answers. */
export const backUpApart = (to: string, folder = dataFolder()): Promise<BackedUp> =>
  built() ? apart({ what: 'back up', to, folder }) : backUp(to, folder);

/** As `layBeside`, beside the thread that answers. */
export const layApart = async (file: string, name: string, at: string, folder = dataFolder()): Promise<Waiting> =>
  built() ? apart({ what: 'lay beside', file, name, at, folder }) : layBeside(file, name, at, folder);

/** As `makeReady`, beside the thread that answers. */
export const readyApart = async (id: string, folder = dataFolder()): Promise<Switched['photos']> =>
  built() ? apart({ what: 'make ready', id, folder }) : makeReady(id, folder);
