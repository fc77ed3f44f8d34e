import { judge, surroundingsAfter, type Judgement } from '../levels';
import { checkStation, type Station } from '../station';
import { figureName, surveyFigures, unconfirmed, type SurveyFigure } from '../surveyed';
import { alike, nudged } from './nudge';
import type { First, Hanging, Resting, RuleHangs } from './resting';

/** Below this share of its need a rule is not said to hang on a figure. */
const MATTERS = 0.01;
const MOST = 3;

/** Level rules ask nothing of the supply and of what is in the motor: readings do. */
const ofLevels = ({ path, group }: SurveyFigure) => group !== 'supply' && !path.includes('.motor.');

type Rules = Judgement['rules'];
const stands = (state: Rules[number]['state']) => state === 'holds' || state === 'tight';

/** How a rule answers to the nudges of one figure; null where it does not. */
function hangsOn(was: Rules[number], answers: readonly Rules[]): Pick<Hanging, 'moves' | 'left' | 'turns'> | null {
  if (was.share === null) return null;
  let [moves, left, turns] = [0, was.share, false];
  for (const rules of answers) {
    const now = rules.find((r) => r.id === was.id)!;
    if (stands(now.state) !== stands(was.state)) turns = true;
    if (now.share === null) continue;
    moves = Math.max(moves, Math.abs(now.share - was.share));
    left = Math.min(left, now.share);
  }
  return turns || moves >= MATTERS ? { moves, left, turns } : null;
}

/**
 * Which of the figures that nobody typed or confirmed matter most: each is moved by a tenth up and down (a bearing by ten degrees), one at a
 * time, and all rules are judged again. What two of them together would do is not asked.
 * @param station checked, by `checkStation`
 * @example
 * dependence(exampleStation('Sump', 'Yard', 'metric-230', 'empty')).first.map((f) => f.name) // → ['overflow', 'diameter', 'inlet invert']
 */
export function dependence(station: Station): Resting {
  const open = unconfirmed(station);
  const { rules, context } = judge(station);
  const notAsked: string[] = [];
  const asked = new Set<string>();
  const hanging = open.filter(ofLevels).flatMap(({ path }) => {
    // Told with the first pump of its kind.
    if (asked.has(path)) return [];
    for (const p of alike(station, path)) asked.add(p);
    const answers = [true, false].flatMap((up) => {
      const other = nudged(station, path, up);
      // The station itself is judged, not the copy that was checked: what has not changed is known by being the same.
      return other && checkStation(other).ok ? [judge(other, surroundingsAfter(other, context)).rules] : [];
    });
    if (answers.length === 0) {
      notAsked.push(figureName(station, path));
      return [];
    }
    return rules.flatMap((rule) => {
      const found = hangsOn(rule, answers);
      return found ? [{ rule, path, name: figureName(station, path), ...found }] : [];
    });
  });
  const turning = (a: Hanging, b: Hanging) => Number(b.turns) - Number(a.turns);
  const byMoves = (a: Hanging, b: Hanging) => turning(a, b) || b.moves - a.moves;
  const byLeft = (a: Hanging, b: Hanging) => turning(a, b) || a.left - b.left || b.moves - a.moves;
  const byRule = rules.flatMap((rule): RuleHangs[] => {
    const on = hanging.filter((h) => h.rule === rule).sort(byMoves);
    const plain = on.slice(0, MOST).map(({ path, name, moves, left, turns }) => ({ path, name, moves, left, turns }));
    return on.length > 0 ? [{ rule: rule.id, title: rule.title, state: rule.state, on: plain }] : [];
  });
  const paths = [...new Set([...hanging].sort(byLeft).map((h) => h.path))];
  return {
    figures: surveyFigures(station).length,
    unconfirmed: open.length,
    unknown: station.surveyed.rest === 'unknown',
    rules: byRule,
    first: paths.slice(0, MOST).map((path): First => {
      const turned = (standing: boolean) =>
        hanging.flatMap((h) => (h.path === path && h.turns && stands(h.rule.state) === standing ? [h.rule.title] : []));
      return { path, name: figureName(station, path), breaks: turned(true), mends: turned(false) };
    }),
    notAsked,
  };
}
