import type { Power } from './devices';
import type { Circuit } from './model';

/** Wires that carry the power: its legs, and the one it comes back on. */
export interface Feed {
  readonly lines: readonly string[];
  /** Between these two a single-phase load sits; the second is N or the other leg. */
  readonly pair: readonly [string, string];
  /** Volts of that pair. */
  readonly volts: number;
  readonly circuit: Circuit;
}

/** Two wires that control runs on, and at what. */
export interface Control extends Power {
  readonly hot: string;
  readonly back: string;
  readonly id: string;
}
