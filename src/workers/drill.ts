import { expose } from 'comlink';
import { rowsOn } from '@/core/trace';
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
import { keepRows, keptRows } from './keptRows';

let ready: Ready | null = null;
let board: Promise<ReturnType<typeof boardFor>> | null = null;
/** The bench as it was last: what was done since is done on it. */
let bench: Bench | null = null;

/** Every suspect of the drill asked what it would show, each once, and none that this device has kept. */
async function asked(of: Ready, told: (share: number) => void): Promise<ReturnType<typeof boardFor>> {
  const { asking } = of;
  const kept = await keptRows(asking.station);
  for (const [suspect, row] of kept ?? []) asking.learn(suspect, row);
  const made = boardFor(of, told);
  if (!kept) void keepRows(asking.station, rowsOn(made));
  return made;
}

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
  async hint(acts: readonly DrillAct[], told: (share: number) => void) {
    const of = ready;
    if (!of) return null;
    const on = await (board ??= asked(of, told));
    return hintAfter(after(of, acts), on);
  },
  async review(acts: readonly DrillAct[], told: (share: number) => void) {
    const of = ready;
    if (!of) return null;
    const on = await (board ??= asked(of, told));
    return reviewOf(of, after(of, acts), on);
  },
};

export type DrillApi = typeof api;

expose(api);
