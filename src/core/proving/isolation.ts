import type { Device, Panel } from '../schemes';
import type { Station } from '../station';
import { energised, type Inputs } from '../wiring';
import type { PanelWorld } from './panelWorld';
import { restOf } from './responses';

/** What makes a panel dead, asked of its circuit: what to open, and what nothing here opens. */
export interface Isolation {
  /** Opened and locked, they leave nothing live that they can: the fewest, nearest the source. */
  readonly open: readonly Device[];
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
const liveWith = ({ wired, solve }: PanelWorld, open: readonly Device[]): ReadonlySet<string> => {
  const off: Inputs = Object.fromEntries(open.map((d) => [d.tag, OPENS[d.function]!]));
  return new Set(waysFed(wired.panel).flatMap((way) => [...energised(wired, solve({ ...way, ...off })).live]));
};

/** How a station’s panel is made dead; null where no panel can be drawn. */
export function isolationOf(station: Station): Isolation | null {
  const rest = restOf(station);
  if (!('wired' in rest)) return null;
  const { panel } = rest.wired;
  const all = panel.devices
    .filter((d) => d.positions.some((p) => p.state === OPENS[d.function]))
    .sort((a, b) => PLACES.indexOf(a.place) - PLACES.indexOf(b.place));
  const least = liveWith(rest, all);
  const needless = [...all].reverse();
  const open = needless.reduce<readonly Device[]>((kept, d) => {
    const without = kept.filter((k) => k !== d);
    const live = liveWith(rest, without);
    return [...live].every((net) => least.has(net)) ? without : kept;
  }, all);
  // On the strip of the panel: what feeds the board stays live there, and is the board’s own. What is of others nothing here opens.
  const left = panel.circuits.filter(
    (c) =>
      c.function === 'others' ||
      panel.terminals.some((t) => t.circuit === c.id && t.id.startsWith(`${c.strip}:`) && least.has(t.net)),
  );
  return { open, left: left.map(({ label, volts, low }) => ({ label, volts, low })) };
}
