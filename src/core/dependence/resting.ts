import type { Judgement, RuleId } from '../levels';

/** A figure on which a rule hangs. */
export interface Hanging {
  readonly path: string;
  readonly name: string;
  /** How far the rule’s slack moves, as a share of its need, for the nudge that takes more of it. */
  readonly moves: number;
  /** What is left of the slack then, as a share of the need; below zero the rule is broken. */
  readonly left: number;
  /** A rule that holds breaks with it, or one that is broken holds. */
  readonly turns: boolean;
}

export interface RuleHangs {
  readonly rule: RuleId;
  readonly title: string;
  readonly state: Judgement['rules'][number]['state'];
  /** Most first; those that matter. */
  readonly on: readonly Hanging[];
}

/** A figure to measure first: titles of rules that hold and break with it, and that are broken and hold with it. */
export interface First {
  readonly path: string;
  readonly name: string;
  readonly breaks: readonly string[];
  readonly mends: readonly string[];
}

/** What rests on figures that nobody typed or confirmed. */
export interface Resting {
  readonly figures: number;
  readonly unconfirmed: number;
  /** The document is older than the question: nobody can say of these. */
  readonly unknown: boolean;
  /** Tightest first; rules that hang on none of them are left out. */
  readonly rules: readonly RuleHangs[];
  /** The figures to measure first: those that leave a rule least, or turn it. */
  readonly first: readonly First[];
  /** Figures that no nudge could be asked of. */
  readonly notAsked: readonly string[];
}
