import { traitsOf } from '../duties';
import { drawBetween, sayNoDuty } from '../levels';
import { brentRoot } from '../numeric';
import type { Outcome } from '../schemes';
import { hasRisen } from '../sensing';
import { phrase } from '../units';
import { happens } from '../wiring';
import type { Act, Until } from './act';
import {
  atRest,
  floatsOf,
  inTime,
  moved,
  putsOf,
  runningIn,
  timers,
  when,
  type Bridge,
  type Passage,
  type Scene,
  type Vain,
} from './scene';
import { pressed, resetsIn } from './resets';
import type { World } from './world';

/* What becomes of a scene as somebody does something: water brought, devices worked, cores and bridges changed. */

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
  const there = passing(scene, to);
  return scene.level === null ? toService(scene.world, to).reduce(perform, there) : there;
}

const passing = (scene: Scene, to: number): Scene => trips(scene.world, scene.level ?? 0, to).reduce(wet, scene);

const services = new WeakMap<World, Map<number, readonly Act[]>>();

/** What a hand resets of a sound station whose floats hung, the water at a level. */
function toService(world: World, level: number): readonly Act[] {
  const sound = world.sound();
  let of = services.get(sound);
  if (!of) services.set(sound, (of = new Map()));
  const acts = of.get(level) ?? (sound.panel ? resetsIn(passing(atRest(sound), level)) : []);
  of.set(level, acts);
  return acts;
}

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
