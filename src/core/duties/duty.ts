import type { Fields, ValuesOf } from '../form';
import type { MarkName, SensorRole } from '../sensors';
import type { Phrase } from '../units';
import type { Direction } from './way';

/** A dosing timer; times in s. */
export interface Timer {
  readonly on: number;
  readonly off: number;
  /** The rest while the peak float is up. */
  readonly peakOff: number;
  /** Water of a peak day, in design days. */
  readonly peakDay: number;
}

/** What brings or takes the water: a pump that stands in the vessel, one at the water it draws from, or a valve with what it lets in, m³/s. */
export type Mover =
  | { readonly kind: 'pump'; readonly stands: 'in-vessel' }
  /** m above the floor of the vessel. */
  | { readonly kind: 'pump'; readonly stands: 'at-source'; readonly sourceLevel: number }
  | { readonly kind: 'valve'; readonly flow: number; readonly valve: Valve };

/** A valve that fills a tank: what moves it, where it goes without power, W that it takes, and Pa of water that it needs and has. */
export interface Valve {
  readonly drive: 'solenoid' | 'motorised';
  readonly rests: 'closed' | 'open';
  readonly power: number;
  readonly needs: number;
  readonly has: number;
}

export interface DutyWords {
  /** `pit`, `tank`. */
  readonly vessel: string;
  /** What comes unasked, or is drawn; and what rain or leaks do to it. */
  readonly inflow: 'inflow' | 'draw';
  readonly infiltration: string;
  /** The line that pumps work into, as a title and on the drawing. */
  readonly line: string;
  readonly pipes: string;
  /** What a cycle’s two times are called: without pumps, and with them. */
  readonly rests: string;
  readonly runs: string;
  /** One run of the pumps, as in `run, design inflow`; and on the door card. */
  readonly run: string;
  readonly runOnCard: string;
  /** Water that is lost, how long it runs, and all that came. */
  readonly spilt: string;
  readonly spilling: string;
  readonly came: string;
  /** What an alarm at high water means, and what to do then. */
  readonly alarmMeans: string;
  readonly whenAlarm: string;
  /** What can hurt a person at the water, while working; and what the door card says of it. */
  readonly danger: string;
  readonly keepOut: string;
  /** What the levels are called where they are not called as everywhere, and what happens there. */
  readonly marks: Readonly<Partial<Record<MarkName | 'inlet', string>>>;
  readonly acts: Readonly<Partial<Record<MarkName, string>>>;
}

/** What a duty makes of a station. Everybody asks these instead of the duty’s name. */
export interface Traits {
  readonly direction: Direction;
  readonly mover: Mover;
  /** Where a timer, not the levels, decides how often the pump starts; else null. */
  readonly timer: Timer | null;
  /** The water is wanted in the vessel: nothing stands back in a drain. */
  readonly kept: boolean;
  /** It fills from below, against the water in the vessel. */
  readonly drowned: boolean;
  /** s of full flow that still run in after the call to stop. */
  readonly runOn: number;
  /** Roles that may be fitted beside those that start and stop pumps. */
  readonly roles: readonly SensorRole[];
  readonly words: DutyWords;
  /** Rules that are not asked, by id, and why. */
  readonly notAsked: Readonly<Record<string, Phrase>>;
}

/** A duty as a document has it. */
export type DutyWith<K extends string, F extends Fields> = { kind: K } & ValuesOf<F>;

/** The duty drawn small: which way the water goes, how high it stands, and what must not happen. */
export interface DutySketch {
  readonly label: string;
  readonly water: number;
  readonly arrows: string;
  readonly mark: string;
}

const HOUR = 3600;
const DAY = 24 * HOUR;

/** A rehearsal that is worth it because of what the station is for. Times in s. */
export interface DutyRehearsal {
  readonly name: string;
  /** `storm`: as long as the storm of the survey and four hours more; only where one was surveyed. */
  readonly lasts: number | 'storm';
  readonly water: 'survey' | 'low' | 'design' | 'peak';
  /** What the water is multiplied by; 1 unless it is said. */
  readonly scale?: number;
  /** Between which shares of the storm there is no power. */
  readonly cut?: readonly [from: number, to: number];
  /** What fails, and when: the float that calls the first pump, the first of several pumps, or the line. Only where there is one. */
  readonly fails?: {
    readonly part: 'calling-float' | 'first-of-several' | 'line';
    readonly how: string;
    readonly at: number;
  };
}

/** The float that calls stays where it is, two hours in. */
export const floatStuck = (name: string, how: 'stuck-up' | 'stuck-down', days: number): DutyRehearsal => ({
  name,
  lasts: days * DAY,
  water: 'design',
  fails: { part: 'calling-float', how, at: 2 * HOUR },
});

/** No water comes, or is drawn, for some days. */
export const noWater = (name: string, days: number): DutyRehearsal => ({
  name,
  lasts: days * DAY,
  water: 'low',
  scale: 0,
});

/** One duty: its figures, its words, and what it makes of a station. A duty more is a file like this and its name in the table. */
export interface DutyKind<D extends { kind: string }, K extends string = string, F extends Fields = Fields> {
  readonly kind: K;
  readonly fields: F;
  /** As one picks it. */
  readonly picks: string;
  /** What is said of it where it has nothing to fill in. */
  readonly about: string | null;
  readonly sketch: DutySketch;
  /** How its water is told where nothing else was chosen yet. */
  readonly source?: 'appliances';
  traits(duty: D): Traits;
  /** Rehearsals that are worth it for it, beside those of every duty. */
  rehearsals(duty: D): readonly DutyRehearsal[];
  /** Fields that have nothing to say as the duty stands. */
  hidden?(duty: D): readonly string[];
  /** What contradicts itself in it; `overflow` in m. */
  contradictions?(
    duty: D,
    vessel: { readonly overflow: number },
  ): readonly (readonly [field: string, sentence: Phrase])[];
}

export const dutyKind = <K extends string, F extends Fields>(
  kind: K,
  fields: F,
  rest: Omit<DutyKind<DutyWith<K, F>, K, F>, 'kind' | 'fields'>,
): DutyKind<DutyWith<K, F>, K, F> => ({ kind, fields, ...rest });

/** What most duties are: a pump in the pit takes away what comes. */
export const EMPTIES: Traits = {
  direction: 'empty',
  mover: { kind: 'pump', stands: 'in-vessel' },
  timer: null,
  kept: false,
  drowned: false,
  runOn: 0,
  roles: ['alarm', 'low', 'cutoff'],
  words: {
    vessel: 'pit',
    inflow: 'inflow',
    infiltration: 'rain seeps in',
    line: 'Discharge',
    pipes: 'discharge pipe',
    rests: 'fills in',
    runs: 'runs',
    run: 'run',
    runOnCard: 'runs at design inflow',
    spilt: 'overflow',
    spilling: 'time of overflow',
    came: 'water in',
    alarmMeans: 'the water is higher than the pump should ever let it come',
    whenAlarm: 'Use less water, call, and do not open the pit.',
    danger:
      'Test the pit for gas before the lid is off for long, and never go in alone. Sewage infects: gloves and eyes covered.',
    keepOut: 'Pits hold gas and deep water. Do not enter. Keep the lid on.',
    marks: {},
    acts: {},
  },
  notAsked: {},
};
