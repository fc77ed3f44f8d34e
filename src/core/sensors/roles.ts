/** What a sensor is for. One station has one sensor of each at most. */
export const ROLES = ['pump', 'stop', 'lead', 'lag', 'lag2', 'alarm', 'low', 'peak', 'cutoff'] as const;
export type SensorRole = (typeof ROLES)[number];

/** The levels at which something acts, by name. */
export type MarkName = Exclude<SensorRole, 'pump'> | 'overflow';

export interface RoleTraits {
  /** As it is said before `float`: `second lag`. */
  readonly word: string;
  /** With its article, as in `there is already a lag float`. */
  readonly one: string;
  /** Which pump it calls, from 1; null where it calls none. */
  readonly calls: number | null;
  /** Starts or stops pumps, and so closes its contact when they are wanted. */
  readonly controls: boolean;
  /** What a person ticks to have it; null where it cannot be left out. */
  readonly fitted: string | null;
}

const role = (
  word: string,
  one: string,
  { calls = null, controls = false, fitted = null }: Partial<RoleTraits> = {},
): RoleTraits => ({ word, one, calls, controls, fitted });

/** What each role is, said once. */
export const ROLE: Readonly<Record<SensorRole, RoleTraits>> = {
  pump: role('pump', 'a pump float', { calls: 1, controls: true }),
  stop: role('stop', 'a stop float', { controls: true }),
  lead: role('lead', 'a lead float', { calls: 1, controls: true }),
  lag: role('lag', 'a lag float', { calls: 2, controls: true, fitted: 'lag float fitted' }),
  lag2: role('second lag', 'a second lag float', { calls: 3, controls: true, fitted: 'second lag float fitted' }),
  alarm: role('alarm', 'an alarm float', { fitted: 'alarm float fitted' }),
  low: role('low', 'a redundant off or low alarm', { fitted: 'redundant off or low alarm fitted' }),
  peak: role('peak', 'a peak float', { fitted: 'peak float fitted' }),
  cutoff: role('cut-off', 'a cut-off', { fitted: 'cut-off fitted' }),
};
