import { isPlugged, pinOf, type Device, type Panel } from '../schemes';
import { phrase, type Phrase } from '../units';
import type { Act } from './act';
import type { Scene } from './scene';

/** One thing that is otherwise than as it was left: how it stands, and how it is put back. */
export interface Standing {
  readonly is: string;
  readonly undo: string;
}

const position = (d: Device, state: string): string => d.positions.find((p) => p.state === state)?.label ?? state;

/** What is put back at the end of a test, told where it is done: as each was left. */
export const putBack = (devices: readonly Device[]): Phrase[] =>
  devices.length === 0
    ? []
    : [phrase`Then ${devices.map((d) => `${d.tag} back to ${position(d, d.initial)}`).join(', ')}.`];

/** Devices that a hand has put somewhere. Floats first: a selector that goes back to Auto while one is held starts what should hang still. */
function byHand({ devices }: Panel, hands: Scene['hands']): Standing[] {
  const put = devices.filter((d) => hands[d.tag] !== undefined);
  const [floats, others] = [put.filter((d) => d.sensor !== undefined), put.filter((d) => d.sensor === undefined)];
  return [
    ...floats.map(({ tag }) => ({ is: `${tag} held ${hands[tag]}`, undo: `let ${tag} go` })),
    ...others.map((d) => ({
      is: `${d.tag} at ${position(d, hands[d.tag]!)}`,
      undo: `${d.tag} back to ${position(d, d.initial)}`,
    })),
  ];
}

const homes = new WeakMap<Panel, ReadonlyMap<string, readonly Panel['cores'][number][]>>();

/** The landed cores of each device of a panel, by its tag. */
function coresBy(panel: Panel): ReadonlyMap<string, readonly Panel['cores'][number][]> {
  const known = homes.get(panel);
  if (known) return known;
  const made = new Map<string, Panel['cores'][number][]>();
  for (const core of panel.cores) {
    const tag = pinOf(core.pin)[0];
    if (core.terminal !== null) made.set(tag, [...(made.get(tag) ?? []), core]);
  }
  homes.set(panel, made);
  return made;
}

/** Devices of which every core is loose: unplugged, where it hangs on a plug. */
function loose(
  panel: Panel,
  cores: Scene['landings']['cores'],
  plugged: boolean,
): { tags: Set<string>; said: Standing[] } {
  const tags = new Set<string>();
  if (cores.size === 0) return { tags, said: [] };
  const byDevice = coresBy(panel);
  const said = panel.devices.flatMap((d): Standing[] => {
    const own = byDevice.get(d.tag);
    if (!own || own.some((c) => cores.get(c.id) !== null)) return [];
    tags.add(d.tag);
    // A float in a pump's cord goes with its plug; one of the alarm sits on terminals.
    const onPlug = plugged && (d.function === 'motor' || own.some((c) => c.terminal!.startsWith('P:')));
    return [
      onPlug
        ? { is: `${d.tag} unplugged`, undo: `plug ${d.tag} in again` }
        : { is: `cores of ${d.tag} off their terminals`, undo: `cores of ${d.tag} back on their terminals` },
    ];
  });
  return { tags, said };
}

/** What is otherwise than as it was left, in words of the panel, each once: it stands so until it is put back. */
export function standing({ world, hands, landings }: Scene): Standing[] {
  const { panel } = world;
  if (!panel) return [];
  const whole = loose(panel, landings.cores, isPlugged(world.station));
  const cores = [...landings.cores].flatMap(([core, to]): Standing[] => {
    const made = panel.cores.find((c) => c.id === core)!;
    if (whole.tags.has(pinOf(made.pin)[0])) return [];
    const home = made.terminal === null ? 'capped' : `back on ${made.terminal}`;
    return [{ is: to === null ? `${core} off its terminal` : `${core} on ${to}`, undo: `${core} ${home}` }];
  });
  const bridges = [...landings.bridges.values()].map(({ a, b, fitted }): Standing =>
    fitted
      ? { is: `${a} and ${b} bridged`, undo: `take the bridge from ${a} to ${b} out` }
      : { is: `no link from ${a} to ${b}`, undo: `fit the link from ${a} to ${b}` },
  );
  return [...byHand(panel, hands), ...whole.said, ...cores, ...bridges];
}

/** Everything that hands have done put back as it was left: floats go last of what is wired, before selectors. */
export function undone({ world, hands, landings }: Scene): Act[] {
  const { panel } = world;
  if (!panel) return [];
  const cores = [...landings.cores.keys()].map((core) => ({
    core,
    to: panel.cores.find((c) => c.id === core)!.terminal,
  }));
  const put = panel.devices.filter((d) => hands[d.tag] !== undefined);
  return [
    ...(cores.length > 0 ? [{ kind: 'land', cores } as const] : []),
    ...[...landings.bridges.values()].map((b): Act => ({ kind: 'bridge', ...b, fitted: !b.fitted })),
    ...put.flatMap((d): Act[] => (d.sensor !== undefined ? [{ kind: 'let go', device: d.tag }] : [])),
    ...put.flatMap((d): Act[] => (d.sensor === undefined ? [{ kind: 'put', device: d.tag, to: d.initial }] : [])),
  ];
}
