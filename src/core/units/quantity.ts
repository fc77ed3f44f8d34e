/** The two ways of writing figures that the application offers. The core itself computes in SI only. */
export type UnitSystem = 'metric' | 'us';

/** What a number measures: it decides which units may be typed for it, and the SI unit it is kept in. */
export type Dimension =
  | 'length'
  | 'area'
  | 'volume'
  | 'flow'
  | 'time'
  | 'velocity'
  | 'frequency'
  | 'current'
  | 'voltage'
  | 'resistance'
  | 'temperature'
  | 'angle'
  | 'ratio'
  | 'share'
  | 'mass'
  | 'pressure'
  | 'capacitance'
  | 'inductance'
  | 'power'
  | 'energy'
  | 'specificEnergy';

/**
 * How a person writes it. `height` is a level or a float position (tape units), `distance` a run of pipe or cord, `bore` and `roughness`
 * belong to pipes, `head` is a column of water, `drip` a flow that is told by the hour, `levelRate` a level that moves, `rate` events in an
 * hour, `duration` a promise in minutes, `leak` a small current, `drop` a small share, `minutes` a time in a record that is written in
 * minutes, `span` a time that may be seconds or a year, `factor` and `count` plain numbers.
 */
export type Format =
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
  | 'drop'
  | 'capacitance'
  | 'inductance'
  | 'power'
  | 'energy'
  | 'specificEnergy';

/** A number and how it is written; the value is in the SI unit of its dimension (rates per hour, °C, degrees, shares of one). */
export interface Quantity {
  readonly format: Format;
  readonly value: number;
}

export const quantity = (format: Format, value: number): Quantity => ({ format, value });
