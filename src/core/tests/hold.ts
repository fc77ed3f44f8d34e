import { isPlugged, pinOf, type Panel } from '../schemes';
import { phrase, type Phrase } from '../units';
import { happens } from '../wiring';
import type { Act } from './act';
import { isolationOf } from './isolation';
import { perform } from './perform';
import { atRest } from './scene';
import { resetActs } from './resets';
import { floatTags } from './turns';
import type { World } from './world';

/** How a person holds the pumps of a station off, and gives them back: by the plug, by selectors, or by nothing but their breaker. */
export interface Hold {
  readonly by: 'plug' | 'selector' | 'breaker';
  /** What is done to hold them off, in words, and as acts. */
  readonly off: string;
  readonly acts: readonly Act[];
  readonly back: string;
  readonly backs: readonly Act[];
  readonly backTitle: string;
  /** While locking off. */
  readonly lock: Phrase;
}

/** A plug out of its socket: every core of the cord loose, and again where it was. */
const coresOf = ({ cores }: Panel, tag: string) => cores.filter((c) => pinOf(c.pin)[0] === tag && c.terminal !== null);
const landed = (cores: readonly { core: string; to: string | null }[]): Act[] =>
  cores.length > 0 ? [{ kind: 'land', cores }] : [];
export const unplugged = (panel: Panel, tag: string): Act[] =>
  landed(coresOf(panel, tag).map((c) => ({ core: c.id, to: null })));
export const pluggedIn = (panel: Panel, tag: string): Act[] =>
  landed(coresOf(panel, tag).map((c) => ({ core: c.id, to: c.terminal })));

const motors = (panel: Panel | null) => panel?.devices.filter((d) => d.function === 'motor') ?? [];

/**
 * The least that keeps the pumps from running, all floats lifted: their own breakers, which leave control and alarm alive, or else what of the
 * isolation does it alone. Nothing where this panel runs no pump.
 */
function breakerOfPumps(world: World): Act[] {
  const isolation = isolationOf(world);
  const { panel } = world;
  const pumps = panel?.outcomes.filter((o) => o.kind === 'pump') ?? [];
  if (!isolation || !panel || pumps.length === 0) return [];
  const rest = atRest(world);
  const runs = (acts: readonly Act[]) => {
    const up = floatTags(rest).map((device): Act => ({ kind: 'put', device, to: 'up' }));
    const scene = [...acts, ...up, ...resetActs(world)].reduce(perform, rest);
    return pumps.some((o) => happens(scene.panel()!.settled, o));
  };
  const own = panel.devices
    .filter((d) => d.function === 'breaker' && d.pump !== undefined)
    .map((d): Act => ({ kind: 'put', device: d.tag, to: 'off' }));
  if (own.length > 0 && !runs(own)) return own;
  const alone = isolation.acts.find((act) => !runs([act]));
  return alone ? [alone] : [...isolation.acts];
}

const backOf = (panel: Panel, acts: readonly Act[]): Act[] =>
  acts.flatMap((a): Act[] =>
    a.kind === 'put'
      ? [{ kind: 'put', device: a.device, to: panel.devices.find((d) => d.tag === a.device)!.initial }]
      : [],
  );

const known = new WeakMap<World, Hold>();

/** Asked of the panel: whether anything of it is plugged, or has a selector. */
export function holdOf(world: World): Hold {
  const found = known.get(world);
  if (found) return found;
  const made = hold(world);
  known.set(world, made);
  return made;
}

function hold(world: World): Hold {
  const { panel, station } = world;
  if (isPlugged(station)) {
    const tags = motors(panel).map((d) => d.tag);
    return {
      by: 'plug',
      off: 'Unplug the pump',
      acts: panel ? tags.flatMap((t) => unplugged(panel, t)) : [],
      back: 'Plug the pump into the float’s plug',
      backs: panel ? tags.flatMap((t) => pluggedIn(panel, t)) : [],
      backTitle: 'Plug the pump in again',
      lock: phrase`Lock each off, keep the keys, unplug pump and float.`,
    };
  }
  const selectors = panel?.devices.filter(
    (d) => d.function === 'selector' && d.positions.some((p) => p.state === 'off'),
  );
  if (panel && selectors && selectors.length > 0) {
    const acts = selectors.map((d): Act => ({ kind: 'put', device: d.tag, to: 'off' }));
    return {
      by: 'selector',
      off: 'Hold every pump at Off',
      acts,
      back: 'Selectors to automatic',
      backs: backOf(panel, acts),
      backTitle: 'Pumps back to automatic',
      lock: phrase`Lock each off, keep the keys, turn the selectors to Off.`,
    };
  }
  const acts = breakerOfPumps(world);
  return {
    by: 'breaker',
    off: 'Switch the pump circuit off at its breaker',
    acts,
    back: 'Switch the pump circuit on again',
    backs: panel ? backOf(panel, acts) : [],
    backTitle: 'The pump circuit on again',
    lock: phrase`Lock each off, keep the keys.`,
  };
}
