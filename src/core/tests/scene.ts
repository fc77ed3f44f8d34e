import { waitingOf, type Settled, type Waiting } from '../circuit';
import type { Outcome } from '../schemes';
import type { Trips } from '../sensors';
import { phrase, type Phrase } from '../units';
import { happens, type Inputs } from '../wiring';
import type { World, Wiring } from './world';

/** A station at one moment of somebody's work: what was done to it, how its panel stands, and where the water is. */
export interface Scene {
  readonly world: World;
  /** Cores and bridges that hands have changed. */
  readonly landings: {
    readonly cores: ReadonlyMap<string, string | null>;
    readonly bridges: ReadonlyMap<string, Bridge>;
  };
  /** Positions that hands have put devices in, floats among them: those are held. */
  readonly hands: Inputs;
  /** m above the floor; null: under every float, or the floats are out of it. */
  readonly level: number | null;
  /** How its panel stands: solved when it is first asked; null where none can be drawn. */
  readonly panel: () => PanelNow | null;
  /** The way that the water has gone since it was first anywhere, and which pumps, from 0, ran on each piece of it. */
  readonly way: readonly Passage[];
  /** s that have passed by waiting. */
  readonly waited: number;
  /** When timers that run beside the last that ran out will do so, of the time waited. */
  readonly clocks: ReadonlyMap<string, number>;
  /** The last rise or fall ended without what it waited for: at the end of its way, or because what pumps moves no water; null: it did not. */
  readonly inVain: Vain | null;
}

/** What is waited for in vain: what a person sees, and why no figure comes of it. */
export interface Vain {
  readonly seen: Phrase;
  readonly why: Phrase;
}

export interface PanelNow extends Wiring {
  readonly settled: Settled;
}

/** Why nothing can be told of a circuit that is none. */
export const noPanel = ({ world }: Scene): Phrase =>
  phrase`cannot be told: no panel of this scheme can be drawn for it (${world.reasons[0] ?? phrase`no scheme fits`})`;

/** Worked out when it is first asked for: of most moments of a test nobody asks. */
export function when(make: () => PanelNow | null): () => PanelNow | null {
  let made: PanelNow | null | undefined;
  return () => (made === undefined ? (made = make()) : made);
}

export interface Passage {
  readonly from: number;
  readonly to: number;
  readonly running: () => readonly number[];
}

export interface Bridge {
  readonly a: string;
  readonly b: string;
  readonly fitted: boolean;
}

/** Most timers that are let run out after the power came, before it is taken for at rest. */
const AT_POWER_ON = 8;

/** A settled panel once what began with the power has run out: pumps that wait after a cut wait no more. */
function rested({ solve }: Wiring): Settled {
  let now = solve({});
  for (let n = 0; n < AT_POWER_ON; n++) {
    const [next] = [...timers(now)].sort((a, b) => a.after - b.after);
    if (!next) return now;
    now = solve({ [next.device]: next.to }, now.states);
  }
  return now;
}

/** A station at rest: supplies there and long so, floats hanging, every hand as it is left. */
export function atRest(world: World): Scene {
  return {
    world,
    landings: { cores: new Map(), bridges: new Map() },
    hands: {},
    level: null,
    panel: when(() => {
      if (!world.panel) return null;
      const wiring = world.wiring({ cores: [], links: [] });
      return { ...wiring, settled: rested(wiring) };
    }),
    way: [],
    waited: 0,
    clocks: new Map(),
    inVain: null,
  };
}

/** The panel with some devices put where they are told, those that are held by a fault left alone. */
export function moved(scene: Scene, change: Inputs): Scene {
  const { world } = scene;
  const free = Object.fromEntries(Object.entries(change).filter(([tag]) => !world.held.has(tag)));
  return {
    ...scene,
    panel: when(() => {
      const panel = scene.panel();
      return panel && { ...panel, settled: panel.solve(free, panel.settled.states) };
    }),
  };
}

/** Pumps that run, from 0. */
export const runningIn = (scene: Scene): number[] =>
  (scene.world.panel?.outcomes ?? []).flatMap((o) =>
    o.kind === 'pump' && happens(scene.panel()!.settled, o) ? [o.pump! - 1] : [],
  );

const floats = new WeakMap<World, readonly { readonly tag: string; readonly trips: Trips }[]>();

/** The devices that the water works, with their trips, lowest first. */
export function floatsOf(world: World): readonly { readonly tag: string; readonly trips: Trips }[] {
  const known = floats.get(world);
  if (known) return known;
  const made = world.levels.sensors.flatMap((trips) => {
    const device = world.panel?.devices.find((d) => d.sensor === trips.sensor.id);
    return device ? [{ tag: device.tag, trips }] : [];
  });
  floats.set(world, made);
  return made;
}

/** What a person at the pit can see or hear of a panel; what a relay inside is told they cannot. */
export const visible = (o: Outcome): boolean => o.kind !== 'call';

const running = new WeakMap<Settled, readonly Waiting[]>();

/** Timers that run in a settled circuit; protection that warms is none. */
export function timers(settled: Settled): readonly Waiting[] {
  const known = running.get(settled) ?? waitingOf(settled).filter((w) => w.to !== 'tripped');
  running.set(settled, known);
  return known;
}

/** Most timers that are let run out one after the other until something happens: a rest may end in a rest. */
const TIMERS = 4;

/** What time alone will do next that a person can see; null where nothing that runs leads to anything. */
export function inTime(scene: Scene): Scene | null {
  let now = scene;
  for (let n = 0; n < TIMERS; n++) {
    const panel = now.panel();
    if (!panel) return null;
    const { waited, clocks } = now;
    // A timer that runs on beside the one that ran out has so much less to go.
    const ends = timers(panel.settled).map((w) => [w, clocks.get(`${w.device} ${w.to}`) ?? waited + w.after] as const);
    if (ends.length === 0) return null;
    const [next, end] = ends.reduce((a, b) => (b[1] < a[1] ? b : a));
    const left = ends.filter(([w]) => w !== next).map(([w, at]) => [`${w.device} ${w.to}`, at] as const);
    now = moved({ ...now, waited: end, clocks: new Map(left) }, { [next.device]: next.to });
    if (seen(scene) !== seen(now)) return now;
  }
  return null;
}

function seen(scene: Scene): string {
  const panel = scene.panel();
  return panel ? panel.wired.panel.outcomes.map((o) => visible(o) && happens(panel.settled, o)).join() : '';
}

/** States that faults put devices in. @param inHand of what lies in the hand: what only its place holds moves there */
export const putsOf = ({ faults }: World, inHand = false): Inputs =>
  Object.fromEntries(
    (inHand ? faults.filter((f) => !f.effects.freeInHand) : faults).flatMap((f) =>
      Object.entries(f.effects.holds ?? {}).filter((e): e is [string, string] => e[1] !== null),
    ),
  );
