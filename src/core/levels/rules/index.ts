import type { Rule } from '../rule';
import { cutOff, lift, tubeBore } from './condensate';
import { dose, squirt } from './dose';
import { drainback } from './drainback';
import { dryRun } from './dryRun';
import { fill } from './fill';
import { firm } from './firm';
import { gap } from './gap';
import { inlet } from './inlet';
import { keepUp } from './keepUp';
import { minimumFlow } from './minimumFlow';
import { order } from './order';
import { reach } from './reach';
import { reserve } from './reserve';
import { run } from './run';
import { starts } from './starts';
import { still } from './still';
import { surge } from './surge';
import { submergence } from './submergence';
import { swing } from './swing';
import { wayBack } from './wayBack';

/** Every rule that a station is judged by. A new rule is a file of its own and a name in this list. */
const ALL = [
  submergence,
  order,
  gap,
  starts,
  run,
  drainback,
  keepUp,
  firm,
  minimumFlow,
  wayBack,
  still,
  surge,
  inlet,
  reserve,
  reach,
  swing,
  dryRun,
  dose,
  squirt,
  lift,
  cutOff,
  tubeBore,
  fill,
] as const;

export const RULES: readonly Rule<RuleId>[] = ALL;

/** Every rule by name. */
export type RuleId = (typeof ALL)[number]['id'];
