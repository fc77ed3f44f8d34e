import { traitsOf } from '../duties';
import { faultsOf } from '../faults';
import { columnOver } from '../levels';
import { kindOf, ROLE } from '../sensors';
import { heightsOf, RISKS, straightIn, type Act, type Height, type Risk, type Setting } from '../tests';
import { settingWords } from '../trace';
import { STEPS } from './acts';
import type { DrillAct } from './drill';
import { leftAfter, leftWords, movable, type Left } from './hands';
import { DRILL_LEVELS } from './level';
import type { Ready } from './ready';
import type { Entry, State, StepOf } from './step';
import { waterAfter, type Lived, type Span, type WaterNow } from './water';

/** A bench as it stands after everything that was done. */
export interface Bench extends State {
  readonly entries: readonly Entry[];
  readonly water: WaterNow | null;
  /** What hands have left, in words, and the act that puts it back. */
  readonly toPutBack: readonly { readonly words: string; readonly act: DrillAct }[];
  /** Classes of risk, counted by their places, as in a trace. */
  readonly hazard: number;
}

const ORDER = Object.keys(RISKS) as Risk[];

/** In which minutes something was so: from the act that begins it to the one that ends it, without end where none did. */
function spans(entries: readonly Entry[], begins: DrillAct['do'], ends: DrillAct['do']): Span[] {
  const all: Span[] = [];
  let from: number | null = null;
  for (const e of entries) {
    const done = e.at + e.minutes;
    if (e.act.do === begins && from === null) from = done;
    if (e.act.do === ends && from !== null && e.minutes > 0) {
      all.push({ from, to: done });
      from = null;
    }
  }
  return from === null ? all : [...all, { from, to: Infinity }];
}

/** What hands left, and in which minutes. */
function handsOf({ asking: { panel } }: Ready, entries: readonly Entry[]): Lived['hands'] {
  const all: (Span & { left: Left })[] = [];
  const now = new Map<string, { left: Left; from: number }>();
  let left: readonly Left[] = [];
  for (const e of entries) {
    const at = e.at + e.minutes;
    const next = e.hands.reduce<readonly Left[]>((l, a) => leftAfter(panel, l, a), left);
    const stays = new Set(next);
    for (const [key, { left: was, from }] of now)
      if (!stays.has(was)) {
        all.push({ left: was, from, to: at });
        now.delete(key);
      }
    for (const l of next) if (!now.has(l.key)) now.set(l.key, { left: l, from: at });
    left = next;
  }
  return [...all, ...[...now.values()].map(({ left: l, from }) => ({ left: l, from, to: Infinity }))];
}

/** What was done to the station while it lived on. */
const livedOf = (ready: Ready, entries: readonly Entry[]): Lived => ({
  offs: spans(entries, 'isolate', 'give back'),
  hands: handsOf(ready, entries),
  poured: entries.flatMap((e) =>
    e.poured > 0 && e.minutes > 0 ? [{ from: e.at, to: e.at + e.minutes, flow: e.poured }] : [],
  ),
});

/** The act that puts back what hands have left. */
function undoing({ asking: { panel } }: Ready, { act }: Left): DrillAct {
  switch (act.kind) {
    case 'put': {
      const device = panel.devices.find((d) => d.tag === act.device)!;
      return device.sensor === undefined
        ? { do: 'put', device: act.device, to: device.initial }
        : { do: 'let go', device: act.device };
    }
    case 'land': {
      const core = act.cores[0]!.core;
      return { do: 'land', core, to: panel.cores.find((c) => c.id === core)!.terminal };
    }
    case 'bridge':
      return { do: 'bridge', a: act.a, b: act.b, fitted: !act.fitted };
  }
}

/** What is to be put back, each once: a plug of several cores goes back as one. */
function toPutBack(ready: Ready, left: readonly Left[]): Bench['toPutBack'] {
  const { panel } = ready.asking;
  const plug = straightIn(panel)?.acts.flatMap((a) => (a.kind === 'land' ? a.cores : [])) ?? [];
  const ofPlug = ({ act }: Left) =>
    act.kind === 'land' && plug.some((c) => c.core === act.cores[0]!.core && c.to === act.cores[0]!.to);
  const others = left.filter((l) => !ofPlug(l));
  return [
    ...(others.length < left.length
      ? [{ words: 'the pump’s plug straight in the outlet', act: { do: 'plug', straight: false } as const }]
      : []),
    ...others.map((l) => ({ words: leftWords(panel, l), act: undoing(ready, l) })),
  ];
}

/** A bench at which nothing was done. */
const UNTOUCHED: Omit<Bench, 'water'> = {
  entries: [],
  minutes: 0,
  setting: null,
  proved: false,
  left: [],
  aired: false,
  drained: false,
  named: null,
  mends: [],
  toPutBack: [],
  hazard: 0,
};

/** Whether a bench is the beginning of what some acts make. */
const begins = ({ entries }: Bench, acts: readonly DrillAct[]): boolean =>
  entries.length <= acts.length && entries.every((e, n) => JSON.stringify(e.act) === JSON.stringify(acts[n]));

const NOT_SAID = {
  found: [],
  evidence: [],
  own: null,
  incidents: [],
  hands: [] as readonly Act[],
  poured: 0,
} satisfies Partial<Entry>;

/**
 * The bench after some acts: the same on any machine. What is done after it was named does nothing.
 * @param before a bench of the same drill after fewer acts: where it is the beginning of these it is gone on from, and not begun anew
 */
export function benchAfter(ready: Ready, acts: readonly DrillAct[], before: Bench | null = null): Bench {
  const { asking, hidden, drill } = ready;
  const from = before && begins(before, acts) ? before : UNTOUCHED;
  const { minutes, setting, proved, left, aired, drained, named, mends } = from;
  let state: State = { minutes, setting, proved, left, aired, drained, named, mends };
  let { hazard } = from;
  const entries: Entry[] = [...from.entries];
  for (let n = entries.length; n < acts.length && !state.named; n++) {
    const act = acts[n]!;
    const step = STEPS[act.do] as StepOf<DrillAct>;
    const { then = {}, ...done } = step(ready, state, act, drill.seed * 1009 + n + 1);
    entries.push({ ...NOT_SAID, act, at: state.minutes, ...done });
    hazard += done.minutes > 0 ? ORDER.indexOf(done.risk) : 0;
    state = { ...state, minutes: state.minutes + done.minutes, ...then };
  }
  const { inflow } = DRILL_LEVELS[drill.level];
  const lived = livedOf(ready, entries);
  return {
    ...state,
    entries,
    hazard,
    toPutBack: toPutBack(ready, state.left),
    water: waterAfter(asking.world.levels, asking.panel, hidden.faults, inflow, state.minutes, lived),
  };
}

/** What a bench has on it: tests, points for the probes, what hands can move, and what may be named. */
export interface Offers {
  readonly tests: readonly Offer[];
  readonly points: readonly string[];
  readonly terminals: readonly string[];
  /** What is drawn, in words: the floats with their trips as they should be, m above the floor, and the strip with its cores. */
  readonly floats: readonly { readonly label: string; readonly rise: number; readonly fall: number }[];
  readonly strip: readonly { readonly terminal: string; readonly cores: readonly string[] }[];
  readonly cores: readonly { readonly id: string; readonly terminal: string | null }[];
  /** What hands can move: floats to lift, selectors and breakers to turn, buttons to press. */
  readonly devices: readonly {
    readonly tag: string;
    readonly label: string;
    readonly kind: 'float' | 'button' | 'turned';
    /** The sensor that it is, by its id; null where it is none. */
    readonly sensor: string | null;
    readonly positions: readonly { readonly state: string; readonly label: string }[];
  }[];
  readonly plugged: boolean;
  /** Whether it can be hosed, and whether a column stands in its pipe. */
  readonly hosed: boolean;
  /** Whether a pump stands under a pipe that could be opened. */
  readonly pipe: boolean;
  readonly column: boolean;
  readonly faults: readonly { readonly id: string; readonly label: string; readonly part: string }[];
  /** What may be done about what is wrong here, each once. */
  readonly mends: readonly string[];
  readonly settings: Readonly<Record<Setting, string>>;
  /** Where the water can be brought, from the lowest up. */
  readonly heights: readonly Height[];
}

/** Something that can be done next. */
export interface Offer {
  readonly id: string;
  readonly title: string;
  readonly setting: Setting;
  readonly minutes: number;
  readonly risk: string;
}

/** Everything that a bench offers, in the order of the catalogue. */
export function offersOf({ asking }: Ready): Offers {
  const { station, panel, world } = asking;
  const { wired } = world.wiring({ cores: [], links: [] });
  const all = faultsOf(station, panel);
  return {
    tests: asking.tests.map(({ test, setting }) => ({
      id: test.id,
      title: test.title,
      setting,
      minutes: test.minutes,
      risk: RISKS[test.risk],
    })),
    points: ['earth', ...wired.points.keys()],
    terminals: panel.terminals.map((t) => t.id),
    floats: world.levels.sensors.map(({ sensor, rise, fall }) => ({
      label: `${ROLE[sensor.role].word} ${kindOf(sensor).noun}`,
      rise,
      fall,
    })),
    strip: panel.terminals.map((t) => ({
      terminal: t.id,
      cores: panel.cores.flatMap((c) => (c.terminal === t.id ? [`${c.id} to ${c.pin}`] : [])),
    })),
    cores: panel.cores.map(({ id, terminal }) => ({ id, terminal })),
    devices: movable(panel).map(({ tag, label, sensor, function: is, positions }) => ({
      tag,
      label,
      sensor: sensor ?? null,
      kind: sensor !== undefined ? 'float' : is === 'button' ? 'button' : 'turned',
      positions,
    })),
    plugged: straightIn(panel) !== null,
    hosed: traitsOf(station).direction !== 'fill',
    pipe: traitsOf(station).mover.kind === 'pump',
    column: columnOver(world.levels) > 0,
    faults: all.map(({ id, label, part }) => ({ id, label, part })),
    mends: [...new Set(all.map((f) => f.remedy))].sort(),
    settings: settingWords(station),
    heights: [...heightsOf(world).keys()],
  };
}
