import type { JudgedRule } from './rule';
import type { RuleId } from './rules';

/** How the rules of a station stand, in one line: how many of each, and the worst of those that do not simply hold. */
export interface RuleSummary {
  readonly holds: number;
  readonly tight: number;
  /** Those that cannot be judged among them: what is not known does not hold. */
  readonly broken: number;
  readonly worst: { readonly id: RuleId; readonly title: string } | null;
}

/** @param rules tightest first */
export function summaryOf(rules: readonly JudgedRule<RuleId>[]): RuleSummary {
  const count = (...states: readonly JudgedRule['state'][]) => rules.filter((r) => states.includes(r.state)).length;
  const [first] = rules;
  const named = first && (first.state === 'broken' || first.state === 'unknown' || first.state === 'tight');
  return {
    holds: count('holds'),
    tight: count('tight'),
    broken: count('broken', 'unknown'),
    worst: named ? { id: first.id, title: first.title } : null,
  };
}
