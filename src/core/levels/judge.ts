import type { OperatingPoint } from '../hydraulics';
import type { Station } from '../station';
import { cycleOf, type CycleResult } from './cycle';
import { levelContext, type LevelContext } from './context';
import { judgeRule, tightestFirst, type JudgedRule } from './rule';
import { RULES } from './rules';
import { tapeList, type TapeRow } from './tape';
import { waterToRaise, type Raise } from './water';

export interface Judgement {
  readonly context: LevelContext;
  readonly operatingPoints: readonly { readonly at: 'stop' | 'lead' | 'alarm'; readonly level: number; readonly point: OperatingPoint }[];
  readonly cycles: Readonly<Record<'low' | 'design' | 'peak', CycleResult>>;
  readonly worst: CycleResult;
  /** From the bell to the overflow: m³, and s at each inflow; null without an alarm float. */
  readonly reserve: { readonly volume: number; readonly low: number; readonly design: number; readonly peak: number } | null;
  readonly raise: readonly Raise[];
  /** Tightest first. */
  readonly rules: readonly JudgedRule[];
  readonly tape: readonly TapeRow[];
}

/** Everything that Levels shows of a station, worked out together. @param station checked, by `checkStation` */
export function judge(station: Station): Judgement {
  const context = levelContext(station);
  const { vessel, stop, lead, alarm, overflow, atStop, atLead } = context;
  const { low, design, peak } = station.inflow;
  const volume = alarm ? Math.max(vessel.volume(overflow) - vessel.volume(alarm.rise), 0) : null;
  return {
    context,
    operatingPoints: [
      { at: 'stop', level: stop, point: atStop },
      { at: 'lead', level: lead, point: atLead },
      ...(alarm ? [{ at: 'alarm' as const, level: alarm.rise, point: context.hydraulics.at(alarm.rise) }] : []),
    ],
    cycles: { low: cycleOf(context, low), design: cycleOf(context, design), peak: cycleOf(context, peak) },
    worst: context.worst,
    reserve: volume === null ? null : { volume, low: volume / low, design: volume / design, peak: volume / peak },
    raise: waterToRaise(context),
    rules: RULES.map((rule) => judgeRule(rule, context)).sort(tightestFirst),
    tape: tapeList(context),
  };
}
