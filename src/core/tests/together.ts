import { phrase, sayPhrase, type Phrase } from '../units';
import type { Prediction } from './prediction';

/** Figures that lie nearer than this share of their spread are one, whosever turn it is. */
const NEAR = 0.1;

/** Between what is by the turn of one pump and what is by that of another. */
export const OR_BY_TURN = ', or, by whose turn it is: ';

const text = (p: Phrase): string => sayPhrase(p, 'metric');

type Value = Extract<Prediction, { kind: 'value' }>;

function isSameFigure(a: Value, b: Value): boolean {
  if (a.value.format !== b.value.format || (a.least === null) !== (b.least === null)) return false;
  const half = ((a.most ?? a.value.value) - (a.least ?? 0)) / 2;
  return Math.abs(a.value.value - b.value.value) <= NEAR * Math.abs(half);
}

/** Whether a prediction is the same by the turn of one pump and of another. */
export function isSame(a: Prediction, b: Prediction): boolean {
  if (a.kind !== b.kind) return false;
  return a.kind === 'value' && b.kind === 'value' ? isSameFigure(a, b) : JSON.stringify(a) === JSON.stringify(b);
}

const PUMP_RUNS = /^pump (\d) runs$/;
const PUMP_STANDS = /^pump \d stands$/;
const UNCHANGED = /^nothing changes( \([^;]*\))?$/;

const sayOne = (p: Prediction): Phrase =>
  p.kind === 'value'
    ? phrase`${p.value}${p.least === null ? ' or less' : ''}`
    : p.kind === 'untold'
      ? p.why
      : p.sentence;

/** Each once, as they come by whose turn it is. */
function sayEach(ways: readonly Prediction[]): Phrase {
  const all = ways.map(sayOne).filter((a, i, said) => said.findIndex((b) => text(b) === text(a)) === i);
  return all.reduce((before, a, i) => phrase`${before}${i === 1 ? OR_BY_TURN : '; or: '}${a}`);
}

/** What is seen by whose turn it is, in one sentence: what all have in common, or each. */
function sayAll(ways: readonly Prediction[]): Phrase {
  const said = ways.map((p) => text(sayOne(p)));
  if (said.every((s) => UNCHANGED.test(s))) return phrase`nothing changes: what runs goes on`;
  if (said.every((s) => PUMP_RUNS.test(s)))
    return phrase`one pump starts, whose turn it is: from new pump ${PUMP_RUNS.exec(said[0]!)![1]!}`;
  if (said.every((s) => PUMP_STANDS.test(s))) return phrase`the pump that ran stands`;
  return sayEach(ways);
}

/** What is expected where nobody says whose turn it is. A figure that goes by it is none that a station could be held to. */
export function together(ways: readonly Prediction[]): Prediction {
  const [first] = ways;
  if (ways.length === 1) return first!;
  const figure = ways.find((p) => p.kind === 'value' || (p.kind === 'untold' && p.format !== null));
  if (!figure) return { kind: 'seen', sentence: sayAll(ways) };
  const format = figure.kind === 'value' ? figure.value.format : figure.kind === 'untold' ? figure.format : null;
  return { kind: 'untold', format, why: phrase`goes by whose turn it is: ${sayEach(ways)}` };
}
