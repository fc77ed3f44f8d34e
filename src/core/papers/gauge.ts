import { judge, summaryOf, type RuleState, type RuleSummary } from '../levels';
import type { Station } from '../station';
import type { UnitSystem } from '../units';
import { askedOf } from '../wiring';
import { shaftScene, type Drawing } from './shaft/scene';

/** A station as it hangs on the wall among others: its shaft drawn small, how its rules stand, and one line of why. Said without units, so that it can be kept for everybody. */
export interface Gauge {
  readonly state: 'quiet' | 'due' | 'ringing';
  readonly why: string;
  readonly rules: RuleSummary;
  /** Plain data, to be sent as it is. */
  readonly scene: Drawing;
}

const WIDTH = 210;
const HEIGHT = 320;

const STATE: Readonly<Record<RuleState, Gauge['state']>> = {
  broken: 'ringing',
  unknown: 'ringing',
  tight: 'due',
  holds: 'quiet',
  'not-applicable': 'quiet',
};

/** What is said of the worst rule. */
const WORD: Readonly<Record<RuleState, string>> = {
  broken: 'broken',
  unknown: 'not known',
  tight: 'tight',
  holds: 'holds',
  'not-applicable': 'not asked',
};

/** Judges a station and draws it small. @param station checked, by `checkStation` */
export function gaugeOf(station: Station, system: UnitSystem): Gauge {
  const { context, rules } = judge(station, undefined, askedOf(station));
  const worst = rules[0]!;
  const state = STATE[worst.state];
  const level = (context.stop + context.lead) / 2;
  const { layout, groups } = shaftScene(context, { width: WIDTH, height: HEIGHT, detail: 'thumb', system, level });
  return {
    state,
    why: state === 'quiet' ? 'all rules hold' : `${WORD[worst.state]}: ${worst.title}`,
    rules: summaryOf(rules),
    scene: { layout: { width: layout.width, height: layout.height, wall: layout.wall }, groups },
  };
}
