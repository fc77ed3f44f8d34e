import type { Judgement } from '../levels';
import type { DeviceFunction, Panel } from '../schemes';
import type { Sensor, SensorRole } from '../sensors';
import type { Station } from '../station';
import type { Test, World } from '../tests';
import type { Phrase } from '../units';

/** What every job is made from: the station as it should be, and every test that it gives rise to. */
export interface Bench {
  readonly world: World;
  readonly station: Station;
  readonly levels: World['levels'];
  readonly panel: Panel | null;
  /** Every test of the catalogue, by its id. */
  readonly tests: ReadonlyMap<string, Test>;
  /** All rules and figures of the levels: worked out when it is first asked. */
  judgement(): Judgement;
  /** Whether the panel has a device of a function. */
  has(what: DeviceFunction): boolean;
  sensor(role: SensorRole): Sensor | undefined;
}

/** The card of a job, made from one station. */
export interface JobParts {
  /** What to bring, with sizes and lengths. */
  readonly bring: readonly Phrase[];
  readonly tests: readonly Test[];
  /** How the site must be left, beyond what every job leaves. */
  readonly leave: readonly Phrase[];
  /** Water that is needed, and where it goes; weather and season. */
  readonly water: Phrase | null;
  readonly season: Phrase | null;
  /** What to tell the owner, in plain words. */
  readonly owner: readonly Phrase[];
  /** When the next look is due. */
  readonly next: Phrase;
}

/** A kind of job: a job more is a file like this and its line in the table. */
export interface Job {
  readonly id: string;
  readonly title: string;
  /** When it is wanted, as a person would say it. */
  readonly when: string;
  /** The duty of the example that it begins on where nothing is surveyed yet. */
  readonly begins: Station['duty']['kind'];
  /** Why it is not for a station; null where it is. */
  against(bench: Bench): Phrase | null;
  make(bench: Bench): JobParts;
}
