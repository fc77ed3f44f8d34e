import type { Act, FaultTest, Risk, Setting } from '../tests';
import type { Evidence } from '../trace';
import type { DrillAct } from './drill';
import type { Left } from './hands';
import type { Ready } from './ready';
import type { Incident } from './unsafe';

/** One thing that was done, and what it showed. Minutes since the learner came. */
export interface Entry {
  readonly act: DrillAct;
  readonly at: number;
  readonly minutes: number;
  readonly title: string;
  readonly found: readonly { readonly label: string; readonly words: string }[];
  readonly evidence: readonly Evidence[];
  /** The test that answered, where it is none of the catalogue’s: a reading of one’s own, or one with something left by hands. */
  readonly own: FaultTest | null;
  readonly risk: Risk;
  readonly incidents: readonly Incident[];
  /** What hands did at the panel. */
  readonly hands: readonly Act[];
  /** Water that was poured in meanwhile, m³/s. */
  readonly poured: number;
}

/** How a bench stands between two acts. */
export interface State {
  readonly minutes: number;
  readonly setting: Setting | null;
  readonly proved: boolean;
  /** What hands have left otherwise than it is made. */
  readonly left: readonly Left[];
  /** The air was tested; the pipe over the check valve was drained. */
  readonly aired: boolean;
  readonly drained: boolean;
  /** Faults that were named: then it is over. */
  readonly named: readonly string[] | null;
  /** What one would do about each. */
  readonly mends: readonly string[];
}

/** What an act comes to; what it leaves otherwise. */
export type Step = Pick<Entry, 'title' | 'minutes' | 'risk'> &
  Partial<Omit<Entry, 'act' | 'at' | 'title' | 'minutes' | 'risk'>> & { readonly then?: Partial<State> };

/** An act at a bench. @param seed by which figures spread */
export type StepOf<A> = (ready: Ready, state: State, act: A, seed: number) => Step;

/** What cannot be done as things stand: it says why, and costs nothing. */
export const refused = (title: string): Step => ({ title, minutes: 0, risk: 'look' });

/** How the station stands where nobody has done anything yet: as it was found, the water at the call. */
export const FOUND: Setting = 'called';
