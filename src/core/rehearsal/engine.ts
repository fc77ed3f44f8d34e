import { traitsOf } from '../duties';
import type { Panel } from '../schemes';
import { sensorTrips } from '../levels';
import { phrase, type Phrase, quantity } from '../units';
import type { Course, EventKind } from './course';
import type { Step } from './inflow';
import type { Node } from './logic';
import { flowOn } from './pumping';
import type { Stretch } from './trace';
import type { World } from './world';

/** What happened in a stretch, beside what the trace shows of it. Filled anew for each: to be read at once. */
export interface Passed extends Stretch {
  node: Node;
  /** Pumps that had voltage and drew air, as bits. */
  dry: number;
  /** m³ moved by pumps, and run over. */
  pumped: number;
  overflow: number;
  /** m³ that came in (of a tank that is filled: that were drawn). */
  came: number;
  over: boolean;
}

/** Who hears what happens. Nothing that hears changes what happens. */
export interface Listener {
  passed?(stretch: Passed): void;
  /** The panel went from one combination to another; `since` is when each pump last started or stopped. `why` is made only where it is wanted. */
  turned?(time: number, before: Node, after: Node, why: () => Phrase, since: readonly number[]): void;
  told?(time: number, volume: number, kind: EventKind, says: () => Phrase): void;
  ranBack?(volume: number): void;
}

/** What waits for its time: a timer of the panel, the protector of a motor, a person on the way. */
interface Clock {
  readonly at: number;
  readonly does: 'timer' | 'heats' | 'cools' | 'runs-on' | 'person';
  /** Of a timer: the state it goes to. Of a protector: which pump, from 0. */
  readonly to: string;
}

/** Everything that the future depends on. */
export interface State {
  t: number;
  /** m³ */
  v: number;
  node: Node;
  world: World;
  /** Faults of the scenario that are there, by their place in it. */
  active: ReadonlySet<number>;
  /** Pumps whose thermal protector is open, and that draw air: bits. */
  open: number;
  dry: number;
  /** Pumps that have stopped and whose water still runs into the tank that they fill: bits. */
  runsOn: number;
  clocks: Map<string, Clock>;
  now: Step;
  dueAt: number;
  shedUntil: number;
  spill: boolean;
  /** Where power and hands last put devices, held or not. */
  puts: Readonly<Record<string, string>>;
  /** When each pump last started or stopped, s. */
  since: number[];
  /** When the panel last switched, to find chatter. */
  switches: number[];
  ended: Phrase | null;
}

/** What comes in at this moment, m³/s: nothing once appliances have shed what they had. */
export const inflowNow = (s: State): number => (s.t >= s.shedUntil ? 0 : s.now.flow * s.world.inflow);

export const copyOf = (s: State): State => ({
  ...s,
  clocks: new Map(s.clocks),
  switches: [...s.switches],
  since: [...s.since],
});

/** More switchings than this within a second of the rehearsal are chatter. */
const CHATTER = 60;

/** The state a hand, or what held it, leaves a device in: as it rests. A relay and a float find their own. */
const restOf = (panel: Panel, tag: string): string | null => {
  const device = panel.devices.find((d) => d.tag === tag)!;
  return device.sensor === undefined && (device.behaviour.kind === 'trip' || device.behaviour.kind === 'worked')
    ? device.initial
    : null;
};

const bitsOf = (mask: number): number => {
  let n = 0;
  for (let m = mask; m > 0; m >>= 1) n += m & 1;
  return n;
};

/** Where the rehearsal begins: at its start level, the panel as it rests, nothing yet heard. */
export function beginning({ prepared, scenario, inflowOf, way }: Course): State {
  const { station, vessel, top } = prepared;
  const world = prepared.world([]);
  const stops = sensorTrips(station).flatMap((t) =>
    t.sensor.role === 'pump' || t.sensor.role === 'stop' ? [t[way.stops]] : [],
  );
  const node = world.logic.first;
  return {
    t: 0,
    v: Math.min(vessel.volume(scenario.start ?? Math.min(...stops, station.vessel.overflow)), top),
    node,
    world,
    active: new Set(),
    open: 0,
    dry: 0,
    runsOn: 0,
    clocks: new Map(node.waiting.map((w) => [w.device, { at: w.after, does: 'timer', to: w.to }])),
    now: inflowOf(0),
    dueAt: 0,
    shedUntil: Infinity,
    spill: false,
    puts: {},
    since: station.pumps.map(() => 0),
    switches: [],
    ended: null,
  };
}

/**
 * Carries a state on through time. The water moves by its law between events, each of which is located: a float’s trip, a pump that draws
 * air, a timer’s or protector’s end, a step of the inflow, a move of a hand. The panel answers by its solved circuit. Nothing depends on
 * any step of time, nor on who listens.
 * @param watch asked now and then: true gives up
 * @param rests told the state between any two events: it may be copied there, and carried on from again
 */
export function advance(
  course: Course,
  s: State,
  end: number,
  listener: Listener,
  watch?: (t: number) => boolean,
  rests?: (s: State) => void,
): void {
  const { prepared, scenario, inflowOf, dues, cutOffs, sheds, way } = course;
  const { panel, vessel, top, intakes, station, protectors } = prepared;
  const { sense } = way;
  const filling = sense < 0;
  const { runOn } = traitsOf(station);
  const level = () => vessel.height(s.v);
  const tell = (kind: EventKind, says: () => Phrase) => listener.told?.(s.t, s.v, kind, says);
  const inflow = () => inflowNow(s);
  const pumping = () => (s.node.running | s.runsOn) & s.world.moves & ~s.dry;
  const stretch: Passed = {
    from: 0,
    to: 0,
    v0: 0,
    v1: 0,
    on: 0,
    inflow: 0,
    node: s.node,
    dry: 0,
    pumped: 0,
    overflow: 0,
    came: 0,
    over: false,
    at: () => 0,
  };
  const overLane = 1 << (prepared.lanes.length - 1);

  const chattering = () => {
    s.switches.push(s.t);
    if (s.switches.length > CHATTER && s.t - s.switches.shift()! < 1)
      s.ended = phrase`chatter: the panel switches without end at ${quantity('height', level())}`;
  };

  /** The bell sends for a person, where one answers it. */
  const sendFor = () => {
    if (scenario.answers !== null && !s.clocks.has('person'))
      s.clocks.set('person', { at: s.t + scenario.answers, does: 'person', to: '' });
  };

  /** Takes the panel to another node, and tells what that means. */
  const become = (to: Node, why: () => Phrase) => {
    const before = s.node;
    if (to === before) return;
    // Only pumps that moved water leave a column that runs back.
    const moved = before.running & s.world.moves & ~s.dry;
    s.node = to;
    chattering();
    if (to.chatter.length > 0) s.ended = phrase`chatter: ${to.chatter.join(', ')} never come to rest`;
    // Which timers wait now, and since when.
    if (s.clocks.size > 0)
      for (const [name, clock] of s.clocks)
        if (clock.does === 'timer' && !to.waiting.some((w) => w.device === name && before.states[name] === w.from))
          s.clocks.delete(name);
    for (const w of to.waiting)
      if (!s.clocks.has(w.device)) s.clocks.set(w.device, { at: s.t + w.after, does: 'timer', to: w.to });
    const started = to.running & ~before.running;
    const reason = () =>
      started && before.running
        ? phrase`${why()}; the pumps that ran could not keep up: inflow ${quantity('flow', inflow())} of ${quantity('flow', capacity(before))}`
        : started
          ? phrase`${why()}; inflow ${quantity('flow', inflow())}`
          : why();
    listener.turned?.(s.t, before, to, reason, s.since);
    for (let i = 0; i < s.since.length; i++) if ((before.running ^ to.running) & (1 << i)) s.since[i] = s.t;
    s.dry &= to.running;
    if (moved !== 0 && to.running === 0 && !filling) {
      const back = Math.min(s.world.drainback(bitsOf(moved)), top - s.v);
      listener.ranBack?.(back);
      s.v += back;
    }
    const stopped = before.running & ~to.running;
    if (stopped && runOn > 0) {
      s.runsOn |= stopped;
      s.clocks.set('run-on', { at: s.t + runOn, does: 'runs-on', to: '' });
    }
    for (const tag of to.tripped)
      if (before.states[tag] !== 'tripped' && !s.world.held.has(tag))
        tell('protection', () => phrase`${tag} (${panel.devices.find((d) => d.tag === tag)!.says}) opens: ${why()}`);
    if (to.rings && !before.rings) sendFor();
    const makes = cutOffs.length === 0 || cutOffs.some((id) => to.outcomes[id]);
    s.shedUntil = makes ? Infinity : Math.min(s.shedUntil, s.t + sheds);
  };

  const capacity = (node: Node): number => {
    const { volumes, flows } = s.world.delivery(node.running & s.world.moves & ~s.dry);
    const i = Math.max(
      volumes.findIndex((v) => v >= s.v),
      1,
    );
    return flows[i - 1]! + ((flows[i]! - flows[i - 1]!) * (s.v - volumes[i - 1]!)) / (volumes[i]! - volumes[i - 1]!);
  };

  /** Puts the world of the faults that are there now in place of the one before. */
  const reworld = (why: () => Phrase) => {
    const before = s.world;
    const thermal = station.pumps.flatMap((_, i) => (s.open & (1 << i) ? [protectors[i]!] : []));
    const world = prepared.world([...[...s.active].map((i) => scenario.faults[i]!.id), ...thermal]);
    if (world === before) return;
    const released = [...before.held]
      .filter((tag) => !world.held.has(tag))
      .flatMap((tag) => {
        const rest = s.puts[tag] ?? restOf(panel, tag);
        return rest === null ? [] : [[tag, rest] as const];
      });
    s.world = world;
    become(world.logic.at({ ...s.node.states, ...Object.fromEntries(released), ...world.puts }), why);
  };

  const putFloat = (f: World['floats'][number], state: 'up' | 'down') => {
    const { v } = s;
    const why = () =>
      phrase`${f.says} ${state === 'up' ? 'lifted' : 'hangs'} at ${quantity('height', vessel.height(v))}`;
    tell('float', why);
    become(s.world.logic.after(s.node, f.tag, state), why);
  };

  /** Floats that the water has passed, and pumps that draw air or draw water again. */
  const passFloats = () => {
    for (const f of s.world.floats) {
      if (s.v >= f.rise ? !(s.node.up & f.bit) : s.v <= f.fall && s.node.up & f.bit)
        putFloat(f, s.v >= f.rise ? 'up' : 'down');
    }
  };
  const passIntakes = () => {
    for (let i = 0; i < intakes.length; i++) {
      const bit = 1 << i;
      const { loses, primes } = intakes[i]!;
      if (s.dry & bit ? s.v < primes : !(s.node.running & s.world.moves & bit && s.v <= loses)) continue;
      s.dry ^= bit;
      chattering();
      const [draws, at] = [s.dry & bit, level()];
      tell('dry', () =>
        draws
          ? phrase`pump ${String(i + 1)} draws air at ${quantity('height', at)}: it runs dry`
          : phrase`pump ${String(i + 1)} draws water again at ${quantity('height', at)}`,
      );
    }
  };
  /** What the water has passed at once, by a start, by a fault or by what ran back; what runs back may pass more. */
  const settleWater = () => {
    let [node, dry] = [s.node, -1];
    while ((s.node !== node || s.dry !== dry) && s.ended === null) {
      [node, dry] = [s.node, s.dry];
      passFloats();
      passIntakes();
    }
    heat();
  };

  /** Motors that heat or no longer do: their clocks are set and taken away. */
  const heat = () => {
    for (let i = 0; i < intakes.length; i++) {
      const bit = 1 << i;
      const name = `heat ${i + 1}`;
      const stalls = s.node.running & s.world.stalls & bit;
      const heats = stalls || s.node.running & (s.dry | s.world.air) & bit;
      if (!heats) {
        if (s.clocks.get(name)?.does === 'heats') s.clocks.delete(name);
      } else if (!s.clocks.has(name))
        s.clocks.set(name, {
          at: s.t + (stalls ? scenario.protector.stalled : scenario.protector.dry),
          does: 'heats',
          to: String(i),
        });
    }
  };

  const protect = (i: number) => {
    const bit = 1 << i;
    const says =
      s.world.stalls & bit
        ? phrase`pump ${String(i + 1)} stood under voltage`
        : phrase`pump ${String(i + 1)} ran without water`;
    // An overload relay sees the current of a rotor that stands, and waits for a hand; it does not see heat.
    const overload = panel.devices.find((d) => d.function === 'overload' && d.pump === i + 1);
    if (s.world.stalls & bit && overload && !s.world.held.has(overload.tag))
      return become(s.world.logic.after(s.node, overload.tag, 'tripped'), () => says);
    s.open |= bit;
    tell('protection', () => phrase`thermal protector of pump ${String(i + 1)} opens: ${says}`);
    s.clocks.set(`heat ${i + 1}`, { at: s.t + scenario.protector.cools, does: 'cools', to: String(i) });
    reworld(() => phrase`its thermal protector opened`);
  };

  /** A person mends every fault, and resets what has tripped and what latched. */
  const attend = () => {
    const says = [...s.active].map((i) => prepared.faults.find((f) => f.id === scenario.faults[i]!.id)!.says);
    tell('person', () => phrase`a person is there${says.length > 0 ? `, and mends: ${says.join(', ')}` : ''}`);
    s.active = new Set();
    const why = () => phrase`a person reset it`;
    reworld(why);
    for (const d of panel.devices)
      if (d.behaviour.kind === 'trip' && s.node.states[d.tag] === 'tripped')
        become(s.world.logic.after(s.node, d.tag, d.initial), why);
    for (const d of panel.devices) {
      if (d.function !== 'reset') continue;
      become(s.world.logic.after(s.node, d.tag, d.positions.find((p) => p.state !== d.springs)!.state), why);
      become(s.world.logic.after(s.node, d.tag, d.springs!), why);
    }
    // Who is there and hears it still ring comes again.
    settleWater();
    if (s.node.rings) sendFor();
  };

  const ring = (name: string, clock: Clock) => {
    switch (clock.does) {
      case 'timer':
        tell('timer', () => phrase`${name}: ${clock.to}`);
        return become(s.world.logic.after(s.node, name, clock.to), () => phrase`${name} has run its time`);
      case 'heats':
        return protect(Number(clock.to));
      case 'cools':
        s.open &= ~(1 << Number(clock.to));
        tell(
          'protection',
          () => phrase`thermal protector of pump ${String(Number(clock.to) + 1)} has cooled and closes by itself`,
        );
        return reworld(() => phrase`its thermal protector closed`);
      case 'runs-on':
        s.runsOn = 0;
        return;
      case 'person':
        return attend();
    }
  };

  /** What is due at this moment. */
  const happenNow = () => {
    if (s.t >= s.now.until) s.now = inflowOf(s.t);
    for (const [name, clock] of [...s.clocks]) {
      if (clock.at > s.t || s.clocks.get(name) !== clock) continue;
      s.clocks.delete(name);
      ring(name, clock);
    }
    while (s.dueAt < dues.length && dues[s.dueAt]!.at <= s.t) {
      const { kind, says, put = {}, fault } = dues[s.dueAt++]!;
      if (fault && fault.on === s.active.has(fault.place)) continue;
      tell(kind, () => says);
      if (fault) {
        s.active = fault.on
          ? new Set([...s.active, fault.place])
          : new Set([...s.active].filter((x) => x !== fault.place));
        reworld(() => says);
      }
      s.puts = { ...s.puts, ...put };
      for (const [tag, state] of Object.entries(put))
        if (!s.world.held.has(tag)) become(s.world.logic.after(s.node, tag, state), () => says);
    }
    settleWater();
  };

  /** Hands the stretch from `from` to now to whom it concerns. */
  const hear = (
    from: number,
    v0: number,
    rate: number,
    pumped: number,
    came: number,
    overflow: number,
    over: boolean,
  ) => {
    if (!over && s.v < top) s.spill = false;
    if (!listener.passed || s.t === from) return;
    stretch.from = from;
    stretch.to = s.t;
    stretch.v0 = v0;
    stretch.v1 = s.v;
    stretch.node = s.node;
    stretch.on = s.node.lanes | (over ? overLane : 0);
    stretch.inflow = rate;
    stretch.dry = s.node.running & s.dry;
    stretch.pumped = pumped;
    stretch.came = came;
    stretch.overflow = overflow;
    stretch.over = over;
    const set = pumping();
    stretch.at =
      v0 === s.v ? () => v0 : (time) => flowOn(s.world.delivery(set), v0, rate, sense, 1, 0, top, time - from).volume;
    listener.passed(stretch);
  };

  /** Time at the brim or at the floor: what is too much runs over, what is missing is not pumped (or not drawn). */
  const stay = (until: number) => {
    const { flows } = s.world.delivery(pumping());
    const rate = inflow();
    const from = s.t;
    const time = until - from;
    s.t = until;
    if (s.v >= top) {
      const flow = flows.at(-1)!;
      const excess = Math.max(sense * (rate - flow), 0);
      s.t = from;
      if (!s.spill) {
        s.spill = true;
        tell('overflow', () => phrase`overflow: ${quantity('flow', excess)} more than leaves`);
      }
      s.t = until;
      hear(from, s.v, rate, flow * time, rate * time, excess * time, true);
    } else {
      // Empty: pumps can move no more than comes in; from an empty tank no more can be drawn than pumps bring.
      const flow = flows[0]!;
      hear(
        from,
        s.v,
        rate,
        (filling ? flow : Math.min(rate, flow)) * time,
        (filling ? Math.min(rate, flow) : rate) * time,
        0,
        false,
      );
    }
    happenNow();
  };

  if (s.t === 0) {
    if (s.node.rings) sendFor();
    settleWater();
    happenNow();
  }
  let turns = 0;
  while (s.t < end && s.ended === null) {
    if ((++turns & 4095) === 0 && watch?.(s.t)) s.ended = phrase`stopped by hand`;
    rests?.(s);
    let until = Math.min(s.now.until, end, dues[s.dueAt]?.at ?? Infinity, s.t < s.shedUntil ? s.shedUntil : Infinity);
    for (const c of s.clocks.values()) if (c.at < until) until = c.at;
    let [low, high] = [0, top];
    for (const f of s.world.floats) {
      if (s.node.up & f.bit) {
        if (f.fall > low && f.fall <= s.v) low = f.fall;
      } else if (f.rise < high && f.rise >= s.v) high = f.rise;
    }
    const set = pumping();
    for (let i = 0; i < intakes.length; i++) {
      const { loses, primes } = intakes[i]!;
      if (s.dry & (1 << i)) {
        if (primes < high && primes >= s.v) high = primes;
      } else if (set & (1 << i) && loses > low && loses <= s.v) low = loses;
    }
    const rate = inflow();
    const [from, v0] = [s.t, s.v];
    const moved = flowOn(s.world.delivery(set), v0, rate, sense, 1, low, high, Math.max(until - from, 0));
    s.v = moved.volume;
    s.t = moved.time >= until - from ? until : from + moved.time;
    hear(from, v0, rate, moved.pumped, rate * (s.t - from), 0, false);
    if (s.t >= until) {
      happenNow();
      continue;
    }
    const [node, dry] = [s.node, s.dry];
    settleWater();
    // Nothing moved: the water is at the overflow, or at the floor, until something else happens.
    if (s.node === node && s.dry === dry) stay(until);
  }
}
