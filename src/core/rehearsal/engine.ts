import { sensorTrips } from '../levels';
import { floatTag, panelOf, type Panel } from '../schemes';
import type { Station } from '../station';
import { phrase, type Phrase, quantity } from '../units';
import { vesselOf, type Vessel } from '../vessel';
import { hydraulicsOf } from '../hydraulics';
import { wire } from '../wiring';
import { faultsOf, type RehearsedFault } from './faults';
import { inflowing } from './inflow';
import { logicOf, type Logic, type Node } from './logic';
import { deliveries, flowOn, type Delivery } from './pumping';
import type { Scenario } from './scenario';
import { addStretch, type Trace, traceFor } from './trace';

export interface RunEvent {
  /** s from the beginning */
  readonly at: number;
  /** m */
  readonly level: number;
  readonly kind: 'float' | 'pump' | 'bell' | 'interlock' | 'power' | 'hand' | 'fault' | 'timer' | 'overflow' | 'dry' | 'protection' | 'far' | 'lamp' | 'call';
  readonly says: Phrase;
}

export interface PumpRecord {
  readonly starts: number;
  /** s */
  readonly ran: number;
  readonly longestRun: number;
  readonly longestRest: number;
  /** Most starts in any one hour. */
  readonly worstHour: number;
  /** m³ are of all pumps together; J at rated current and power factor. */
  readonly energy: number;
}

/** Water of the whole rehearsal, m³; the residue is what the separate sums do not agree by. */
export interface Balance {
  readonly inflow: number;
  readonly pumped: number;
  readonly returned: number;
  readonly overflow: number;
  readonly change: number;
  readonly residue: number;
}

export interface Rehearsal {
  readonly lasted: number;
  /** Why it ended before its time; null when it ran to its end. */
  readonly ended: Phrase | null;
  readonly pumps: readonly PumpRecord[];
  readonly balance: Balance;
  /** s of bell, of overflow, of a pump running with no water over the floor. */
  readonly bell: number;
  readonly bells: number;
  readonly overflowing: number;
  readonly dry: number;
  /** From the first bell to the first overflow after it, s; null where either did not come. */
  readonly warning: number | null;
  /** Mean time that water stays, s; null where none leaves. */
  readonly age: number | null;
  readonly highest: number;
  readonly lowest: number;
  readonly trace: Trace;
  readonly events: readonly RunEvent[];
  /** Events beyond those kept. */
  readonly more: number;
}

export interface Rehearsing {
  /** Told now and then, a share of the length. */
  progress?(share: number): void;
  /** Asked now and then: true gives up. */
  stopped?(): boolean;
  /** Most events kept; the rest are counted. */
  keep?: number;
}

/** More switchings than this within a second of the rehearsal are chatter. */
const CHATTER = 60;
const KEEP = 4000;

interface Due {
  readonly at: number;
  readonly kind: RunEvent['kind'];
  readonly says: Phrase;
  /** Devices put somewhere, or let go to where they rest. */
  readonly put: Readonly<Record<string, string>>;
  readonly fault?: { readonly fault: RehearsedFault; readonly on: boolean };
}

/** What will happen at known times, in order; what happens together in the order cuts, faults, hands. */
function schedule(station: Station, panel: Panel, scenario: Scenario): Due[] {
  const faults = faultsOf(station, panel);
  const mains = panel.devices.filter((d) => d.positions.some((p) => p.state === 'cut')).map((d) => d.tag);
  const all = (state: string) => Object.fromEntries(mains.map((tag) => [tag, state]));
  const list: Due[] = [
    ...scenario.powerCuts.flatMap((c): Due[] => [
      { at: c.from, kind: 'power', says: phrase`power fails`, put: all('cut') },
      { at: c.to, kind: 'power', says: phrase`power is back`, put: all('there') },
    ]),
    ...scenario.faults.flatMap((f): Due[] => {
      const fault = faults.find((x) => x.id === f.id)!;
      return [
        { at: f.from, kind: 'fault', says: phrase`fault: ${fault.says}`, put: fault.holds, fault: { fault, on: true } },
        ...(f.to === null ? [] : [{ at: f.to, kind: 'fault' as const, says: phrase`mended: ${fault.says}`, put: Object.fromEntries(Object.keys(fault.holds).map((tag) => [tag, panel.devices.find((d) => d.tag === tag)!.initial])), fault: { fault, on: false } }]),
      ];
    }),
    ...scenario.hands.map((h): Due => {
      const device = panel.devices.find((d) => d.tag === h.device)!;
      return { at: h.at, kind: 'hand', says: phrase`${h.device} to ${device.positions.find((p) => p.state === h.state)!.says}`, put: { [h.device]: h.state } };
    }),
  ];
  return list.map((d, i) => ({ d, i })).sort((a, b) => a.d.at - b.d.at || a.i - b.i).map(({ d }) => d);
}

/** Everything in a scenario that this panel has no part for, each as `path: what`. */
function strangers(station: Station, panel: Panel, scenario: Scenario): string[] {
  const faults = faultsOf(station, panel);
  return [
    ...scenario.faults.flatMap((f, i) => (faults.some((x) => x.id === f.id) ? [] : [`faults.${i}: this station has no part that could fail as “${f.id}”`])),
    ...scenario.hands.flatMap((h, i) => {
      const device = panel.devices.find((d) => d.tag === h.device);
      if (!device) return [`hands.${i}: this panel has no ${h.device}`];
      return device.positions.some((p) => p.state === h.state) ? [] : [`hands.${i}: ${h.device} has no position “${h.state}”`];
    }),
  ];
}

interface Float {
  readonly tag: string;
  readonly says: string;
  readonly rise: number;
  readonly fall: number;
}

/**
 * Runs a station through time. The water moves by its law between events, each of which is located: a float's trip, a timer's end, a step
 * of the inflow, a move of a hand. The panel answers by its solved circuit. Nothing depends on any step of time.
 * @returns problems where the scheme does not fit or the scenario names what the panel has not
 */
export function rehearse(station: Station, scenario: Scenario, { progress, stopped, keep = KEEP }: Rehearsing = {}): { ok: true; run: Rehearsal } | { ok: false; problems: readonly (Phrase | string)[] } {
  const prepared = prepare(station);
  if ('reasons' in prepared) return { ok: false, problems: prepared.reasons };
  const strange = strangers(station, prepared.panel, scenario);
  if (strange.length > 0) return { ok: false, problems: strange };
  return { ok: true, run: run(station, scenario, prepared, { progress, stopped, keep }) };
}

/** What a station is to every rehearsal of it: its panel as a machine, its vessel, what its pumps deliver. */
interface Prepared {
  readonly panel: Panel;
  readonly logic: Logic;
  readonly vessel: Vessel;
  readonly top: number;
  readonly delivery: (set: number) => Delivery;
  readonly drainback: (running: number) => number;
  readonly wholeLine: (running: number) => number;
}

const known = new WeakMap<Station, Prepared>();

/** Made once for a document: a thousand storms on one station solve its panel and its pipe but once. */
function prepare(station: Station): Prepared | { reasons: readonly Phrase[] } {
  const found = known.get(station);
  if (found) return found;
  const made = panelOf(station);
  if (!made.ok) return { reasons: made.reasons };
  const vessel = vesselOf(station.vessel);
  const top = vessel.volume(station.vessel.overflow);
  const prepared: Prepared = {
    panel: made.panel,
    logic: logicOf(wire(station, made.panel)),
    vessel,
    top,
    delivery: deliveries(station, vessel, top),
    drainback: hydraulicsOf(station).drainback,
    wholeLine: hydraulicsOf({ ...station, discharge: { ...station.discharge, checkValve: null } }).drainback,
  };
  known.set(station, prepared);
  return prepared;
}

function run(station: Station, scenario: Scenario, { panel, logic, vessel, top, delivery, drainback, wholeLine }: Prepared, { progress, stopped, keep = KEEP }: Rehearsing): Rehearsal {
  const filling = station.duty.kind === 'fill';
  const sense = filling ? -1 : 1;
  const trips = sensorTrips(station);
  const floats = trips.flatMap(({ sensor, rise, fall }): Float[] => {
    const device = panel.devices.find((d) => d.sensor === sensor.id);
    return device ? [{ tag: floatTag(sensor), says: device.says, rise: vessel.volume(rise), fall: vessel.volume(fall) }] : [];
  });
  const cutOffs = panel.outcomes.filter((o) => o.kind === 'interlock' && o.id.startsWith('U4')).map((o) => o.id);
  const sheds = station.inflow.source.kind === 'appliances' ? Math.max(...station.inflow.source.list.map((a) => a.after / a.rate)) : 0;
  const inflowOf = inflowing(station, scenario);
  const dues = schedule(station, panel, scenario);
  const stopLevel = Math.min(...trips.filter((t) => t.sensor.role === 'pump' || t.sensor.role === 'stop').map((t) => (filling ? t.rise : t.fall)), station.vessel.overflow);

  let t = 0;
  let v = Math.min(vessel.volume(scenario.start ?? stopLevel), top);
  const v0 = v;
  let node: Node = logic.first;
  const deadlines = new Map<string, { at: number; to: string }>();
  const held = new Map<string, string>();
  let delivers = 1;
  let multiplied = 1;
  let drainsBack = false;
  let shedUntil = Infinity;
  let dueAt = 0;

  const level = () => vessel.height(v);
  const events: RunEvent[] = [];
  let more = 0;
  /** Sentences are made only while events are kept: a year has more than anyone reads. */
  const tell = (kind: RunEvent['kind'], says: () => Phrase) => {
    if (events.length < keep) events.push({ at: t, level: level(), kind, says: says() });
    else more++;
  };

  const pumps = station.pumps.map((p) => ({ starts: 0, ran: 0, longestRun: 0, longestRest: 0, worstHour: 0, since: 0, recent: [] as number[], watts: watts(station, p.ratedCurrent, p.motor.powerFactor) }));
  const sums = { inflow: 0, pumped: 0, returned: 0, overflow: 0, bell: 0, bells: 0, overflowing: 0, dry: 0, stored: 0 };
  let firstBell: number | null = null;
  let warning: number | null = null;
  let [highest, lowest] = [v, v];
  const trace = traceFor(scenario.length, station.pumps.length);
  const rings = (n: Node) => n.outcomes.horn ?? n.outcomes.lamp ?? false;
  let ended: Phrase | null = null;
  let spill = false;
  let drained = false;
  const switches: number[] = [];

  /** Takes the panel to another node, and tells what that means. */
  const become = (to: Node, why: () => Phrase) => {
    if (to === node) return;
    const before = node;
    node = to;
    switches.push(t);
    if (switches.length > CHATTER && t - switches.shift()! < 1) ended = phrase`chatter: the panel switches without end at ${quantity('height', level())}`;
    if (to.chatter.length > 0) ended = phrase`chatter: ${to.chatter.join(', ')} never come to rest`;
    // Which timers wait now, and since when.
    for (const [device] of deadlines) if (!to.waiting.some((w) => w.device === device && before.states[device] === w.from)) deadlines.delete(device);
    for (const w of to.waiting) if (!deadlines.has(w.device)) deadlines.set(w.device, { at: t + w.after, to: w.to });
    pumps.forEach((p, i) => {
      const [was, is] = [before.running & (1 << i), to.running & (1 << i)];
      if (!was && is) {
        p.starts++;
        p.longestRest = Math.max(p.longestRest, t - p.since);
        p.since = t;
        p.recent.push(t);
        while (t - p.recent[0]! >= 3600) p.recent.shift();
        p.worstHour = Math.max(p.worstHour, p.recent.length);
        tell('pump', () => phrase`pump ${String(i + 1)} starts: ${why()}; inflow ${quantity('flow', now.flow)}`);
      } else if (was && !is) {
        p.longestRun = Math.max(p.longestRun, t - p.since);
        tell('pump', () => phrase`pump ${String(i + 1)} stops after ${quantity('time', t - p.since)}: ${why()}`);
        p.since = t;
      }
    });
    if (before.running !== 0 && to.running === 0 && !filling) {
      const back = Math.min(drainsBack ? wholeLine(count(before.running)) : drainback(count(before.running)), top - v);
      sums.returned += back;
      v += back;
    }
    for (const o of panel.outcomes) {
      if (o.kind === 'pump' || before.outcomes[o.id] === to.outcomes[o.id]) continue;
      tell(o.kind, () => phrase`${to.outcomes[o.id] ? o.says : o.not}: ${why()}`);
    }
    if (!rings(before) && rings(to)) {
      sums.bells++;
      firstBell ??= t;
    }
    for (const d of panel.devices) if (to.states[d.tag] === 'tripped' && before.states[d.tag] !== 'tripped') tell('protection', () => phrase`${d.tag} opens: ${d.says}`);
    const makes = cutOffs.length === 0 || cutOffs.some((id) => to.outcomes[id]);
    shedUntil = makes ? Infinity : Math.min(shedUntil, t + sheds);
  };

  const putFloat = (f: Float, state: 'up' | 'down') => {
    const why = () => phrase`${f.says} ${state === 'up' ? 'lifted' : 'hangs'} at ${quantity('height', level())}`;
    tell('float', why);
    become(logic.after(node, f.tag, state), why);
  };

  /** Floats that the water has passed at once, by a start or by what ran back. */
  const settleFloats = () => {
    for (const f of floats) {
      if (held.has(f.tag)) continue;
      if (v >= f.rise && node.states[f.tag] === 'down') putFloat(f, 'up');
      else if (v <= f.fall && node.states[f.tag] === 'up') putFloat(f, 'down');
    }
  };

  let now = inflowOf(0);
  for (const w of node.waiting) deadlines.set(w.device, { at: w.after, to: w.to });
  settleFloats();
  let turns = 0;

  while (t < scenario.length && ended === null) {
    if ((++turns & 4095) === 0) {
      progress?.(t / scenario.length);
      if (stopped?.()) ended = phrase`stopped by hand`;
    }
    let until = Math.min(now.until, scenario.length, dues[dueAt]?.at ?? Infinity, t < shedUntil ? shedUntil : Infinity);
    for (const d of deadlines.values()) until = Math.min(until, d.at);
    const inflow = t >= shedUntil ? 0 : now.flow * multiplied;
    const running = node.running;

    let [low, high] = [0, top];
    let hit: { f: Float; state: 'up' | 'down' } | null = null;
    for (const f of floats) {
      if (held.has(f.tag)) continue;
      if (node.states[f.tag] === 'down' && f.rise < high && f.rise >= v) high = f.rise;
      if (node.states[f.tag] === 'up' && f.fall > low && f.fall <= v) low = f.fall;
    }
    const moved = flowOn(delivery(running), v, inflow, sense, delivers, low, high, Math.max(until - t, 0));
    const from = v;
    const passed = Math.min(moved.time, until - t);
    v = moved.volume;
    const start = t;
    t = passed >= until - t ? until : t + passed;
    sums.inflow += inflow * (t - start);
    sums.pumped += moved.pumped;
    sums.stored += ((from + v) / 2) * (t - start);
    account(start, t, from, v, running, false, inflow);

    if (t < until) {
      if (v === high && high < top) hit = { f: floats.find((f) => !held.has(f.tag) && f.rise === v && node.states[f.tag] === 'down')!, state: 'up' };
      else if (v === low && low > 0) hit = { f: floats.find((f) => !held.has(f.tag) && f.fall === v && node.states[f.tag] === 'up')!, state: 'down' };
      if (hit?.f) {
        putFloat(hit.f, hit.state);
        settleFloats();
        continue;
      }
      // At the overflow, or at the floor: the water stays there until something else happens.
      stayAt(until, inflow, running);
      continue;
    }
    happenNow();
  }

  /** Time at the brim or at the floor: what is too much runs over, what is missing is not pumped (or not drawn). */
  function stayAt(until: number, inflow: number, running: number) {
    const { flows } = delivery(running);
    const over = v >= top;
    const flow = (over ? flows.at(-1)! : flows[0]!) * delivers;
    const start = t;
    const time = until - start;
    sums.inflow += inflow * time;
    sums.stored += v * time;
    if (over) {
      const excess = sense * (inflow - flow);
      sums.pumped += flow * time;
      sums.overflow += Math.max(excess, 0) * time;
      if (!spill) {
        spill = true;
        tell('overflow', () => phrase`overflow: ${quantity('flow', Math.max(excess, 0))} more than leaves`);
        if (firstBell !== null) warning ??= start - firstBell;
      }
      sums.overflowing += time;
    } else {
      // Empty: pumps can move no more than comes in; from an empty tank no more can be drawn than pumps bring.
      const least = Math.min(inflow, flow);
      sums.pumped += filling ? flow * time : least * time;
      if (filling) sums.inflow += (flow - inflow) * time;
      else if (running) sums.dry += time;
      if (!drained && running && !filling) {
        drained = true;
        tell('dry', () => phrase`the pump runs dry`);
      }
    }
    t = until;
    account(start, t, v, v, running, over, inflow);
    happenNow();
  }

  /** What is due at this moment. */
  function happenNow() {
    if (t >= now.until) now = inflowOf(t);
    for (const [device, d] of [...deadlines]) {
      if (d.at > t) continue;
      deadlines.delete(device);
      const why = () => phrase`${device} has run its time`;
      tell('timer', () => phrase`${device}: ${d.to}`);
      become(logic.after(node, device, d.to), why);
    }
    while (dueAt < dues.length && dues[dueAt]!.at <= t) {
      const { kind, says, put, fault } = dues[dueAt++]!;
      tell(kind, () => says);
      if (fault) {
        const k = fault.on ? 1 : -1;
        const by = (factor: number) => (factor === 0 ? 1 : factor ** k);
        delivers = fault.fault.delivers === 0 ? (fault.on ? 0 : 1) : delivers * by(fault.fault.delivers);
        multiplied *= by(fault.fault.inflow);
        if (fault.fault.drainsBack) drainsBack = fault.on;
        for (const [tag, state] of Object.entries(fault.fault.holds)) {
          if (fault.on) held.set(tag, state);
          else held.delete(tag);
        }
      }
      for (const [tag, state] of Object.entries(put)) if (fault || !held.has(tag)) become(logic.after(node, tag, state), () => says);
    }
    settleFloats();
  }

  function account(start: number, end: number, from: number, to: number, running: number, over: boolean, inflow: number) {
    const time = end - start;
    if (!over && to < top) spill = false;
    if (to > 0) drained = false;
    const bell = rings(node);
    if (bell) sums.bell += time;
    pumps.forEach((p, i) => {
      if (running & (1 << i)) p.ran += time;
    });
    highest = Math.max(highest, from, to);
    lowest = Math.min(lowest, from, to);
    if (time > 0) addStretch(trace, start, end, from, to, running, bell, over, inflow);
  }

  const change = v - v0;
  const left = filling ? sums.inflow : sums.pumped - sums.returned;
  return {
    lasted: t,
    ended,
    pumps: pumps.map((p, i) => ({
      starts: p.starts,
      ran: p.ran,
      longestRun: Math.max(p.longestRun, node.running & (1 << i) ? t - p.since : 0),
      longestRest: Math.max(p.longestRest, node.running & (1 << i) ? 0 : t - p.since),
      worstHour: p.worstHour,
      energy: p.ran * p.watts,
    })),
    balance: { inflow: sums.inflow, pumped: sums.pumped, returned: sums.returned, overflow: sums.overflow, change, residue: sense * (sums.inflow - sums.pumped) + sums.returned - sums.overflow - change },
    bell: sums.bell,
    bells: sums.bells,
    overflowing: sums.overflowing,
    dry: sums.dry,
    warning,
    age: left > 0 ? sums.stored / left : null,
    highest: vessel.height(highest),
    lowest: vessel.height(lowest),
    trace,
    events,
    more,
  };
}

/** Power at rated current, W. */
const watts = ({ supply }: Station, amps: number, powerFactor: number): number => (supply.source === 'three' ? Math.sqrt(3) : 1) * supply.voltage * amps * powerFactor;

function count(mask: number): number {
  let n = 0;
  for (let m = mask; m > 0; m >>= 1) n += m & 1;
  return n;
}
