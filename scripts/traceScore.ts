import { availableParallelism } from 'node:os';
import { isMainThread, parentPort, Worker } from 'node:worker_threads';
import { demoStations } from '../src/core/demo';
import { DUTIES, type DutyName } from '../src/core/duties';
import { randomFrom, type Random } from '../src/core/numeric';
import type { Station } from '../src/core/station';
import {
  askingOf,
  boardOf,
  CONTROLS,
  EXPLAINED,
  explained,
  NO_PAST,
  pairOf,
  play,
  SIZES,
  sketchStation,
  suspectsOf,
  toldOf,
  type Asking,
  type Board,
  type Played,
  type Sketch,
} from '../src/core/trace';

/*
 * How well faults are found: every single fault, in its usual size, of every demo station and of generated ones, and pairs of which one was
 * hidden; each from its true symptoms, with truthful answers, meter noise and 3 % slips; beside the order that tells most bits whatever it takes and risks, and a plain list from its beginning to its end.
 *   npm run trace:score -- [generated stations, 60] [pairs a station, 4] [seed, 1] [demo stations: 1, or 0 for none] [the order with most bits: 1, or 0 without it] [every so-many-th single fault, 1]
 * Stations are looked at in as many threads as there are processors.
 */

const [stations = 60, pairs = 4, seed = 1, demo = 1, greedy = 1, every = 1] = process.argv.slice(2).map(Number);

const pick = <T>(random: Random, all: readonly T[]): T => all[Math.floor(random.even() * all.length)]!;

/** A station that is looked at, and how often it is among them. */
interface Looked {
  readonly file: string;
  readonly station: Station;
  readonly times: number;
}

/** A station by six taps at random: every duty, every control, both supplies. */
function generated(n: number): Sketch {
  const random = randomFrom(seed * 1000 + n);
  return {
    duty: pick(random, Object.keys(DUTIES) as DutyName[]),
    size: pick(random, Object.keys(SIZES) as Sketch['size'][]),
    // Each control in its turn, so that every scheme is among them.
    control: (Object.keys(CONTROLS) as Sketch['control'][])[n % 6]!,
    pumps: pick(random, [1, 1, 2, 3] as const),
    profile: pick(random, ['metric-230', 'us-120'] as const),
    alarm: random.even() < 0.8,
  };
}

/** The generated stations: those that came out alike, whatever was tapped, answer alike and are looked at once. */
function sketched(count: number): Looked[] {
  const alike = new Map<string, { station: Station; own: number[] }>();
  for (let n = 0; n < count; n++) {
    const { station } = sketchStation('Generated', 'nowhere', generated(n));
    const key = JSON.stringify(station);
    const known = alike.get(key);
    if (known) known.own.push(n);
    else alike.set(key, { station, own: [n] });
  }
  return [...alike.values()].map(({ station, own }) => ({
    file: `generated ${own.join(', ')}`,
    station,
    times: own.length,
  }));
}

const mean = (all: readonly number[]): number => all.reduce((a, b) => a + b, 0) / Math.max(all.length, 1);
const round = (x: number, digits = 2): number => Math.round(x * 10 ** digits) / 10 ** digits;

function summary(all: readonly Played[]) {
  return {
    cases: all.length,
    rightFirst: round(mean(all.map((p) => (p.right ? 100 : 0))), 1),
    tests: round(mean(all.map((p) => p.tests.length))),
    bound: round(mean(all.map((p) => p.bound))),
    minutes: round(mean(all.map((p) => p.minutes)), 1),
    hazard: round(mean(all.map((p) => p.hazard)), 1),
  };
}

/** Pairs that are tried for a station until enough are found. */
const TRIES = 60;

/** Pairs of which one was hidden until the other came: what both show no single fault explains. The one who looks has asked none of them. */
function somePairs(board: Board, hidden: Asking, random: Random) {
  const single = board.suspects.filter((s) => s.kind === 'fault' && !s.id.includes('-size-'));
  const found: ReturnType<typeof pairOf>[] = [];
  for (let n = 0; n < TRIES && found.length < pairs; n++) {
    const pair = pairOf(pick(random, single), pick(random, single), 1);
    if (new Set(pair.faults.map((f) => f.part)).size < 2) continue;
    const row = hidden.row(pair);
    if (row && explained(board, toldOf(board, row)) < EXPLAINED) found.push(pair);
  }
  return found;
}

/** What came of one station. */
interface Scored {
  readonly said: string;
  readonly times: number;
  readonly ours: readonly Played[];
  readonly bits: readonly Played[];
  readonly list: readonly Played[];
  readonly both: readonly Played[];
}

const NONE: Omit<Scored, 'said' | 'times'> = { ours: [], bits: [], list: [], both: [] };

function scored({ file, station, times }: Looked): Scored {
  const [made, answers] = [askingOf(station), askingOf(station)];
  if (!made.ok || !answers.ok) return { ...NONE, times, said: `${file}: not asked` };
  const board = boardOf(made.asking, suspectsOf(station, made.asking.panel, NO_PAST));
  const own = [...board.suspects.entries()]
    .filter(([, s]) => s.kind === 'fault' && !s.id.includes('-size-'))
    .filter((_, n) => n % every === 0);
  const by = (...way: ['bits' | 'list'] | []) => own.map(([i, s]) => play(board, s, randomFrom(seed + i), ...way));
  const ours = by();
  const both = somePairs(board, answers.asking, randomFrom(seed)).map((p, i) =>
    play(board, p, randomFrom(seed + i), 'proposal', answers.asking),
  );
  const inThree = both.filter((p) => p.place <= 3).length;
  return {
    said: `${file}, ${station.control.scheme}: ${JSON.stringify(summary(ours))} pairs in three ${inThree} of ${both.length}`,
    times,
    ours,
    bits: greedy ? by('bits') : [],
    list: by('list'),
    both,
  };
}

/** The stations one after the other, each by the next thread that is free. @param heard each, as it comes */
async function inThreads(count: number, heard: (one: Scored) => void): Promise<void> {
  let next = 0;
  const work = () =>
    new Promise<void>((done, fail) => {
      const thread = new Worker(new URL(import.meta.url), { argv: process.argv.slice(2) });
      const give = () => (next < count ? thread.postMessage(next++) : void thread.terminate());
      thread.on('message', (one: Scored) => {
        heard(one);
        give();
      });
      thread.on('error', fail);
      thread.on('exit', () => done());
      give();
    });
  await Promise.all(Array.from({ length: availableParallelism() }, work));
}

/** What came of all that were looked at. */
function total(found: readonly Scored[]) {
  const of = (which: keyof typeof NONE) => found.flatMap((f) => f[which]);
  const [ours, bits, list, both] = [of('ours'), of('bits'), of('list'), of('both')];
  const tests = (all: readonly Played[]) => mean(all.map((p) => p.tests.length));
  return {
    stations: found.filter((f) => f.ours.length > 0).length,
    singles: summary(ours),
    mostBits: bits.length > 0 ? summary(bits) : null,
    plainList: summary(list),
    testsOverBound: round(tests(ours) / mean(ours.map((p) => p.bound))),
    testsOverMostBits: bits.length > 0 ? round(tests(ours) / tests(bits)) : null,
    pairs: {
      cases: both.length,
      inFirstThree: round(mean(both.map((p) => (p.place <= 3 ? 100 : 0))), 1),
      first: round(mean(both.map((p) => (p.right ? 100 : 0))), 1),
    },
  };
}

const all: Looked[] = [...sketched(stations), ...(demo ? demoStations().map((d) => ({ ...d, times: 1 })) : [])];
if (!isMainThread) parentPort!.on('message', (n: number) => parentPort!.postMessage(scored(all[n]!)));
else {
  const found: Scored[] = [];
  const say = () => process.stdout.write(`${JSON.stringify(total(found), null, 2)}\n`);
  // Ended before it is through, it says what it has.
  for (const signal of ['SIGINT', 'SIGTERM'] as const)
    process.once(signal, () => {
      say();
      process.exit(1);
    });
  await inThreads(all.length, (one) => {
    for (let n = 0; n < one.times; n++) found.push(one);
    process.stderr.write(`${one.said}\n`);
  });
  say();
}
