import { alarmOnly } from './alarmOnly';
import { duplex, triplex } from './alternating';
import { bells } from './bells';
import { condensate } from './condensate';
import { contactorScheme } from './contactorScheme';
import { cord } from './cord';
import { doser } from './doser';
import { drive } from './drive';
import { lowRelay } from './lowRelay';
import type { Scheme } from './scheme';

/** Every scheme, in the order in which a person weighs them: simple to rich. */
export const SCHEMES: readonly Scheme[] = [
  cord,
  lowRelay,
  contactorScheme,
  duplex,
  triplex,
  doser,
  bells,
  drive,
  condensate,
  alarmOnly,
];
