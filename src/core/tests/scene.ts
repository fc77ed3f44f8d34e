import { waitingOf, type Settled, type Waiting } from '../circuit';
import { traitsOf } from '../duties';
import { drawBetween, sayNoDuty } from '../levels';
import { brentRoot } from '../numeric';
import type { Outcome } from '../schemes';
import { hasRisen } from '../sensing';
import type { Trips } from '../sensors';
import { phrase, type Phrase } from '../units';
import { happens, type Inputs } from '../wiring';
import type { Act, Until } from './act';
import { thrownDry } from './thrown';
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
interface Vain {
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
function when(make: () => PanelNow | null): () => PanelNow | null {
  let made: PanelNow | null | undefined;
  return () => (made === undefined ? (made = make()) : made);
}

export interface Passage {
  readonly from: number;
  readonly to: number;
  readonly running: () => readonly number[];
}

interface Bridge {
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

/** The water at a level, floats that no hand holds where it has them. */
function wet(scene: Scene, level: number): Scene {
  const { world, hands } = scene;
  const passed: Passage[] =
    scene.level === null || scene.level === level
      ? []
      : [{ from: scene.level, to: level, running: () => runningIn(scene) }];
  const at = { ...scene, level, way: [...scene.way, ...passed] };
  if (!world.panel) return at;
  return {
    ...at,
    panel: when(() => {
      const panel = scene.panel()!;
      const { states } = panel.settled;
      const change: Record<string, string> = {};
      for (const { tag, trips: t } of floatsOf(world)) {
        if (tag in hands || world.held.has(tag)) continue;
        change[tag] = hasRisen(t, level, states[tag] === 'up') ? 'up' : 'down';
      }
      return { ...panel, settled: panel.solve(change, states) };
    }),
  };
}

/** Just past a trip, m: nothing else lies between. */
const PAST = 1e-9;

/** Levels on the way at which a float acts, in the order in which the water meets them, and the end. */
function trips({ levels }: World, from: number, to: number): number[] {
  const rising = to >= from;
  const on = levels.sensors.map((s) => (rising ? s.rise : s.fall));
  const between = on.filter((l) => (rising ? l >= from && l < to : l <= from && l > to));
  return [...between.sort((a, b) => (rising ? a - b : b - a)).map((l) => l + (rising ? PAST : -PAST)), to];
}

/**
 * The water brought to a level, floats one by one as it passes them. A station that has water is in service: what only its hanging floats had
 * thrown somebody has reset.
 */
function brought(scene: Scene, to: number): Scene {
  const there = trips(scene.world, scene.level ?? 0, to).reduce(wet, scene);
  const thrown = scene.level === null ? thrownDry(scene.world) : {};
  return Object.keys(thrown).length > 0 ? moved(there, thrown) : there;
}

/** What a person at the pit can see or hear of a panel; what a relay inside is told they cannot. */
export const visible = (o: Outcome): boolean => o.kind !== 'call';

const OF: Readonly<Record<Until, (o: Outcome) => boolean>> = {
  pump: (o) => o.kind === 'pump',
  alarm: (o) => o.kind === 'alarm' || o.kind === 'lamp' || o.kind === 'report',
  interlock: (o) => o.kind === 'interlock',
};

/** What is watched of a panel, as it stands: a timer that began is on its way to a pump. */
function watched(scene: Scene, until: Until): string {
  const panel = scene.panel();
  if (!panel) return '';
  const { outcomes } = panel.wired.panel;
  const happening = outcomes.filter((o) => OF[until](o) && happens(panel.settled, o)).map((o) => o.id);
  const timing = until === 'pump' ? timers(panel.settled).map((w) => `${w.device} ${w.to}`) : [];
  return [...happening, ...timing].join();
}

const MOVES_NONE = phrase`does not come: what runs moves no water`;
const PASSED = phrase`does not come on this way: the water runs over, or the vessel is empty, before it`;

/** Why pumps run and none of them moves water from where it stands; null: one does, or none runs. */
function still(scene: Scene): Vain | null {
  const { levels, idle } = scene.world;
  const running = runningIn(scene);
  if (running.length === 0) return null;
  const moving = running.filter((n) => !idle.has(n + 1));
  if (moving.length === 0) return { seen: MOVES_NONE, why: MOVES_NONE };
  const point = levels.hydraulics.at(scene.level ?? 0, moving);
  return !point.ok && point.reason === 'below-static-head' ? { seen: MOVES_NONE, why: sayNoDuty(point) } : null;
}

/**
 * The water rises or falls until something of the kind happens. In vain is a way to its end; and one that pumps have to bring it which run and move
 * none: then it stays.
 */
function until(scene: Scene, act: Extract<Act, { kind: 'rise' | 'fall' }>): Scene {
  const { world } = scene;
  // A panel that runs no pump, as one that only alarms, tells nothing of it: the pump’s own switch acts where it is set.
  if (!world.panel?.outcomes.some(OF[act.until])) return brought(scene, act.toward);
  const end = act.kind === 'rise' ? world.levels.overflow : 0;
  const before = watched(scene, act.until);
  const pumped = act.kind === (traitsOf(world.station).direction === 'fill' ? 'rise' : 'fall');
  let now = scene;
  for (const level of trips(world, scene.level ?? 0, end)) {
    const inVain = pumped ? still(now) : null;
    if (inVain) return { ...now, inVain };
    now = wet(now, level);
    if (watched(now, act.until) !== before) return { ...now, inVain: null };
  }
  return { ...now, inVain: { seen: PASSED, why: PASSED } };
}

const running = new WeakMap<Settled, readonly Waiting[]>();

/** Timers that run in a settled circuit; protection that warms is none. */
function timers(settled: Settled): readonly Waiting[] {
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

/** The wiring as hands have left it, devices as they were. */
function rewired(scene: Scene, landings: Scene['landings']): Scene {
  const { world } = scene;
  return {
    ...scene,
    landings,
    panel: when(() => {
      const before = scene.panel();
      if (!before) return null;
      const wiring = world.wiring({
        cores: [...landings.cores].sort().map(([core, to]) => ({ core, to })),
        links: [...landings.bridges.values()],
      });
      return { ...wiring, settled: wiring.solve(putsOf(world), before.settled.states) };
    }),
  };
}

/** States that faults put devices in. @param inHand of what lies in the hand: what only its place holds moves there */
export const putsOf = ({ faults }: World, inHand = false): Inputs =>
  Object.fromEntries(
    (inHand ? faults.filter((f) => !f.effects.freeInHand) : faults).flatMap((f) =>
      Object.entries(f.effects.holds ?? {}).filter((e): e is [string, string] => e[1] !== null),
    ),
  );

/** Where a core is as it is made: landed there again it is as it was. */
const designed = (scene: Scene, core: string): string | null | undefined =>
  scene.world.panel?.cores.find((c) => c.id === core)?.terminal;

function withCores(scene: Scene, landed: Extract<Act, { kind: 'land' }>['cores']): Scene {
  const cores = new Map(scene.landings.cores);
  for (const { core, to } of landed) {
    if (designed(scene, core) === to) cores.delete(core);
    else cores.set(core, to);
  }
  return rewired(scene, { ...scene.landings, cores });
}

function withBridge(scene: Scene, { a, b, fitted }: Bridge): Scene {
  const bridges = new Map(scene.landings.bridges);
  const key = [a, b].sort().join(' – ');
  const asMade = scene.world.panel?.links.some((l) => [l.a, l.b].sort().join(' – ') === key) ?? false;
  if (asMade === fitted) bridges.delete(key);
  else bridges.set(key, { a, b, fitted });
  return rewired(scene, { ...scene.landings, bridges });
}

const deviceOf = (scene: Scene, tag: string) => scene.world.panel?.devices.find((d) => d.tag === tag);

function put(scene: Scene, device: string, to: string): Scene {
  const made = deviceOf(scene, device);
  const { [device]: _, ...others } = scene.hands;
  // A float is held by the hand that lifts it; anything else that is put back is as it was.
  const asLeft = made?.sensor === undefined && made?.initial === to;
  return moved({ ...scene, hands: asLeft ? others : { ...others, [device]: to } }, { [device]: to });
}

function letGo(scene: Scene, device: string): Scene {
  const { [device]: _, ...hands } = scene.hands;
  const free = { ...scene, hands };
  return scene.level === null ? moved(free, { [device]: 'down' }) : wet(free, scene.level);
}

function pressed(scene: Scene, device: string): Scene {
  const made = deviceOf(scene, device);
  const way = made?.positions.find((p) => p.state !== made.initial);
  if (!made || !way) return scene;
  return moved(moved(scene, { [device]: way.state }), { [device]: made.initial });
}

/** Where the water stands after one pump has drawn it down for so long; where it was, if that cannot be told. */
function pumpedTo({ world: { levels, idle }, level }: Scene, seconds: number): number {
  const from = level ?? levels.lead;
  if (idle.has(1)) return from;
  const taken = (to: number) => {
    const drawn = drawBetween(levels, from, to, 0);
    return drawn.ok ? drawn.time - seconds : Infinity;
  };
  if (taken(from) > 0) return from;
  return taken(0) <= 0 ? 0 : brentRoot(taken, 0, from, 1e-6);
}

function drainedBack(scene: Scene): Scene {
  const { vessel, hydraulics } = scene.world.levels;
  const level = scene.level ?? 0;
  const back = hydraulics.drainback(1, level).volume;
  return back > 0 ? brought(scene, vessel.height(vessel.volume(level) + back)) : scene;
}

/** A station after one more act. */
export function perform(scene: Scene, act: Act): Scene {
  switch (act.kind) {
    case 'put':
      return put(scene, act.device, act.to);
    case 'let go':
      return letGo(scene, act.device);
    case 'press':
      return pressed(scene, act.device);
    case 'land':
      return withCores(scene, act.cores);
    case 'bridge':
      return withBridge(scene, act);
    case 'water':
      return brought(scene, act.to);
    case 'rise':
    case 'fall':
      return until(scene, act);
    case 'pump':
      return brought(scene, pumpedTo(scene, act.seconds));
    case 'drain back':
      return drainedBack(scene);
    case 'wait':
      return inTime(scene) ?? scene;
  }
}
