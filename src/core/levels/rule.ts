import { traitsOf } from '../duties';
import type { MarkName, Need } from '../sensors';
import type { SettingName } from '../settings';
import type { Station } from '../station';
import type { Phrase, Quantity } from '../units';
import type { LevelContext } from './context';

/** What a rule is about in the drawing: a float by id, a level by name, the pump, the pipe, or another thing in the pit by its number. */
export type DrawingRef =
  `float:${string}` | `level:${MarkName | 'inlet'}` | `obstacle:${number}` | 'pump' | 'pipe' | 'pole';

/** One thing that a rule asks. A rule that asks several is judged by the one with least slack. */
export interface Condition extends Need {
  readonly about: readonly DrawingRef[];
}

/** A rule that cannot be judged, or has nothing to judge, says so and why. */
export interface NoCondition {
  readonly state: 'unknown' | 'not-applicable';
  readonly why: Phrase;
  readonly about: readonly DrawingRef[];
}

/** A rule that this station is not asked, and why. */
export const notAsked = (why: Phrase, about: readonly DrawingRef[]): NoCondition => ({
  state: 'not-applicable',
  why,
  about,
});

/** One rule of the trade: what it is called, how hard it binds, and what it asks of a station. */
export interface Rule<Id extends string = string> {
  readonly id: Id;
  /** What it asks; of a station whose duty has other words for it, in those. */
  readonly title: string | ((station: Station) => string);
  readonly severity: 'must' | 'should';
  /** Settings that it asks by: they can be set where it is read. */
  readonly settings?: readonly SettingName[];
  /** No float that is set otherwise can mend it: it asks of pump, pipe and panel. */
  readonly otherThanFloats?: true;
  /** What it is about where the duty of the station does not ask it. */
  readonly about: readonly DrawingRef[];
  judge(context: LevelContext): readonly Condition[] | NoCondition;
}

export type RuleState = 'holds' | 'tight' | 'broken' | 'unknown' | 'not-applicable';

export interface JudgedRule<Id extends string = string> {
  readonly id: Id;
  readonly title: string;
  readonly severity: 'must' | 'should';
  readonly state: RuleState;
  readonly sense: 'at-least' | 'at-most' | null;
  readonly needs: Quantity | null;
  readonly has: Quantity | null;
  /** How far it is on the right side, in the quantity's units; negative when broken. */
  readonly slack: Quantity | null;
  /** Slack against the need, for comparing rules; null when there is no slack. */
  readonly share: number | null;
  readonly why: Phrase;
  readonly about: readonly DrawingRef[];
}

function measure(c: Condition): { slack: number; share: number } {
  const slack = c.sense === 'at-least' ? c.has.value - c.needs.value : c.needs.value - c.has.value;
  return { slack, share: slack / (c.scale ?? Math.abs(c.needs.value)) };
}

/** Rounding in the arithmetic never breaks a rule: a billionth of the need is let pass. */
const ROUNDING = 1e-9;

export const titleOf = ({ title }: Rule, station: Station): string =>
  typeof title === 'string' ? title : title(station);

export function judgeRule<Id extends string>(rule: Rule<Id>, context: LevelContext): JudgedRule<Id> {
  const { id, severity } = rule;
  const title = titleOf(rule, context.station);
  const spared = traitsOf(context.station).notAsked[id];
  const asked = spared ? notAsked(spared, rule.about) : rule.judge(context);
  if ('state' in asked)
    return { id, title, severity, sense: null, needs: null, has: null, slack: null, share: null, ...asked };
  const [tightest] = asked.map((c) => ({ ...c, ...measure(c) })).sort((a, b) => a.share - b.share);
  if (!tightest) throw new RangeError(`rule ${id} asks nothing`);
  const { sense, needs, has, slack, share, why, about } = tightest;
  const state = share < -ROUNDING ? 'broken' : share < context.station.settings.tightShare ? 'tight' : 'holds';
  return {
    id,
    title,
    severity,
    state,
    sense,
    needs,
    has,
    slack: { format: needs.format, value: slack },
    share,
    why,
    about,
  };
}

const RANK: Readonly<Record<RuleState, number>> = { broken: 0, unknown: 1, tight: 2, holds: 2, 'not-applicable': 3 };

/** Broken first, then what could not be judged, then by least slack; a broken *must* before a broken *should*. */
export function tightestFirst(a: JudgedRule, b: JudgedRule): number {
  if (RANK[a.state] !== RANK[b.state]) return RANK[a.state] - RANK[b.state];
  if (a.state === 'broken' && a.severity !== b.severity) return a.severity === 'must' ? -1 : 1;
  return (a.share ?? 0) - (b.share ?? 0);
}
