import type { OperatingPoint } from '../hydraulics';
import type { Station } from '../station';
import { levelContext, type Asked, type LevelContext, type Surroundings } from './context';
import { cycleOf } from './cycle';
import type { CycleResult } from './cycleResult';
import type { MarkName } from '../sensors';
import { judgeRule, tightestFirst, type JudgedRule } from './rule';
import { RULES, type RuleId } from './rules';
import { tapeList, type TapeRow } from './tape';
import { waterToRaise, type Raise } from './water';
import { reserveOf, type Reserve } from './reserve';

/** Where pump and pipe agree at one of the levels, with as many pumps as are called there. */
interface LevelPoint {
  readonly at: MarkName;
  readonly level: number;
  readonly running: number;
  readonly point: OperatingPoint;
}

export interface Judgement {
  readonly context: LevelContext;
  readonly operatingPoints: readonly LevelPoint[];
  readonly cycles: Readonly<Record<'low' | 'design' | 'peak', CycleResult>>;
  readonly worst: CycleResult;
  /** From the alarm to the overflow; null without an alarm float. */
  readonly reserve: Reserve | null;
  readonly raise: readonly Raise[];
  /** Tightest first. */
  readonly rules: readonly JudgedRule<RuleId>[];
  readonly tape: readonly TapeRow[];
}

function operatingPoints({ marks, calls, hydraulics }: LevelContext): LevelPoint[] {
  const called: Partial<Record<MarkName, number>> = { stop: 1, lead: 1, lag: 2, lag2: 3, alarm: calls.length };
  return marks.flatMap(({ name, level }) => {
    const running = called[name];
    return running === undefined || running > hydraulics.count
      ? []
      : [{ at: name, level, running, point: hydraulics.at(level, running) }];
  });
}

/**
 * Everything that Levels shows of a station, worked out together.
 * @param station checked, by `checkStation`
 * @param asked what the panel was asked (`askedOf`): without it a rule that would have to says that it is not known
 * @example
 * const { rules, cycles } = judge(newStation('Sump', 'Yard', 'metric-230'));
 * rules[0].id + ' ' + rules[0].state // → 'submergence tight'
 * cycles.design.startsPerHour.toFixed(1) // → '10.5'
 */
export const judge = (station: Station, surroundings?: Surroundings, asked?: Asked): Judgement =>
  judgeContext(levelContext(station, surroundings, asked));

/** The same of a station whose levels are worked out already. */
export function judgeContext(context: LevelContext): Judgement {
  const { low, design, peak } = context.inflow;
  return {
    context,
    operatingPoints: operatingPoints(context),
    cycles: { low: cycleOf(context, low), design: cycleOf(context, design), peak: cycleOf(context, peak) },
    worst: context.worst,
    reserve: reserveOf(context),
    raise: waterToRaise(context),
    rules: RULES.map((rule) => judgeRule(rule, context)).sort(tightestFirst),
    tape: tapeList(context),
  };
}
