import type { Station } from '../../station';
import type { LevelName } from '../level';

/** One lesson of the course: what it is for, a page to read, a station with something hidden in it. */
export interface Lesson {
  readonly id: string;
  readonly title: string;
  /** The jobs that it prepares for, and the traps that bite in it, by their ids. */
  readonly jobs: readonly string[];
  readonly traps: readonly string[];
  readonly level: LevelName;
  /** What one can do after it. */
  readonly aim: string;
  /** A page, in paragraphs. What a station shows is said by its model at the bench, not here. */
  readonly page: readonly string[];
  /** A demo station by its file, as it is or as this lesson changes it. */
  readonly station: string;
  readonly change?: (station: Station) => Station;
  /** What is hidden in it. */
  readonly faults: readonly string[];
}
