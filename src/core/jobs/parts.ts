import { columnOver, judge } from '../levels';
import { kindOf, type Sensor } from '../sensors';
import { checkStation, type Station } from '../station';
import { catalogueOf, test, worldOf, type Act, type Decision, type Observation, type Test, type World } from '../tests';
import { phrase, quantity, type Format, type Phrase, type Quantity } from '../units';
import { sizeName } from '../wiring';
import type { Bench } from './job';

/*
 * What cards are written with: steps, looks, figures and decisions, and the figures of a station that several jobs ask for.
 */

/** The bench of a station. @param world of it, where one was made before */
export function benchOf(station: Station, world: World = worldOf(station)): Bench {
  let judged: ReturnType<typeof judge> | null = null;
  return {
    world,
    station,
    levels: world.levels,
    panel: world.panel,
    tests: new Map(catalogueOf(world).map((t) => [t.id, t])),
    judgement: () => (judged ??= judge(station)),
    has: (what) => world.panel?.devices.some((d) => d.function === what) ?? false,
    sensor: (role) => station.sensors.find((s) => s.role === role),
  };
}

/** A look, a sound, a smell, warmth; a box to tick. */
export const see = (id: string, label: string, good: Phrase | string): Observation => ({
  id,
  label,
  kind: 'sense',
  good: typeof good === 'string' ? phrase`${good}` : good,
});

/** A figure that is read and kept, which nothing can foretell. */
export const keep = (id: string, label: string, format: Format, why: string): Observation => ({
  id,
  label,
  kind: 'kept',
  format,
  why: phrase`${why}`,
});

/** A figure that the station gives, with how far it may lie from it; `sets`: what is found becomes that field of the document. */
export const figure = (
  id: string,
  label: string,
  value: Quantity,
  share: number,
  sets?: Observation['sets'],
): Observation => ({ id, label, kind: 'figure', value, band: { share }, ...(sets && { sets }) });

export const atMost = (id: string, label: string, value: Quantity): Observation => ({
  id,
  label,
  kind: 'figure',
  value,
  band: { atMost: true },
});

export const reacts = (id: string, label: string): Observation => ({ id, label, kind: 'reacts', pumps: true });

interface Work {
  readonly actions: readonly (Phrase | string)[];
  readonly sees?: readonly Observation[];
  readonly acts?: readonly Act[];
  readonly needs?: readonly Act[];
  readonly restores?: readonly Act[];
  readonly cautions?: readonly string[];
  readonly decisions?: readonly Decision[];
  readonly minutes?: number;
  readonly people?: number;
  readonly risk?: Test['risk'];
  readonly phase?: Test['phase'];
  readonly about?: Test['about'];
}

const said = (words: Phrase | string): Phrase => (typeof words === 'string' ? phrase`${words}` : words);

/** What is looked at or read without asking the panel how it stands. */
const UNASKED: ReadonlySet<Observation['kind']> = new Set(['sense', 'kept', 'figure', 'tape']);

/** What can hurt in a class of risk, where a step says nothing closer. */
const CAUTION: Readonly<Partial<Record<Test['risk'], string>>> = {
  rod: 'Live: dry, non-conducting rod; hands out of the water.',
  probes: 'Live: rated meter and leads, finger guards, one hand where you can.',
  pit: 'Isolated, locked and proved dead before a hand goes in; never go in yourself. A second person where gas can be.',
  bridged: 'Seconds only, and not alone: what is bridged protects nobody. Take it out before anything else.',
};

/** One step of work. */
export function work(id: string, title: string, { actions, sees = [], acts = [], ...rest }: Work): Test {
  const { risk = 'outside', needs, phase } = rest;
  const usual = CAUTION[risk];
  return test({
    phase: 'work',
    minutes: 5,
    cautions: usual === undefined ? [] : [usual],
    ...rest,
    risk,
    id,
    title,
    actions: actions.map(said),
    anyhow: !needs && acts.length === 0 && phase !== 'leave' && sees.every((o) => UNASKED.has(o.kind)),
    parts: [{ acts, observes: sees }],
  });
}

type Choice = Decision['choices'][number];
export const choice = (id: string, label: string, why: Phrase | string, sets?: Choice['sets']): Choice => ({
  id,
  label,
  why: said(why),
  ...(sets && { sets }),
});

/** Something that the person decides; `suggested`: what is usual, or what the station has as it is. */
export const decide = (id: string, question: string, suggested: string | null, ...choices: Choice[]): Decision => ({
  id,
  question,
  choices,
  suggested,
});

/** Tests of the catalogue by their ids, as far as this station gives rise to them. */
export const take = ({ tests }: Bench, ...ids: readonly string[]): Test[] => ids.flatMap((id) => tests.get(id) ?? []);

/** Tests of the catalogue of which the id begins so. */
export const takeAll = ({ tests }: Bench, begins: string): Test[] =>
  [...tests.values()].filter((t) => t.id.startsWith(begins));

/** Every wet and alarm test with water: full cycles watched. */
export const cycles = (bench: Bench): Test[] =>
  take(bench, 'fill-lead', 'draw-start', 'fill-up', 'running', 'pump-down', 'dose');

export const closing = (bench: Bench): Test[] => take(bench, 'stray', 'close', 'hand-over');

/** Size of the conductors of a run, as it is sold. */
export const conductors = ({ station }: Bench, run: 'feeder' | 'motor' | 'field'): string =>
  sizeName(station.wiring[run].area, station.profile);

/** m of cord that a new sensor needs: from where it hangs to the rim, on to the splice or plug, and a loop to work with. */
const LOOP = 0.6;
export function cordLength({ station, levels }: Bench, sensor: Sensor): Quantity {
  const from = kindOf(sensor).setting(sensor);
  return quantity('distance', Math.max(levels.vessel.depth - from, 0) + station.cordRun + LOOP);
}

/** A new sensor of the kind and setting of one that is there, as one would ask for it. */
export function likeIt(bench: Bench, sensor: Sensor): Phrase {
  const { station } = bench;
  const contact = sensor.changeover
    ? 'changeover contact'
    : sensor.contact === 'closes-on-rise'
      ? 'contact that closes on rise'
      : 'contact that opens on rise';
  const load =
    sensor.duty === 'motor'
      ? phrase`, made for a motor of ${quantity('current', station.pumps[0]!.ratedCurrent)}`
      : phrase``;
  return phrase`1 ${kindOf(sensor).name}, ${contact}${load}, with at least ${cordLength(bench, sensor)} of cord`;
}

/** Water of the whole line, m³. */
export const lineVolume = ({ levels: { hydraulics } }: Bench): Quantity =>
  quantity('volume', hydraulics.main.volumeOf(hydraulics.main.length));

/** Water that stands over the check valve. */
export const column = ({ levels }: Bench): Quantity => quantity('volume', columnOver(levels));

/** Time that inflow takes from one level to another, s; without an end where none comes. */
export const fillTime = ({ levels: { vessel } }: Bench, from: number, to: number, inflow: number): number =>
  inflow > 0 ? Math.abs(vessel.volume(to) - vessel.volume(from)) / inflow : Infinity;

/** The rules that break when the clip of a sensor slips down by so much, by their titles: asked of all of them. */
export function brokenBySlip({ station, judgement }: Bench, sensor: Sensor, by: number): string[] {
  const slipped: Station = {
    ...station,
    sensors: station.sensors.map((s) => (s.id === sensor.id ? kindOf(s).moved(s, -by) : s)),
  };
  if (!checkStation(slipped).ok)
    return ['the document contradicts itself then: the float is under the floor or past another'];
  const broken = (rules: ReturnType<typeof judge>['rules']) =>
    new Map(rules.filter((r) => r.state === 'broken').map((r) => [r.id, r.title]));
  const before = broken(judgement().rules);
  return [...broken(judge(slipped).rules)].flatMap(([id, title]) => (before.has(id) ? [] : [title]));
}

/** What a slip of the clip would do, as a sentence. */
export function saySlip(bench: Bench, sensor: Sensor, by = 0.05): Phrase {
  const broken = brokenBySlip(bench, sensor, by);
  const moved = quantity('height', by);
  return broken.length === 0
    ? phrase`If the clip slips ${moved} down, no level rule of this station breaks that holds now; at twice that, look again.`
    : phrase`If the clip slips ${moved} down, this breaks: ${broken.join('; ')}.`;
}

/** A judged rule as a line: what it needs, and what this station has; nothing where it is not asked. */
export function ruleLine({ judgement }: Bench, id: string): Phrase[] {
  const rule = judgement().rules.find((r) => r.id === id);
  if (!rule) return [];
  if (rule.needs === null || rule.has === null) return [phrase`${rule.title}: ${rule.why}`];
  const sense = rule.sense === 'at-least' ? 'at least' : 'at most';
  return [phrase`${rule.title}: needs ${sense} ${rule.needs}, has ${rule.has} (${rule.state}).`];
}
