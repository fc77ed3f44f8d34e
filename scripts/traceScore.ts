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
 *   npm run trace:score -- [generated stations, 60] [pairs a station, 4] [seed, 1]
 */

const [stations = 60, pairs = 4, seed = 1] = process.argv.slice(2).map(Number);

const pick = <T>(random: Random, all: readonly T[]): T => all[Math.floor(random.even() * all.length)]!;

/** A station by six taps at random: every duty, every control, both supplies. */
function generated(n: number): { file: string; station: Station } {
  const random = randomFrom(seed * 1000 + n);
  const sketch: Sketch = {
    duty: pick(random, Object.keys(DUTIES) as DutyName[]),
    size: pick(random, Object.keys(SIZES) as Sketch['size'][]),
    // Each control in its turn, so that every scheme is among them.
    control: (Object.keys(CONTROLS) as Sketch['control'][])[n % 6]!,
    pumps: pick(random, [1, 1, 2, 3] as const),
    profile: pick(random, ['metric-230', 'us-120'] as const),
    alarm: random.even() < 0.8,
  };
  return { file: `generated ${n}`, station: sketchStation(`Generated ${n}`, 'nowhere', sketch).station };
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

const singles: Played[] = [];
const bits: Played[] = [];
const list: Played[] = [];
const both: Played[] = [];
for (const { file, station } of [...demoStations(), ...Array.from({ length: stations }, (_, n) => generated(n))]) {
  const [made, answers] = [askingOf(station), askingOf(station)];
  if (!made.ok || !answers.ok) {
    process.stderr.write(`${file}: not asked\n`);
    continue;
  }
  const board = boardOf(made.asking, suspectsOf(station, made.asking.panel, NO_PAST));
  const own = board.suspects.flatMap((s, i) =>
    s.kind === 'fault' && !s.id.includes('-size-')
      ? [
          {
            ours: play(board, s, randomFrom(seed + i)),
            bits: play(board, s, randomFrom(seed + i), 'bits'),
            list: play(board, s, randomFrom(seed + i), 'list'),
          },
        ]
      : [],
  );
  singles.push(...own.map((o) => o.ours));
  bits.push(...own.map((o) => o.bits));
  list.push(...own.map((o) => o.list));
  const two = somePairs(board, answers.asking, randomFrom(seed)).map((p, i) =>
    play(board, p, randomFrom(seed + i), 'proposal', answers.asking),
  );
  both.push(...two);
  process.stderr.write(
    `${file}, ${station.control.scheme}: ${JSON.stringify(summary(own.map((o) => o.ours)))} pairs in three ${two.filter((p) => p.place <= 3).length} of ${two.length}\n`,
  );
}
process.stdout.write(
  `${JSON.stringify(
    {
      singles: summary(singles),
      mostBits: summary(bits),
      plainList: summary(list),
      testsOverBound: round(mean(singles.map((p) => p.tests.length)) / mean(singles.map((p) => p.bound))),
      testsOverMostBits: round(mean(singles.map((p) => p.tests.length)) / mean(bits.map((p) => p.tests.length))),
      pairs: {
        cases: both.length,
        inFirstThree: round(mean(both.map((p) => (p.place <= 3 ? 100 : 0))), 1),
        first: round(mean(both.map((p) => (p.right ? 100 : 0))), 1),
      },
    },
    null,
    2,
  )}\n`,
);
