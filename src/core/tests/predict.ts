import { clamp } from '../circuit';
import { sayNoDuty } from '../levels';
import { ampsAt, powerOf } from '../hydraulics';
import { kindOf } from '../sensors';
import { phrase, quantity, type Format, type Phrase, type Quantity } from '../units';
import { happens, refusedWords, shownWords } from '../wiring';
import { timeDrawn } from './drawn';
import type { Act } from './act';
import { alone, metered } from './metered';
import type { Band, Observation, Probes } from './observation';
import { display, landed, linked, looked, shaft, stands } from './looked';
import { seen, untold, type Prediction } from './prediction';
import { response, sayResponse } from './response';
import { perform } from './perform';
import { atRest, noPanel, runningIn, visible, type Passage, type Scene } from './scene';
import { powerSpread, SPREAD, spreadOf, tripSpread, type Spread } from './spread';
import type { Test } from './test';
import { isSame, together } from './together';
import { byTurns, turnsOf } from './turns';
import type { World } from './world';

function within(value: Quantity, band: Band, mostly: string | null = null): Prediction {
  if ('atMost' in band) return { kind: 'value', value, least: null, most: value.value, mostly };
  const by = 'share' in band ? Math.abs(value.value) * band.share : band.amount;
  return { kind: 'value', value, least: value.value - by, most: value.value + by, mostly };
}

const spread = (value: Quantity, { share, mostly }: Spread): Prediction => within(value, { share }, mostly);

/** What most of the spread of a voltage comes from, where only capacitance or leakage holds it up. */
export const GHOST = 'a ghost';

/** Under this a voltage is none to a person who proves dead, V. */
const NONE = 5;

function volts(scene: Scene, probes: Probes, band: Band): Prediction {
  const reading = metered(scene, probes);
  if (!reading) return untold('voltage', noPanel(scene));
  if (!reading.ok) return untold('voltage', phrase`${refusedWords(reading)}`);
  if (reading.state === 'ghost')
    return {
      kind: 'value',
      value: quantity('voltage', reading.value),
      least: 0,
      most: 1.1 * reading.value,
      mostly: GHOST,
    };
  if (reading.value < NONE) return within(quantity('voltage', NONE), { atMost: true });
  return within(quantity('voltage', reading.value), band, 'the supply');
}

/** The highest of several pairs: nothing, or what is still there. */
function dead(scene: Scene, pairs: readonly Probes[], most: number): Prediction {
  if (!scene.world.panel) return within(quantity('voltage', most), { atMost: true });
  const highest = Math.max(0, ...pairs.map((p) => metered(scene, p)).map((r) => (r?.ok ? r.value : 0)));
  return highest <= most
    ? within(quantity('voltage', most), { atMost: true })
    : within(quantity('voltage', highest), { share: SPREAD.supply }, 'the supply');
}

/** More than this is open to a person who looks for a contact; less than `CLOSED` beeps. Ω */
const OPEN = 1e6;
const CLOSED = 50;

type Continuity = Extract<Observation, { kind: 'continuity' }>;

function continuity(scene: Scene, { probes, alone: tag, click }: Continuity): Prediction {
  // A tester of insulation reads further than a meter.
  const dialled: Probes = { ...probes, mode: probes.mode === 'insulation' ? 'insulation' : 'ohms' };
  const reading = tag === undefined ? metered(scene, dialled) : alone(scene, tag, dialled);
  if (!reading) return untold(null, noPanel(scene));
  if (!reading.ok) return untold(null, phrase`${refusedWords(reading)}`);
  const is = reading.value < CLOSED ? 'closed' : reading.state === 'open' || reading.value > OPEN ? 'open' : null;
  if (is === null) return seen(phrase`${shownWords(reading)}: neither closed nor open`);
  if (click === is) return seen(is === 'open' ? phrase`open again, with a click` : phrase`closed again, with a click`);
  return seen(is === 'open' ? phrase`open: no continuity` : phrase`closed: near 0 Ω`);
}

function ohms(scene: Scene, { probes, band, alone: tag }: Extract<Observation, { kind: 'ohms' }>): Prediction {
  // A tester of insulation reads further than a meter.
  const dialled: Probes = { ...probes, mode: probes.mode === 'insulation' ? 'insulation' : 'ohms' };
  const reading = tag === undefined ? metered(scene, dialled) : alone(scene, tag, dialled);
  if (!reading) return untold('resistance', noPanel(scene));
  if (!reading.ok) return untold('resistance', phrase`${refusedWords(reading)}`);
  if (!Number.isFinite(reading.value) || reading.state === 'open') return seen(phrase`open line`);
  return within(quantity('resistance', reading.value), band, 'the windings as assumed');
}

/** A clamp on a line core shows nothing under this, A. */
const NO_AMPS = 0.05;

/** Amps of a pump that runs, by its flow over the way that the water goes; of one that does not turn, what the circuit drives through it. */
function amps(before: Scene, after: Scene, { pump, core, of }: Extract<Observation, { kind: 'amps' }>): Prediction {
  const { levels, station, idle } = after.world;
  const model = station.pumps[pump - 1]!;
  const motor = after.world.panel?.devices.find((d) => d.function === 'motor' && d.pump === pump);
  const panel = after.panel();
  if (panel && motor && core !== null && panel.settled.states[motor.tag] !== 'running') {
    const shown = clamp(panel.settled.solution, [core]);
    if (shown.ok) {
      const { value } = shown;
      if (value < NO_AMPS) return within(quantity('current', NO_AMPS), { atMost: true });
      return within(quantity('current', value), { share: SPREAD.power }, 'the motor as assumed');
    }
  }
  if (of === 'plate') return within(quantity('current', model.ratedCurrent * (1 + SPREAD.plate)), { atMost: true });
  // Beside others that run it has a flow of its own; one that moves no water is none of them.
  const own = pump - 1;
  const others = runningIn(after).filter((n) => n !== own && !idle.has(n + 1));
  const running = [...others, own].sort((a, b) => a - b);
  const point = (s: Scene) => levels.hydraulics.at(s.level ?? levels.lead, running);
  const [from, to] = [point(before), point(after)];
  if (!from.ok || !to.ok) return untold('current', phrase`its flow cannot be told, and so not what it takes`);
  const at = ({ pumps, pumpFlow }: typeof from) => {
    const flow = idle.has(pump) ? 0 : (pumps[running.indexOf(own)]?.pumpFlow ?? pumpFlow);
    return ampsAt(model, station.supply, powerOf(model, station.supply)(flow));
  };
  return spread(quantity('current', (at(from) + at(to)) / 2), powerSpread(levels, pump));
}

/** A clamp shows nothing under this, A; and errs by this share. */
const CLAMP = { least: 0.002, share: 0.1 } as const;

function clamped(scene: Scene, core: string): Prediction {
  const panel = scene.panel();
  if (!panel) return untold('leak', noPanel(scene));
  if (!scene.world.panel!.cores.some((c) => c.id === core)) return untold('leak', phrase`there is no such core`);
  const shown = clamp(panel.settled.solution, [core]);
  // Through a core that is broken or off its terminal nothing flows.
  const amps = shown.ok ? shown.value : 0;
  return within(quantity('leak', amps), { amount: Math.max(CLAMP.least, CLAMP.share * amps) }, 'the clamp');
}

const KICKS: Readonly<Record<string, Phrase>> = {
  running: phrase`against the arrow on it, so that it turns with the arrow; of the two orders the one with more flow is right`,
  backwards: phrase`with the arrow: it turns the wrong way`,
};

const FORMAT = {
  level: 'height',
  volume: 'volume',
  'hose time': 'time',
  'run time': 'time',
  'fall rate': 'levelRate',
  flow: 'flow',
} as const satisfies Record<string, Format>;

/**
 * Time over a way, by the pumps that ran on each piece of it and move water; by the first where none did, in Hand. s
 * @returns else why it cannot be told, and whether that is because no water is moved at all
 */
function timeOf({ levels, idle }: World, way: readonly Passage[]): { time: number } | { why: Phrase; still: boolean } {
  let time = 0;
  for (const { from, to, running: runs } of way) {
    const ran = runs();
    const running = (ran.length === 0 ? [0] : ran).filter((n) => !idle.has(n + 1));
    if (running.length === 0) return { why: phrase`the pump turns and moves no water`, still: true };
    const by = running.every((n, i) => n === i) ? running.length : running;
    for (const level of [from, to]) {
      const point = levels.hydraulics.at(level, by);
      if (!point.ok) return { why: sayNoDuty(point), still: level === from && point.reason === 'below-static-head' };
    }
    time += timeDrawn(levels, from, to, by);
  }
  return { time };
}

/** An observation of how the water was moved. */
type Moved = Extract<Observation, { kind: keyof typeof FORMAT }>;

/** So long somebody watches water that does not move, s: what the tape may be off in it is none. */
const WATCHED = 120;

/** What the way of the water comes to: from where it stood before the acts to where it stands. */
function ofWater(before: Scene, after: Scene, { kind, by }: Moved): Prediction {
  const { levels, station } = after.world;
  const format = FORMAT[kind];
  if (after.inVain) return untold(format, after.inVain.why);
  const to = after.level ?? 0;
  if (kind === 'level')
    return within(
      quantity('height', levels.vessel.depth - to),
      { amount: tripSpread(levels) },
      'where the float trips',
    );
  const from = before.level ?? 0;
  const rise = to - from;
  const volume = Math.abs(levels.vessel.volume(to) - levels.vessel.volume(from));
  if (kind === 'volume')
    return spread(quantity('volume', volume), by === 'tape' ? spreadOf.tape(rise) : spreadOf.volume(levels, rise));
  if (kind === 'hose time') {
    const time = volume / station.settings.hoseFlow;
    return spread(quantity('time', time), spreadOf.hose(levels, rise, time));
  }
  const drawn = timeOf(after.world, after.way.slice(before.way.length));
  if ('why' in drawn) {
    if (!drawn.still || kind === 'run time') return untold(format, drawn.why);
    const seen = (Math.SQRT2 * SPREAD.tape) / WATCHED;
    return untold(format, drawn.why, kind === 'fall rate' ? seen : seen * levels.vessel.area(from));
  }
  const { time } = drawn;
  switch (kind) {
    case 'run time':
      return spread(quantity('time', time), spreadOf.run(levels, rise, time));
    case 'fall rate':
      return spread(quantity('levelRate', Math.abs(rise) / time), spreadOf.fallRate(rise, time));
    case 'flow':
      return spread(quantity('flow', volume / time), spreadOf.fallRate(rise, time));
  }
}

function tape({ world }: Scene, sensor: string, field: string): Prediction {
  const found = world.station.sensors.find((s) => s.id === sensor)!;
  const measure = kindOf(found)
    .measures(found)
    .find((m) => m.field === field)!;
  const value = measure.of === 'height' ? world.levels.vessel.depth - measure.value : measure.value;
  return within(quantity('height', value), { amount: SPREAD.clip }, 'the tape');
}

/** What a meter with a range for capacitors reads of one, taken off and discharged. */
function farads({ world }: Scene, part: string): Prediction {
  if (!world.panel) return untold('capacitance', phrase`no panel of this scheme can be drawn`);
  const found = world.wiring({ cores: [], links: [] }).wired.netlist.components.find((c) => c.id === part);
  return found?.kind === 'capacitor'
    ? within(quantity('capacitance', found.c), { share: 0.2 }, 'what it is made to')
    : seen(phrase`nothing`);
}

/** What of all that shows happens, in the order of the panel. */
function whatHappens(scene: Scene): Prediction {
  const panel = scene.panel();
  if (!panel) return untold(null, noPanel(scene));
  const { outcomes } = panel.wired.panel;
  const happening = outcomes.filter((o) => visible(o) && happens(panel.settled, o));
  const words = happening.length === 0 ? NOTHING_HAPPENS : happening.map((o) => o.label).join(', ');
  return { kind: 'happening', which: happening.map((o) => o.id), sentence: phrase`${words}` };
}

const NOTHING_HAPPENS = 'nothing runs, sounds or is lit';

/** How well the inflow of a moment is known from what was surveyed, as a share. */
const OF_SURVEY = 0.3;

function inflowOf({ world }: Scene): Prediction {
  const times = world.faults.reduce((product, f) => product * (f.effects.inflow ?? 1), 1);
  return spread(quantity('flow', world.levels.inflow.design * times), {
    share: OF_SURVEY,
    mostly: 'the inflow as surveyed',
  });
}

type Kind = Observation['kind'];
/** Answers one kind of observation: how it was before the acts, and how it is. */
type Answer<K extends Kind> = (o: Observation & { readonly kind: K }, was: Scene, is: Scene) => Prediction;

function kicks({ pump }: Extract<Observation, { kind: 'kicks' }>, _: Scene, is: Scene): Prediction {
  const panel = is.panel();
  const motor = is.world.panel?.devices.find((d) => d.function === 'motor' && d.pump === pump);
  if (!panel || !motor) return untold(null, noPanel(is));
  return seen(KICKS[panel.settled.states[motor.tag]!] ?? phrase`it does not turn`);
}

const water = (o: Moved, was: Scene, is: Scene): Prediction => ofWater(was, is, o);

/** How each kind of observation is answered: a kind more is a line here. */
const ANSWERS: { readonly [K in Kind]: Answer<K> } = {
  volts: (o, _, is) => volts(is, o.probes, o.band),
  dead: (o, _, is) => dead(is, o.pairs, o.most),
  continuity: (o, _, is) => continuity(is, o),
  ohms: (o, _, is) => ohms(is, o),
  amps: (o, was, is) => amps(was, is, o),
  clamp: (o, _, is) => clamped(is, o.core),
  reacts(o, was, is) {
    if (!is.world.panel) return untold(null, noPanel(is));
    return seen(is.inVain ? is.inVain.seen : sayResponse(response(was, is, o.pumps)));
  },
  turns: (o, _, is) =>
    is.world.panel
      ? seen(
          phrase`from new: pump ${turnsOf(atRest(is.world), o.calls).join(', then ')}; the turn passes when a call ends`,
        )
      : untold(null, noPanel(is)),
  shaft: (o, _, is) => shaft(is, o.pump),
  seen: (o, _, is) => looked(is, o),
  farads: (o, _, is) => farads(is, o.part),
  stands: (o, _, is) => stands(is, o.device),
  display: (o, _, is) => display(is, o.device),
  landed: (o, _, is) => landed(is, o.device),
  linked: (o, _, is) => linked(is, o),
  happens: (_o, _was, is) => whatHappens(is),
  inflow: (_o, _was, is) => inflowOf(is),
  kicks,
  level: water,
  volume: water,
  'hose time': water,
  'run time': water,
  'fall rate': water,
  flow: water,
  tape: (o, _, is) => tape(is, o.sensor, o.field),
  figure: (o) => within(o.value, o.band),
  kept: (o) => untold(o.format, o.why),
  sense: (o) => ({ kind: 'good', sentence: o.good }),
};

const one = (o: Observation, was: Scene, is: Scene): Prediction => (ANSWERS[o.kind] as Answer<Kind>)(o, was, is);

const settings = new WeakMap<World, WeakMap<readonly Act[], readonly Scene[]>>();

/** A world brought into the state that a test needs; many tests need the same one. */
function begun(world: World, needs: readonly Act[]): readonly Scene[] {
  let of = settings.get(world);
  if (!of) settings.set(world, (of = new WeakMap()));
  const found = of.get(needs) ?? byTurns(world).map((s) => needs.reduce(perform, s));
  of.set(needs, found);
  return found;
}

/** What each observation comes to from one beginning on: by its id, in the order in which they are made. */
function from(begin: Scene, parts: Test['parts']): Map<string, Prediction> {
  const found = new Map<string, Prediction>();
  let scene = begin;
  for (const { acts, observes } of parts) {
    const before = scene;
    scene = acts.reduce(perform, scene);
    for (const o of observes) found.set(o.id, one(o, 'since' in o ? begin : before, scene));
  }
  return found;
}

/** What each observation of a test would come to in a world, by its id: in one way, or in one for each pump whose turn it may be. */
export function predictByTurn(world: World, { needs, parts }: Test): ReadonlyMap<string, readonly Prediction[]> {
  const [first, ...others] = begun(world, needs).map((scene) => from(scene, parts));
  return new Map(
    [...first!].map(([id, p]) => {
      const rest = others.map((o) => o.get(id)!);
      return [id, rest.every((r) => isSame(p, r)) ? [p] : [p, ...rest]];
    }),
  );
}

/** The same, whosever turn it is: what differs by it is told so. */
export const predict = (world: World, test: Test): ReadonlyMap<string, Prediction> =>
  new Map([...predictByTurn(world, test)].map(([id, ways]) => [id, together(ways)]));
