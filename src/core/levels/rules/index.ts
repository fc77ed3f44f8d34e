import type { Rule } from '../rule';
import { condensate, tubeBore } from './condensate';
import { dose, squirt } from './dose';
import { drainback } from './drainback';
import { dryRun } from './dryRun';
import { fill } from './fill';
import { gap } from './gap';
import { inlet } from './inlet';
import { keepUp } from './keepUp';
import { order } from './order';
import { reach } from './reach';
import { reserve } from './reserve';
import { run } from './run';
import { starts } from './starts';
import { submergence } from './submergence';
import { swing } from './swing';

/** Every rule that a station is judged by. A new rule is a file of its own and a name in this list. */
const ALL = [
  submergence,
  order,
  gap,
  starts,
  run,
  drainback,
  keepUp,
  inlet,
  reserve,
  reach,
  swing,
  dryRun,
  dose,
  squirt,
  condensate,
  tubeBore,
  fill,
] as const;

export const RULES: readonly Rule<RuleId>[] = ALL;

/** Every rule by name. */
export type RuleId = (typeof ALL)[number]['id'];
