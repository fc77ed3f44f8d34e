import { liveToEarth } from '../circuit';
import { traitsOf } from '../duties';
import type { Panel } from '../schemes';
import { atRest, byTurns, levelOf, perform, type Height, type World } from '../tests';
import { happens } from '../wiring';
import type { Life } from './life';

/** What a symptom is asked of: a world as it stands, and as it lives at an ordinary inflow and at the peak; beside it the station as it should be. */
export interface View {
  readonly world: World;
  readonly usual: Life;
  readonly peak: Life;
  readonly healthy: { readonly world: World; readonly usual: Life; readonly peak: Life };
}

/** Something that is seen, heard, felt or smelt, in plain words; each is one question to the model, or, where no model answers, of the trade. */
export interface Symptom {
  readonly id: string;
  /** In words of a station that empties, and of one that fills. */
  readonly says: string | readonly [empties: string, fills: string];
  /** Minutes to see it, by somebody who is there. */
  readonly minutes: number;
  /** How often it is so and not seen all the same: not yet, or not while one looked; assumed. Seldom, where nothing is said. */
  readonly missed?: number;
  /** How often it is told and is not so; of a shock next to never. Seldom, where nothing is said. */
  readonly imagined?: number;
  /** Whether this station could show it at all. */
  applies(world: World): boolean;
  /** Whether a world shows it; `rarely`: of the trade, some do. */
  holds(view: View): boolean;
  /** What no model says: how often these kinds of fault show it, in the experience of the trade; assumed. */
  readonly ofTheTrade?: number;
}

/** A run that is so many times as long as it should be is longer; as short is short. */
const LONGER = 1.3;
const SHORT = 0.5;
const NEVER_STOPS = 3;
/** What lasts no longer than that nobody has noticed, s. */
const NOTICED = 20;

const always = () => true;
const fills = ({ station }: World): boolean => traitsOf(station).direction === 'fill';
const mean = (all: readonly number[]): number => (all.length === 0 ? NaN : all.reduce((a, b) => a + b, 0) / all.length);
const total = (life: Life) => life.account.pumps.reduce((n, p) => n + p.starts, 0);
const has = (panel: Panel | null, what: (d: Panel['devices'][number]) => boolean) => panel?.devices.some(what) ?? false;
const alarms = (world: World): boolean =>
  world.levels.alarm !== null && (world.panel?.outcomes.some((o) => o.kind === 'alarm' || o.kind === 'lamp') ?? false);

/** Protection of some function that stands open by itself, or was left so. */
const opened = (view: View, of: readonly string[]): boolean =>
  (view.world.panel?.devices ?? []).some(
    (d) =>
      of.includes(d.function) &&
      (view.usual.tripped.has(d.tag) || (view.usual.last !== null && view.usual.last.states[d.tag] !== d.initial)),
  );

/** With the water where the sound station has a setting, whether any outcome of a kind happens. */
function inSetting(
  world: World,
  sound: World,
  setting: Height,
  kinds: readonly string[],
  hands: Readonly<Record<string, string>> = {},
): boolean {
  const { panel } = world;
  const level = levelOf(sound, setting);
  if (!panel || level === null) return false;
  const start = perform(atRest(world), { kind: 'water', to: levelOf(sound, 'resting')! });
  const wet = perform(start, { kind: 'water', to: level });
  const scene = Object.entries(hands).reduce((s, [device, to]) => perform(s, { kind: 'put', device, to }), wet);
  const now = scene.panel()!;
  return panel.outcomes.some((o) => kinds.includes(o.kind) && happens(now.settled, o));
}

/** Whether an outcome of a kind that the sound station has at a height does not happen there. */
const missing = ({ world, healthy }: View, at: Height, kind: string): boolean =>
  inSetting(healthy.world, healthy.world, at, [kind]) && !inSetting(world, healthy.world, at, [kind]);

const handOf = (world: World) =>
  Object.fromEntries(
    (world.panel?.devices ?? []).flatMap((d) => (d.positions.some((p) => p.state === 'hand') ? [[d.tag, 'hand']] : [])),
  );

/** Whether the frame of a motor, and with it the water, carries a voltage that hurts, a pump called: by anybody's turn. */
function waterLive(world: World): boolean {
  const level = levelOf(world, 'called');
  const { panel } = world;
  if (!panel || level === null) return false;
  return byTurns(world).some((rest) => {
    const { wired, settled } = perform(rest, { kind: 'water', to: level }).panel()!;
    return panel.devices.some((d) => {
      const at = d.function === 'motor' ? wired.points.get(`${d.tag}:PE`) : undefined;
      return at !== undefined && liveToEarth(settled.solution, at) > 0;
    });
  });
}

const trade = (id: string, says: string, often: number, causes: RegExp): Symptom => ({
  id,
  says,
  minutes: 2,
  applies: always,
  holds: ({ world }) => world.faults.some((f) => causes.test(f.id)),
  ofTheTrade: often,
});

/** Every symptom, in the order in which people tell them. */
export const SYMPTOMS: readonly Symptom[] = [
  {
    id: 'over',
    missed: 0.5,
    says: ['water over the top', 'the tank runs over'],
    minutes: 1,
    applies: always,
    holds: ({ usual, peak, healthy: h }) =>
      (usual.account.overflowTime > NOTICED && h.usual.account.overflowTime <= NOTICED) ||
      (peak.account.overflowTime > NOTICED && h.peak.account.overflowTime <= NOTICED),
  },
  {
    id: 'never-starts',
    says: ['never starts, though the water is high', 'never fills, though the water is low'],
    minutes: 2,
    applies: always,
    holds: ({ usual, healthy: h }) => total(usual) === 0 && total(h.usual) > 0,
  },
  {
    id: 'never-stops',
    missed: 0.1,
    says: ['runs and never stops', 'fills and never stops'],
    minutes: 3,
    applies: always,
    holds({ usual, healthy: h }) {
      const longest = Math.max(...usual.account.pumps.map((p) => p.longestRun));
      const should = Math.max(...h.usual.account.pumps.map((p) => p.longestRun));
      return (
        longest > NEVER_STOPS * should &&
        usual.last !== null &&
        (usual.last.running !== 0 || usual.tripped.has('thermal'))
      );
    },
  },
  {
    id: 'only-at-alarm',
    missed: 0.2,
    says: 'starts only when the alarm sounds',
    minutes: 10,
    applies: alarms,
    holds: ({ usual, healthy: h }) =>
      usual.starts.length > 0 && usual.starts.every((s) => s.alarm) && !h.usual.starts.every((s) => s.alarm),
  },
  {
    id: 'longer',
    missed: 0.2,
    says: 'runs longer than it used to',
    minutes: 10,
    applies: always,
    holds: ({ usual, healthy: h }) => mean(usual.runs) > LONGER * mean(h.usual.runs),
  },
  {
    id: 'short',
    missed: 0.1,
    says: 'short bursts, many starts',
    minutes: 5,
    applies: always,
    holds: ({ usual, healthy: h }) =>
      mean(usual.runs) < SHORT * mean(h.usual.runs) && total(usual) > 1.5 * total(h.usual),
  },
  {
    id: 'more-starts',
    missed: 0.2,
    says: 'starts more often than it used to',
    minutes: 10,
    applies: always,
    holds: ({ usual, healthy: h }) => total(usual) > LONGER * total(h.usual),
  },
  {
    id: 'hums',
    says: 'a pump hums and does not turn',
    minutes: 2,
    applies: ({ panel }) => has(panel, (d) => d.function === 'motor'),
    holds: ({ usual, peak }) => Math.max(...usual.hums, ...peak.hums) > 1,
  },
  {
    id: 'trips-breaker',
    says: 'a breaker or overload has opened',
    minutes: 1,
    applies: ({ panel }) => has(panel, (d) => d.function === 'breaker' || d.function === 'overload'),
    holds: (view) => opened(view, ['breaker', 'overload', 'disconnect']),
  },
  {
    id: 'trips-earth',
    says: 'the ground-fault (residual-current) device has opened',
    minutes: 1,
    applies: ({ panel }) => has(panel, (d) => d.function === 'residual-current'),
    holds: (view) => opened(view, ['residual-current']),
  },
  {
    id: 'all-at-once',
    missed: 0.2,
    says: 'several pumps at once at ordinary water',
    minutes: 5,
    applies: ({ station }) => station.pumps.length > 1,
    holds: ({ usual, healthy: h }) => usual.together > NOTICED && h.usual.together <= NOTICED,
  },
  {
    id: 'same-pump',
    missed: 0.2,
    says: 'always the same pump',
    minutes: 10,
    applies: ({ station }) => station.pumps.length > 1 && station.control.alternates,
    holds: ({ usual, healthy: h }) =>
      usual.starts.length > 2 &&
      new Set(usual.starts.map((s) => s.pump)).size === 1 &&
      new Set(h.usual.starts.map((s) => s.pump)).size > 1,
  },
  {
    id: 'one-dead',
    missed: 0.2,
    says: 'one of the pumps never runs',
    minutes: 10,
    applies: ({ station }) => station.pumps.length > 1,
    holds: ({ usual, peak, healthy: h }) => {
      const runs = (a: Life, b: Life, i: number) => a.account.pumps[i]!.starts + b.account.pumps[i]!.starts > 0;
      const each = usual.account.pumps.map((_, i) => runs(usual, peak, i));
      return each.some(Boolean) && each.some((r, i) => !r && runs(h.usual, h.peak, i));
    },
  },
  {
    id: 'silent',
    says: 'silent at high water',
    minutes: 2,
    applies: (world) => alarms(world) && levelOf(world, 'high') !== null,
    holds: (view) => missing(view, 'high', 'alarm'),
  },
  {
    id: 'silent-low',
    says: 'silent, though the tank is low',
    minutes: 2,
    applies: (world) => fills(world) && levelOf(world, 'low') !== null,
    holds: (view) => missing(view, 'low', 'alarm'),
  },
  {
    id: 'dark',
    says: 'no alarm lamp at high water',
    minutes: 2,
    applies: (world) =>
      (world.panel?.outcomes.some((o) => o.kind === 'lamp') ?? false) && levelOf(world, 'high') !== null,
    holds: (view) => missing(view, 'high', 'lamp'),
  },
  {
    id: 'false-alarm',
    missed: 0.1,
    says: 'alarm at normal water',
    minutes: 1,
    applies: alarms,
    holds: ({ usual, healthy: h }) => usual.falseAlarm > NOTICED && h.usual.falseAlarm <= NOTICED,
  },
  {
    id: 'appliance-dead',
    says: 'the appliance is dead, though there is a supply',
    minutes: 1,
    applies: ({ panel }) => panel?.outcomes.some((o) => o.makesWater) ?? false,
    holds: ({ usual, healthy: h }) => usual.stopped > 0.2 * usual.lasted && h.usual.stopped <= 0.2 * h.usual.lasted,
  },
  {
    id: 'good-in-hand',
    says: 'good by hand, dead in Auto',
    minutes: 2,
    applies: (world) => Object.keys(handOf(world)).length > 0,
    holds: ({ world, healthy, usual }) =>
      total(usual) === 0 && inSetting(world, healthy.world, 'called', ['pump'], handOf(world)),
  },
  {
    id: 'dry',
    missed: 0.3,
    says: 'draws air: the water is at the intake and it runs on',
    minutes: 2,
    applies: (world) => !fills(world),
    holds: ({ usual, healthy: h }) => usual.account.dryRunTime > NOTICED && h.usual.account.dryRunTime <= NOTICED,
  },
  {
    id: 'no-water',
    missed: 0.2,
    says: 'it turns, but the water does not move',
    minutes: 5,
    applies: always,
    holds: ({ usual, healthy: h }) =>
      usual.account.pumpingTime > NOTICED &&
      Math.abs(usual.account.balance.pumped) < 0.02 * Math.abs(h.usual.account.balance.pumped),
  },
  {
    id: 'tingles',
    imagined: 0.0003,
    says: 'the water tingles',
    minutes: 1,
    applies: ({ panel }) => has(panel, (d) => d.function === 'motor'),
    holds: ({ world }) => waterLive(world),
  },
  trade('warm-housing', 'the housing of a float or switch is warm', 0.6, /-(leaking|welded)(-size-\d)?$/),
  trade(
    'smell',
    'it smells burnt',
    0.4,
    /-(winding-open|auxiliary-open|capacitor|coil-open|start-stuck)$|^(T|G)\d*-dead/,
  ),
  trade('bang', 'a bang as it stops', 0.4, /^check-open/),
  trade('rattle', 'it rattles or roars as it runs', 0.4, /-(clogged|worn|airlocked|seized)(-size-\d)?$/),
  trade('runs-back', 'after a stop water runs back for long', 0.85, /^check-open/),
  trade('sprays', 'water sprays in the pit while it runs', 0.9, /^joint-off/),
  trade('no-jet', 'no jet from the weep hole while it runs', 0.9, /^weep-blocked|-airlocked$/),
];

/** Looks that are made together: at once, and over some cycles. */
export const ROUNDS = [
  { id: 'round', title: 'Look round and ask: what shows at once', most: 3, minutes: 4 },
  { id: 'cycles', title: 'Stay for some cycles: what shows over time', most: Infinity, minutes: 15 },
] as const;
export type Round = (typeof ROUNDS)[number];

/** The round in which a symptom is looked for. */
export const roundOf = ({ minutes }: Symptom): Round => ROUNDS.find((r) => minutes <= r.most)!;

/** What a symptom is called at a station. */
export const saysOf = ({ says }: Symptom, world: World): string =>
  typeof says === 'string' ? says : says[fills(world) ? 1 : 0]!;

export const symptomsOf = (world: World): Symptom[] => SYMPTOMS.filter((s) => s.applies(world));
