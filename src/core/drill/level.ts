/** How hard a drill is: what is hidden, what rises, and whether somebody stands beside. */
export interface DrillLevel {
  readonly words: string;
  /** Faults that are hidden at once. */
  readonly faults: 1 | 2;
  /** Whether it may be asked what Trace would do next. */
  readonly hints: boolean;
  /** What comes in while one looks. */
  readonly inflow: 'design' | 'peak';
}

export const DRILL_LEVELS = {
  'first week': { words: 'first week: one fault that shows, and hints', faults: 1, hints: true, inflow: 'design' },
  journeyman: { words: 'journeyman: one fault, and nobody beside you', faults: 1, hints: false, inflow: 'design' },
  night: { words: 'call-out at night: two faults, and the peak comes in', faults: 2, hints: false, inflow: 'peak' },
} as const satisfies Readonly<Record<string, DrillLevel>>;

export type LevelName = keyof typeof DRILL_LEVELS;
