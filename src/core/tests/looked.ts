import { sensed } from '../circuit';
import { DISPLAY } from '../faults';
import { pinOf, type DeviceFunction } from '../schemes';
import { phrase } from '../units';
import type { Observation } from './observation';
import { seen, untold, type Prediction } from './prediction';
import { noPanel, type Scene } from './scene';

/* What is seen of a part by whoever looks at it, feels it or reads what it says. */

/** States that a device comes to by itself, in words; those that hands put it in have words of its own. */
const OF_ITSELF: Readonly<Record<string, string>> = { tripped: 'tripped', on: 'on', off: 'off' };

export function stands(scene: Scene, tag: string): Prediction {
  const panel = scene.panel();
  const device = panel?.wired.panel.devices.find((d) => d.tag === tag);
  if (!panel || !device) return untold(null, noPanel(scene));
  const state = panel.settled.states[tag]!;
  const label = device.positions.find((p) => p.state === state)?.label;
  return seen(phrase`${label ?? OF_ITSELF[state] ?? state}`);
}

/** What a drive says of itself: it has its mains, no fault holds it, and it is told to run by the volts on its input, if it takes notice of them. */
export function display(scene: Scene, tag: string): Prediction {
  const panel = scene.panel();
  const device = panel?.wired.panel.devices.find((d) => d.tag === tag);
  if (!panel || device?.behaviour.kind !== 'relay') return untold(null, noPanel(scene));
  const { solution, states } = panel.settled;
  const stateOf = (what: DeviceFunction) =>
    states[panel.wired.panel.devices.find((d) => d.function === what && d.pump === device.pump)?.tag ?? ''];
  if (stateOf('power-supply') !== 'on') return seen(phrase`${DISPLAY.dark}`);
  if (stateOf('drive-fault') === 'tripped') return seen(phrase`${DISPLAY.fault}`);
  if (sensed(solution, device.behaviour.senses) < device.behaviour.pickUp) return seen(phrase`${DISPLAY.ready}`);
  const instead = scene.world.faults.map((f) => f.effects.seen?.[tag]).find((s) => typeof s === 'string');
  return seen(phrase`${instead ?? DISPLAY.runs}`);
}

/** How the shaft of a pump feels to a hand, its intake cleared of water and power. */
export function shaft({ world }: Scene, pump: number): Prediction {
  const motor = world.panel?.devices.find((d) => d.function === 'motor' && d.pump === pump);
  if (!world.panel || !motor) return untold(null, phrase`no panel of this scheme can be drawn`);
  const made = world.wiring({ cores: [], links: [] }).wired.netlist.devices.find((d) => d.id === motor.tag);
  const jammed = made?.behaviour.kind === 'motor' && made.behaviour.jammed;
  return seen(jammed ? phrase`held fast` : phrase`turns freely`);
}

/** What is seen of a part: of every fault that shows on it. */
export function looked({ world }: Scene, { of, clear }: Extract<Observation, { kind: 'seen' }>): Prediction {
  const all = world.faults.map((f) => f.effects.seen?.[of]);
  if (all.includes(null)) return untold(null, phrase`goes by what it is that holds it`);
  const shows = all.flatMap((s) => s ?? []);
  return seen(phrase`${shows.length > 0 ? shows.join(', ') : clear}`);
}

/** Where the cores of a device sit, as hands and faults have left them. */
export function landed({ world, landings }: Scene, tag: string): Prediction {
  const { panel, faults } = world;
  if (!panel) return untold(null, phrase`no panel of this scheme can be drawn`);
  const moved = new Map(faults.flatMap((f) => f.effects.landings?.cores ?? []).map((c) => [c.core, c.to]));
  const own = panel.cores.filter((c) => pinOf(c.pin)[0] === tag);
  const at = own.map((c) => {
    const to = landings.cores.get(c.id) ?? (moved.has(c.id) ? moved.get(c.id) : c.terminal);
    return `${pinOf(c.pin)[1]} on ${to ?? 'none'}`;
  });
  return seen(phrase`${at.join(', ')}`);
}

export function linked({ world, landings }: Scene, { a, b }: Extract<Observation, { kind: 'linked' }>): Prediction {
  const between = (l: { readonly a: string; readonly b: string }) =>
    (l.a === a && l.b === b) || (l.a === b && l.b === a);
  const byFault = world.faults.flatMap((f) => f.effects.landings?.links ?? []).find(between);
  const byHand = [...landings.bridges.values()].find(between);
  const made = world.panel?.links.some(between) ?? false;
  return seen(((byHand ?? byFault)?.fitted ?? made) ? phrase`in` : phrase`none`);
}
