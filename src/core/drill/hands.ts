import type { Panel } from '../schemes';
import { kindOf } from '../sensors';
import { straightIn, type Act, type Risk } from '../tests';
import type { Asking } from '../trace';
import type { DrillAct } from './drill';

/** What hands do that stays until they undo it, or that springs back. */
export type HandAct = Extract<DrillAct, { do: 'put' | 'let go' | 'press' | 'land' | 'bridge' | 'plug' }>;

/** An act of hands, as a panel takes it. */
export interface ByHand {
  readonly title: string;
  readonly acts: readonly Act[];
  readonly risk: Risk;
  /** Only where everything is dead. */
  readonly dead: boolean;
}

const deviceOf = ({ devices }: Panel, tag: string) => devices.find((d) => d.tag === tag);

/** What hands can move here: the supplies are the utility’s. */
export const movable = ({ devices }: Panel): Panel['devices'] =>
  devices.filter((d) => d.positions.length > 0 && d.function !== 'supply' && d.function !== 'alarm-supply');

function putBy({ panel, world }: Asking, tag: string, to: string): ByHand | string {
  const device = movable(panel).find((d) => d.tag === tag);
  const position = device?.positions.find((p) => p.state === to);
  if (!device || !position) return `There is no ${tag} here that could be put to ${to}`;
  const sensor = world.levels.sensors.find((x) => x.sensor.id === device.sensor)?.sensor;
  if (sensor && !kindOf(sensor).hand.lifts)
    return `${device.label} is no float: no rod lifts it as if the water had risen`;
  if (device.sensor !== undefined && to !== 'up') return `${tag} hangs by itself when it is let go`;
  return {
    title:
      device.sensor === undefined
        ? `${tag} to ${position.label}`
        : `Lift ${device.label} (${tag}) with a dry rod, and hold it`,
    acts: [{ kind: 'put', device: tag, to }],
    risk: 'rod',
    dead: false,
  };
}

function landed(panel: Panel, core: string, to: string | null): ByHand | string {
  const made = panel.cores.find((c) => c.id === core);
  if (!made) return `There is no core ${core} here`;
  if (to !== null && !panel.terminals.some((t) => t.id === to)) return `There is no terminal ${to} here`;
  return {
    title: to === null ? `Core ${core} off ${made.terminal ?? 'its place'}` : `Core ${core} on ${to}`,
    acts: [{ kind: 'land', cores: [{ core, to }] }],
    risk: 'inside',
    dead: true,
  };
}

function bridged(panel: Panel, a: string, b: string, fitted: boolean): ByHand | string {
  const strange = [a, b].filter((x) => !panel.terminals.some((t) => t.id === x));
  if (strange.length > 0) return `There is no terminal ${strange.join(' and no ')} here`;
  if (a === b) return 'A bridge has two ends';
  return {
    title: fitted ? `Bridge ${a} and ${b}, insulated jumper` : `Bridge ${a} to ${b} out`,
    acts: [{ kind: 'bridge', a, b, fitted }],
    risk: 'bridged',
    dead: false,
  };
}

function plugged(panel: Panel, straight: boolean): ByHand | string {
  const plug = straightIn(panel);
  if (!plug) return 'Nothing is plugged here';
  return {
    title: straight ? 'The pump’s plug straight into the outlet' : 'The pump’s plug back into the float’s plug',
    acts: straight ? plug.acts : plug.back,
    risk: 'bridged',
    dead: false,
  };
}

/** An act of hands at a panel; as text, why it cannot be done here. */
export function byHand(asking: Asking, act: HandAct): ByHand | string {
  const { panel } = asking;
  switch (act.do) {
    case 'put':
      return putBy(asking, act.device, act.to);
    case 'let go':
      return deviceOf(panel, act.device)?.sensor === undefined
        ? `There is no float ${act.device} here that could be let go`
        : { title: `Let ${act.device} go`, acts: [{ kind: 'let go', device: act.device }], risk: 'rod', dead: false };
    case 'press':
      return deviceOf(panel, act.device)?.function === 'button'
        ? { title: `Press ${act.device}`, acts: [{ kind: 'press', device: act.device }], risk: 'look', dead: false }
        : `There is no button ${act.device} here`;
    case 'land':
      return landed(panel, act.core, act.to);
    case 'bridge':
      return bridged(panel, act.a, act.b, act.fitted);
    case 'plug':
      return plugged(panel, act.straight);
  }
}

/** What stays of an act until it is undone, piece by piece; what springs back leaves nothing. */
export interface Left {
  /** The same piece has the same key, however it is put. */
  readonly key: string;
  readonly act: Extract<Act, { kind: 'put' | 'land' | 'bridge' }>;
}

const pair = (a: string, b: string): string => [a, b].sort().join(' – ');

/** Whether a piece is as it was made: then nothing is left of it. */
function asMade(panel: Panel, { act }: Left): boolean {
  switch (act.kind) {
    case 'put': {
      const device = deviceOf(panel, act.device);
      return device?.sensor === undefined && device?.initial === act.to;
    }
    case 'land':
      return act.cores.every(({ core, to }) => panel.cores.find((c) => c.id === core)?.terminal === to);
    case 'bridge':
      return panel.links.some((l) => pair(l.a, l.b) === pair(act.a, act.b)) === act.fitted;
  }
}

const piecesOf = (act: Act): Left[] => {
  switch (act.kind) {
    case 'put':
      return [{ key: `put ${act.device}`, act }];
    case 'land':
      return act.cores.map((c) => ({ key: `core ${c.core}`, act: { kind: 'land', cores: [c] } }));
    case 'bridge':
      return [{ key: `link ${pair(act.a, act.b)}`, act }];
    default:
      return [];
  }
};

/** What hands have left after one act more. */
export function leftAfter(panel: Panel, left: readonly Left[], act: Act): Left[] {
  const pieces = piecesOf(act);
  const gone = new Set(act.kind === 'let go' ? [`put ${act.device}`] : pieces.map((p) => p.key));
  return [...left.filter((l) => !gone.has(l.key)), ...pieces.filter((p) => !asMade(panel, p))];
}

/** What is left, in words. */
export function leftWords(panel: Panel, { act }: Left): string {
  switch (act.kind) {
    case 'put': {
      const device = deviceOf(panel, act.device);
      const label = device?.positions.find((p) => p.state === act.to)?.label ?? act.to;
      return device?.sensor === undefined ? `${act.device} in ${label}` : `${device.label} held up`;
    }
    case 'land':
      return act.cores.map(({ core, to }) => (to === null ? `core ${core} off` : `core ${core} on ${to}`)).join(', ');
    case 'bridge':
      return act.fitted ? `${act.a} and ${act.b} bridged` : `link ${act.a} to ${act.b} out`;
  }
}
