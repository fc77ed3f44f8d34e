import { expose } from 'comlink';
import {
  benchAfter,
  boardFor,
  hintAfter,
  offersOf,
  readyFor,
  reviewOf,
  type Bench,
  type Drill,
  type DrillAct,
  type Ready,
} from '@/core/drill';

let ready: Ready | null = null;
let board: ReturnType<typeof boardFor> | null = null;
/** The bench as it was last: what was done since is done on it. */
let bench: Bench | null = null;

const after = (of: Ready, acts: readonly DrillAct[]): Bench => (bench = benchAfter(of, acts, bench));

/** What is hidden stays here until it is looked back at. */
const api = {
  begin(drill: Drill) {
    const made = readyFor(drill);
    [board, bench] = [null, null];
    ready = made.ok ? made.ready : null;
    return made.ok ? { ok: true as const, offers: offersOf(made.ready) } : made;
  },
  bench: (acts: readonly DrillAct[]) => (ready ? after(ready, acts) : null),
  hint(acts: readonly DrillAct[], told: (share: number) => void) {
    if (!ready) return null;
    board ??= boardFor(ready, told);
    return hintAfter(after(ready, acts), board);
  },
  review(acts: readonly DrillAct[], told: (share: number) => void) {
    if (!ready) return null;
    board ??= boardFor(ready, told);
    return reviewOf(ready, after(ready, acts), board);
  },
};

export type DrillApi = typeof api;

expose(api);
