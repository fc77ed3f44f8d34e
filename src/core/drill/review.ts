import { randomFrom } from '../numeric';
import { faultsOf } from '../faults';
import {
  beliefs,
  boardOf,
  entropy,
  inseparable,
  nextOf,
  NO_PAST,
  play,
  ROUNDS,
  settingWords,
  standings,
  suspectsOf,
  withPairs,
  type Board,
  type Evidence,
} from '../trace';
import type { Bench } from './bench';
import type { Ready } from './ready';
import type { Entry } from './step';
import type { Incident } from './unsafe';

/** What one step told: how sure one could be of what is true before and after it, and who led then. */
export interface StepTold {
  readonly title: string;
  readonly at: number;
  readonly minutes: number;
  readonly before: number;
  readonly after: number;
  /** Bits that were not known any more less. */
  readonly bits: number;
  readonly leads: string;
  readonly incidents: readonly Incident[];
}

/** A drill looked back at. */
export interface Review {
  /** What was hidden, and how it is mended. */
  readonly was: readonly { readonly id: string; readonly label: string; readonly remedy: string }[];
  readonly named: readonly string[];
  /** Which of what was hidden was named, or what no test tells from it. */
  readonly right: readonly boolean[];
  /** What one would have done, and whether it mends something that was hidden; none where it was not said. */
  readonly mends: readonly { readonly says: string; readonly is: boolean }[];
  /** How likely what was named was, by all that was found. */
  readonly sure: number;
  readonly steps: readonly StepTold[];
  readonly minutes: number;
  readonly hazard: number;
  /** How Trace would have gone about it. */
  readonly best: {
    readonly titles: readonly string[];
    readonly minutes: number;
    readonly hazard: number;
    readonly right: boolean;
  };
}

/** The board of a drill: every suspect asked what it would show. */
export const boardFor = ({ asking }: Ready, told?: (share: number) => void): Board =>
  boardOf(asking, suspectsOf(asking.station, asking.panel, NO_PAST), told);

/** The board with every reading of one’s own on it, and every test that was made with something left by hands. */
function withOwn(board: Board, entries: readonly Entry[]): Board {
  const own = new Map(entries.flatMap((e) => (e.own ? [[e.own.test.id, e.own] as const] : [])));
  const more = [...own.values()].filter((t) => !board.asking.tests.some((x) => x.test.id === t.test.id));
  return more.length === 0 ? board : boardOf(board.asking.with(...more), board.suspects);
}

/** What was seen twice was seen once: it says no more the second time. A reading that is taken again is another. */
function gathered(entries: readonly Entry[]): Evidence[] {
  const all = entries.flatMap((e) => e.evidence);
  return all.filter(
    (e, i) => e.kind !== 'symptom' || !all.slice(i + 1).some((l) => l.kind === 'symptom' && l.symptom === e.symptom),
  );
}

const titleOf = ({ asking }: Board, id: string): string => {
  const test = asking.tests.find((t) => t.test.id === id);
  return test
    ? `${test.test.title}, ${settingWords(asking.station)[test.setting]}`
    : (ROUNDS.find((r) => r.id === id)?.title ?? id);
};

/** Whether a named fault is a hidden one, or one that no test tells from it. */
function isSame({ asking, suspects }: Board, named: string, hidden: string): boolean {
  const of = (id: string) => suspects.find((s) => s.id === id || s.family === id);
  const [a, b] = [of(named), of(hidden)];
  if (!a || !b) return false;
  return a.family === b.family || inseparable(asking, asking.row(a)!, asking.row(b)!);
}

/** What Trace would do next at a bench; null where nothing tells enough for its minutes. @param board of the same drill */
export function hintAfter(bench: Bench, board: Board): string | null {
  const evidence = gathered(bench.entries);
  const now = withPairs(withOwn(board, bench.entries), evidence);
  const next = nextOf(now, beliefs(now, evidence), {
    setting: bench.setting,
    closed: new Set(
      bench.entries.flatMap((e) => (e.act.do === 'test' ? [e.act.id] : e.act.do === 'look' ? [e.act.round] : [])),
    ),
    seen: new Set(evidence.flatMap((e) => (e.kind === 'symptom' ? [e.symptom] : []))),
  });
  return next && titleOf(board, next.id);
}

/** Looks back at a bench. @param board of the same drill */
export function reviewOf(ready: Ready, bench: Bench, before: Board): Review {
  const { hidden, row, asking, drill } = ready;
  const board = withOwn(before, bench.entries);
  const named = bench.named ?? [];
  const truth = (b: Board, p: readonly number[]) =>
    standings(b, p).find((g) =>
      g.suspects.some(
        (s) =>
          s.suspect.id === hidden.id ||
          (s.suspect.kind === hidden.kind &&
            inseparable(asking, asking.row(s.suspect) ?? row, row) &&
            s.suspect.faults.length > 0),
      ),
    )?.probability ?? 0;
  let now = board;
  let p = beliefs(now, []);
  const steps = bench.entries.map((e, n): StepTold => {
    const [before, unknown] = [truth(now, p), entropy(p)];
    if (e.evidence.length > 0) {
      const evidence = gathered(bench.entries.slice(0, n + 1));
      now = withPairs(board, evidence, now);
      p = beliefs(now, evidence);
    }
    const [first] = standings(now, p);
    return {
      title: e.title,
      at: e.at,
      minutes: e.minutes,
      before,
      after: truth(now, p),
      bits: e.evidence.length > 0 ? Math.max(0, unknown - entropy(p)) : 0,
      leads: first!.suspects[0]!.suspect.label,
      incidents: e.incidents,
    };
  });
  const best = play(before, hidden, randomFrom(drill.seed), 'proposal', asking);
  const all = new Map(faultsOf(asking.station, asking.panel).map((f) => [f.id, f]));
  return {
    was: hidden.faults.map(({ id, label, remedy }) => ({ id, label, remedy })),
    named: named.map((id) => all.get(id)?.label ?? id),
    right: hidden.faults.map((f) => named.some((n) => isSame(board, n, f.id))),
    mends: bench.mends
      .filter((m) => m !== '')
      .map((says) => ({ says, is: hidden.faults.some((f) => f.remedy === says) })),
    sure: truth(now, p),
    steps,
    minutes: bench.minutes,
    hazard: bench.hazard,
    best: {
      titles: best.tests.map((id) => titleOf(board, id)),
      minutes: best.minutes,
      hazard: best.hazard,
      right: best.right,
    },
  };
}
