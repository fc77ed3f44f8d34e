import { liveToEarth } from '../circuit';
import { faultsOf, type Fault } from '../faults';
import { columnOver } from '../levels';
import type { Account } from '../rehearsal';
import {
  actsOf,
  atRest,
  leansIn,
  opensPipe,
  perform,
  type Act,
  type FaultTest,
  type Scene,
  type Setting,
  type World,
} from '../tests';
import { settingWords } from '../trace';
import { quantity, say, systemOf } from '../units';
import { leftWords, type ByHand, type Left } from './hands';
import { dayAfter } from './water';

/** Something that could have hurt somebody, or done harm: what was done, and what stood there or would come of it by the model. */
export interface Incident {
  readonly kind: 'live' | 'not proved' | 'air' | 'column' | 'left';
  readonly says: string;
  readonly would: string;
  /** It was not let happen. */
  readonly stopped: boolean;
}

/** How a bench stands, as far as it makes an act dangerous. */
export interface Stands {
  readonly setting: Setting;
  /** Proved dead since it was isolated; the air tested; the pipe drained. */
  readonly proved: boolean;
  readonly aired: boolean;
  readonly drained: boolean;
}

/** More to earth than this is felt, V. (IEC 61140: limit of extra-low voltage in the wet) */
const FELT = 25;

/**
 * A station with something hidden in it as it stands in a setting.
 * @param sound the same as it should be: by it water is brought and isolated @param left what hands have left
 */
export const sceneIn = (hidden: World, sound: World, setting: Setting, left: readonly Act[] = []): Scene =>
  [...actsOf(sound, setting), ...left].reduce(perform, atRest(hidden));

/** Where the most stands to earth among some points, V. */
function mostLive(scene: Scene, among: readonly string[]): { point: string; volts: number } | null {
  const now = scene.panel();
  return among.reduce<{ point: string; volts: number } | null>((most, point) => {
    const net = now?.wired.points.get(point);
    const volts = !now || net === undefined ? 0 : liveToEarth(now.settled.solution, net);
    return volts > (most?.volts ?? FELT) ? { point, volts } : most;
  }, null);
}

/** What stood on the points that are touched, by the model of what is hidden. */
function stood(scene: Scene, when: string, touched: readonly string[]): string {
  // Without terminals nobody knows where a hand goes: the circuit is not asked, and nothing is said of it.
  if (touched.length === 0) return 'What stood where the hands go is not asked here: it names no terminals.';
  const live = mostLive(scene, touched);
  return live
    ? `${when}, ${say(quantity('voltage', live.volts), 'metric')} to earth stands on ${live.point}.`
    : `${when}, nothing over ${FELT} V to earth stands on ${touched.join(', ')} this time; nobody had looked.`;
}

const when = (sound: World, setting: Setting): string =>
  setting === 'dead' ? 'Isolated so' : `With ${settingWords(sound.station)[setting]}`;

/** Bare hands, tools or ohms where it is not isolated, or not proved. */
function byHands(scene: Scene, sound: World, { setting, proved }: Stands, touched: readonly string[]): Incident[] {
  if (setting !== 'dead')
    return [
      {
        kind: 'live',
        says: 'Hands, tools or ohms on what is not isolated. Stopped.',
        would: stood(scene, when(sound, setting), touched),
        stopped: true,
      },
    ];
  if (proved) return [];
  return [
    {
      kind: 'not proved',
      says: 'Isolated, and not proved dead before it was touched.',
      would: stood(scene, when(sound, 'dead'), touched),
      stopped: false,
    },
  ];
}

/** A pit that one leans into is a place where gas lies. */
const inBadAir = (sound: World, { aired }: Stands): Incident[] =>
  aired || !leansIn(sound)
    ? []
    : [
        {
          kind: 'air',
          says: 'Into the pit, and its air was not tested.',
          would: `${sound.station.identity.name} is deeper than an arm: what lies in it is not asked here, because there is no model of gas; a pit without a test of its air is taken as one that has it.`,
          stopped: false,
        },
      ];

const probed = ({ test }: FaultTest): string[] =>
  [
    ...new Set(test.parts.flatMap((p) => p.observes.flatMap((o) => ('probes' in o ? [o.probes.a, o.probes.b] : [])))),
  ].filter((point) => point !== 'earth');

/** What is made with hands, ohms or tools, and so only where everything is dead. */
export const wantsDead = ({ setting }: FaultTest): boolean => setting === 'dead';

/** What is dangerous in making a test as things stand. */
export function dangerOf(test: FaultTest, hidden: World, sound: World, stands: Stands): Incident[] {
  const air = test.test.risk === 'pit' ? inBadAir(sound, stands) : [];
  // A voltmeter or a clamp is how one looks whether it is dead.
  const looking = stands.setting === 'dead' && test.test.risk === 'probes';
  if (!wantsDead(test) || looking) return air;
  const byHand = byHands(sceneIn(hidden, sound, stands.setting), sound, stands, probed(test));
  // Into the open pipe everything is dead first.
  return opensPipe(test.test) && stands.setting === 'dead'
    ? [...byHand, ...pipeDanger(hidden, sound, stands)]
    : [...byHand, ...air];
}

/** What is dangerous in something that hands do: cores are moved only where everything is dead. */
export function handDanger(done: ByHand, scene: Scene, sound: World, stands: Stands): Incident[] {
  if (!done.dead) return [];
  const touched = done.acts.flatMap((a) => (a.kind === 'land' ? a.cores.map((c) => c.core) : []));
  const places = touched.flatMap((core) => sound.panel?.cores.find((c) => c.id === core)?.terminal ?? []);
  return byHands(scene, sound, stands, places);
}

/** What stands over the check valve falls on whoever opens it, and a pump that may start blows it out. @param hidden whose valves may leak */
export function pipeDanger(hidden: World, sound: World, stands: Stands): Incident[] {
  const column = columnOver(hidden.levels);
  const litres = say(quantity('volume', column), systemOf(sound.station.profile));
  const stood =
    column > 0
      ? `By the model about ${litres} stood over it`
      : 'By the model no water was held over it this time; nobody had looked';
  const air = inBadAir(sound, stands);
  if (stands.setting !== 'dead')
    return [
      {
        kind: 'column',
        says: 'The pipe opened over a pump that may start. Stopped.',
        would: `${stood}.`,
        stopped: true,
      },
    ];
  // Where nothing is made to hold it, nobody has to drain it.
  if (stands.drained || columnOver(sound.levels) === 0) return air;
  return [
    {
      kind: 'column',
      says: 'The pipe opened over the check valve, and its column was not drained.',
      would: column > 0 ? `${stood}: they come out at the joint, over whoever holds it.` : `${stood}.`,
      stopped: false,
    },
    ...air,
  ];
}

const hours = (seconds: number): string =>
  seconds >= 5400 ? `${Math.round(seconds / 3600)} h` : `${Math.max(1, Math.round(seconds / 60))} min`;

/** What is worse on one day than on another. */
function worse(before: Account, after: Account, sound: World): string[] {
  const system = systemOf(sound.station.profile);
  const longest = ({ pumps }: Account) => Math.max(...pumps.map((p) => p.longestRun));
  const over = after.overflowTime > before.overflowTime + 60;
  return [
    ...(over
      ? [
          `${say(quantity('volume', after.balance.overflow), system)} over the top, the first after ${hours(after.overflowSpans[0]?.from ?? 0)}`,
        ]
      : []),
    ...(after.dryRunTime > before.dryRunTime + 60 ? [`a pump in air for ${hours(after.dryRunTime)}`] : []),
    ...(before.alarmTime > 60 && after.alarmTime === 0 ? ['no alarm, where there would be one'] : []),
    ...(longest(after) > 3 * longest(before) + 60 ? [`a run of ${hours(longest(after))} without a stop`] : []),
  ];
}

/** What comes of a day on which things stay as they were left, the station itself mended; and of one on which its line blocks. */
function day(sound: World, left: readonly Left[], off: boolean): string {
  const { levels, panel, station } = sound;
  if (!panel) return 'What comes of it is not asked here: no panel can be drawn.';
  const asked = (faults: readonly Fault[]): string[] | null => {
    const before = dayAfter(levels, panel, [], false, faults);
    const after = dayAfter(levels, panel, left, off, faults);
    return before && after && worse(before, after, sound);
  };
  const blocked = faultsOf(station, panel).filter((f) => f.id === 'blocked');
  const [plain, shut] = [asked([]), blocked.length > 0 ? asked(blocked) : []];
  if (!plain || !shut) return 'What comes of it is not asked here: it cannot be rehearsed so.';
  const came = [
    ...(plain.length > 0 ? [plain.join('; ')] : []),
    ...(shut.length > 0 ? [`if the line blocks on that day, ${shut.join('; ')}`] : []),
  ];
  const how = 'By the model, mended else, a day at design inflow from the stop on:';
  return came.length > 0
    ? `${how} ${came.join('. And ')}.`
    : `${how} not a minute more over the top or in air, no run three times as long, and no alarm silent that would sound, than with all put back${blocked.length > 0 ? '; nor if the line blocks' : ''}. What it does beyond that day, or to the next person, was not asked.`;
}

/** What is left otherwise than it is made when somebody goes. */
export function leaving(sound: World, left: readonly Left[], setting: Setting | null): Incident[] {
  const { panel } = sound;
  const off = setting === 'dead';
  if (!panel || (left.length === 0 && !off)) return [];
  const words = [...left.map((l) => leftWords(panel, l)), ...(off ? ['everything isolated'] : [])];
  return [{ kind: 'left', says: `Left so: ${words.join(', ')}.`, would: day(sound, left, off), stopped: false }];
}
