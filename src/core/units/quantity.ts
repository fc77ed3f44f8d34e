/** The two ways of writing figures that the application offers. The core itself computes in SI only. */
export type UnitSystem = 'metric' | 'us';

/**
 * What a number measures, and so how a person writes it. `height` is a level or a float position
 * (tape units), `distance` a run of pipe or cord, `bore` and `roughness` belong to pipes, `head` is a
 * column of water, `drip` a flow that is told by the hour, `levelRate` a level that moves, `rate` events in an hour, `duration` a promise in minutes, `leak` a small current, `drop` a small share, `minutes` a time in a record that is written in minutes, `span` a time that may be seconds or a year.
 */
export type QuantityKind =
  | 'height'
  | 'distance'
  | 'bore'
  | 'roughness'
  | 'head'
  | 'flow'
  | 'drip'
  | 'volume'
  | 'area'
  | 'time'
  | 'duration'
  | 'minutes'
  | 'span'
  | 'velocity'
  | 'levelRate'
  | 'rate'
  | 'current'
  | 'voltage'
  | 'temperature'
  | 'angle'
  | 'share'
  | 'factor'
  | 'count'
  | 'mass'
  | 'pressure'
  | 'resistance'
  | 'leak'
  | 'drop';

/** A number with its kind; the value is in SI (metres, m³/s, m³, seconds, m/s, amperes, volts, ohms, kg, Pa), rates per hour, °C, degrees, shares of one. */
export interface Quantity {
  readonly kind: QuantityKind;
  readonly value: number;
}

export const quantity = (kind: QuantityKind, value: number): Quantity => ({ kind, value });
