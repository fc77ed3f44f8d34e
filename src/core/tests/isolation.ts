import type { Device, Panel } from '../schemes';
import { energised, type Inputs } from '../wiring';
import type { Act } from './act';
import type { World, Wiring } from './world';

/** What makes a panel dead, asked of its circuit: what to open, and what nothing here opens. */
export interface Isolation {
  /** Opened and locked, they leave nothing live that they can: the fewest, nearest the source. */
  readonly open: readonly Device[];
  /** Those acts. */
  readonly acts: readonly Act[];
  /** Circuits in it that stay live all the same: they come from elsewhere, or from a battery. */
  readonly left: readonly { readonly label: string; readonly volts: number; readonly low: boolean }[];
}

/** What is opened, and the position that opens it; a generator is stopped. */
const OPENS: Readonly<Partial<Record<Device['function'], string>>> = {
  breaker: 'off',
  disconnect: 'off',
  fuse: 'off',
  generator: 'stopped',
};
/** Nearest the source first: what is at the board is kept, what is in the panel left alone where the board does. */
const PLACES: readonly Device['place'][] = ['board', 'field', 'door', 'panel'];

/** Every way in which it may be fed: a generator may start, and a transfer stand at either side. */
const waysFed = ({ devices }: Panel): Inputs[] => {
  const running = devices.filter((d) => d.function === 'generator').map((d): Inputs => ({ [d.tag]: 'running' }));
  const transfers = devices.filter((d) => d.function === 'transfer');
  return transfers.reduce<Inputs[]>(
    (ways, d) => ways.flatMap((way) => d.positions.map((p): Inputs => ({ ...way, [d.tag]: p.state }))),
    [Object.assign({}, ...running) as Inputs],
  );
};

/** Nets that are live with some devices open, however it is fed. */
const liveWith = ({ wired, solve }: Wiring, open: readonly Device[]): ReadonlySet<string> => {
  const off: Inputs = Object.fromEntries(open.map((d) => [d.tag, OPENS[d.function]!]));
  return new Set(waysFed(wired.panel).flatMap((way) => [...energised(wired, solve({ ...way, ...off })).live]));
};

const known = new WeakMap<Panel, Isolation>();

/** How a station’s panel is made dead; null where no panel can be drawn. */
export function isolationOf(world: World): Isolation | null {
  const { panel } = world;
  if (!panel) return null;
  const found = known.get(panel);
  if (found) return found;
  const rest = world.wiring({ cores: [], links: [] });
  const all = panel.devices
    .filter((d) => d.positions.some((p) => p.state === OPENS[d.function]))
    .sort((a, b) => PLACES.indexOf(a.place) - PLACES.indexOf(b.place));
  const least = liveWith(rest, all);
  const enough = (some: readonly Device[]) => [...liveWith(rest, some)].every((net) => least.has(net));
  // Most often what is at the board is all that is needed.
  const board = all.filter((d) => d.place === 'board' || d.function === 'generator');
  const first = enough(board) ? board : all;
  const open = [...first].reverse().reduce<readonly Device[]>((kept, d) => {
    const without = kept.filter((k) => k !== d);
    return enough(without) ? without : kept;
  }, first);
  // On the strip of the panel: what feeds the board stays live there, and is the board’s own. What is of others nothing here opens.
  const left = panel.circuits
    .filter(
      (c) =>
        c.function === 'others' ||
        panel.terminals.some((t) => t.circuit === c.id && t.id.startsWith(`${c.strip}:`) && least.has(t.net)),
    )
    .map(({ label, volts, low }) => ({ label, volts, low }));
  const acts = open.map((d): Act => ({ kind: 'put', device: d.tag, to: OPENS[d.function]! }));
  const made = { open, acts, left };
  known.set(panel, made);
  return made;
}
