import type { Sign } from '../schemes';

/** Signs of what takes power, and lets none on to anything else. */
export const LOADS: ReadonlySet<Sign> = new Set([
  'coil',
  'timer',
  'motor',
  'lamp',
  'horn',
  'counter',
  'winding',
  'input',
  'heater',
  'valve',
]);
