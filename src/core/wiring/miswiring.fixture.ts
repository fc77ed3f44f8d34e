import {
  between,
  conducts,
  EARTH,
  potential,
  rms,
  sensed,
  settle,
  waitingOf,
  type Component,
  type Settled,
  type States,
} from '../circuit';
import { demoStations } from '../demo';
import { panelOf, SCHEMES, type Panel } from '../schemes';
import type { Station } from '../station';
import { asLanded } from './asLanded';
import { inputsToTry } from './inputsToTry';
import { solveWith, type Inputs } from './inputs';
import { wire, type Wired } from './wired';

/*
 * Wrong landings, and a judgement of them of its own: from outcomes, from the voltages on what people touch and on what a load is made for, and
 * from protection. It shares the solver with what it judges, and no more.
 */

type Landings = Station['landings'];
export interface Miswiring {
  readonly what: string;
  readonly landings: Landings;
}

/** What comes of a wrong landing, the worst that holds. */
export type Class = 'danger' | 'stops' | 'harmless';

/** Every core on every other terminal and loose, every link in or out, every pair of cores changed within a cable and between neighbours. */
export function miswiringsOf(panel: Panel): Miswiring[] {
  const { cores, terminals, links, linksLeftOut } = panel;
  const swapped = (a: (typeof cores)[number], b: (typeof cores)[number]): Miswiring => ({
    what: `${a.id} and ${b.id} changed`,
    landings: {
      cores: [
        { core: a.id, to: b.terminal },
        { core: b.id, to: a.terminal },
      ],
      links: [],
    },
  });
  const order = new Map(terminals.map((t, i) => [t.id, i]));
  const placed = cores
    .filter((c) => c.terminal !== null)
    .sort((a, b) => order.get(a.terminal!)! - order.get(b.terminal!)!);
  return [
    ...cores.flatMap((c) =>
      [null, ...terminals.map((t) => t.id)]
        .filter((to) => to !== c.terminal)
        .map((to) => ({ what: `${c.id} on ${to ?? 'nothing'}`, landings: { cores: [{ core: c.id, to }], links: [] } })),
    ),
    ...links.map((l) => ({
      what: `no link ${l.a} ${l.b}`,
      landings: { cores: [], links: [{ a: l.a, b: l.b, fitted: false }] },
    })),
    ...(linksLeftOut ?? []).map((l) => ({
      what: `link ${l.a} ${l.b}`,
      landings: { cores: [], links: [{ a: l.a, b: l.b, fitted: true }] },
    })),
    ...cores.flatMap((a, i) =>
      cores
        .slice(i + 1)
        .filter((b) => b.cable === a.cable && b.terminal !== a.terminal)
        .map((b) => swapped(a, b)),
    ),
    ...placed.slice(1).flatMap((b, i) => (placed[i]!.cable === b.cable ? [] : [swapped(placed[i]!, b)])),
  ];
}

/** What hurts a wet hand, V; what extra-low voltage never is, V; what lets less through than this is no way from a source, Ω. */
const HURTS = 25;
const BAND = 50;
const WAY = 30_000;

const ohms = (part: Component): number =>
  part.kind === 'impedance'
    ? Math.hypot(part.r, 314 * (part.l ?? 0))
    : part.kind === 'capacitor'
      ? 1 / (314 * part.c)
      : 0;

/** Nodes to which there is a way from a source other than through the earth. */
export function reached({ netlist }: Wired, states: States): Set<string> {
  const found = new Set(
    netlist.components.flatMap((p) => (p.kind === 'source' && conducts(p, states) ? [p.a, p.b] : [])),
  );
  found.delete(EARTH);
  for (let more = true; more;) {
    more = false;
    for (const p of netlist.components) {
      if (!conducts(p, states) || ohms(p) > WAY) continue;
      const ends = p.kind === 'transformer' ? [p.a, p.b, p.c, p.d] : [p.a, p.b];
      if (!ends.some((e) => found.has(e))) continue;
      for (const e of ends) if (e !== EARTH && !found.has(e)) [more] = [true, found.add(e)];
    }
  }
  return found;
}

/** Volts to earth of a node that a source stands behind; 0 of others. */
function volts(wired: Wired, { solution }: Settled, ways: Set<string>, point: string): number {
  const node = wired.points.get(point) ?? point;
  return ways.has(node) ? rms(potential(solution, node, 'ac'), potential(solution, node, 'dc')) : 0;
}

interface Seen {
  readonly outcomes: string;
  readonly harm: ReadonlySet<string>;
  readonly loads: ReadonlyMap<string, number>;
  readonly amps: ReadonlyMap<string, number>;
  /** Terminals that are live. */
  readonly live: ReadonlySet<string>;
}

/** Mains on what people take to be harmless: circuits of extra-low voltage, and cords that carry nothing else. */
function lowHarm(panel: Panel, at: (point: string) => number): Set<string> {
  const harm = new Set<string>();
  for (const t of panel.terminals)
    if (panel.circuits.find((c) => c.id === t.circuit)?.low) {
      const points = [t.id, ...panel.cores.filter((c) => c.terminal === t.id).map((c) => c.pin)];
      if (Math.max(...points.map(at)) > BAND) harm.add(`low ${t.circuit}`);
    }
  // A cord of extra-low voltage alone, as a float’s in the water.
  const isLow = (id: string) => {
    const t = panel.terminals.find((x) => x.id === id);
    return panel.circuits.find((c) => c.id === t?.circuit)?.low === true;
  };
  for (const d of panel.devices) {
    const cores = d.cable ? panel.cores.filter((c) => c.cable === d.cable!.id) : [];
    const on = cores.filter((c) => c.terminal !== null);
    if (on.length > 0 && on.every((c) => isLow(c.terminal!)) && cores.some((c) => at(c.pin) > BAND))
      harm.add(`cord ${d.tag}`);
  }
  return harm;
}

/** One state, as its outcomes and what is live that people touch. */
function see(wired: Wired, settled: Settled): Seen {
  const { panel, structure } = wired;
  const ways = reached(wired, settled.states);
  const harm = new Set<string>();
  const at = (point: string) => volts(wired, settled, ways, point);
  for (const d of panel.devices) {
    if (d.cable && at(`${d.tag}:PE`) > HURTS) harm.add(`frame ${d.tag}`);
    if (settled.states[d.tag] === 'tripped') harm.add(`tripped ${d.tag}`);
  }
  for (const what of lowHarm(panel, at)) harm.add(what);
  for (const t of panel.terminals)
    if (panel.wires[t.net] === 'neutral' && at(t.id) > HURTS) harm.add(`neutral ${t.net}`);
  const on = panel.outcomes.map(
    (o) =>
      sensed(settled.solution, o.senses) >= o.above && (o.states?.includes(settled.states[o.device] ?? '') ?? true),
  );
  panel.outcomes.forEach((o, i) => {
    if (o.dead && !on[i] && Math.max(...o.dead.map(at)) > HURTS) harm.add(`off ${o.id}`);
  });
  if (settled.chatter.length > 0) harm.add('chatter');
  const across = (p: Component) =>
    rms(between(settled.solution, p.a, p.b, 'ac'), between(settled.solution, p.a, p.b, 'dc'));
  const parts = [...structure.components.values()];
  const loads = new Map(
    panel.devices.flatMap((d) =>
      Object.entries(d.elements).flatMap(([name, e]) => {
        const part = structure.components.get(`${d.tag}.${name}`);
        return part?.kind === 'impedance' && !e.closed ? [[part.id, across(part)] as const] : [];
      }),
    ),
  );
  const amps = new Map(
    parts.flatMap((p) => {
      if (p.kind !== 'source' || !conducts(p, settled.states)) return [];
      const v = between(settled.solution, p.a, p.b, p.frequency === 0 ? 'dc' : 'ac');
      const turn = (p.phaseDeg * Math.PI) / 180;
      return [[p.id, Math.hypot(v.re - p.volts * Math.cos(turn), v.im - p.volts * Math.sin(turn)) / p.r] as const];
    }),
  );
  const live = new Set(panel.terminals.filter((t) => at(t.id) > HURTS).map((t) => t.id));
  const backwards = panel.devices.filter((d) => settled.states[d.tag] === 'backwards').map((d) => d.tag);
  return { outcomes: [...on, ...backwards].join(), harm, loads, amps, live };
}

/** Once all that warms has opened: nothing more than this is waited for. */
function protectedNow(wired: Wired, from: Settled): Settled {
  const [first] = waitingOf(from)
    .filter((w) => w.to === 'tripped')
    .sort((a, b) => a.after - b.after);
  return first ? protectedNow(wired, settle(wired.structure, { ...from.states, [first.device]: 'tripped' })) : from;
}

/** A state, and what it comes to as timers run out, twice; where none runs it stays as it is. */
function stages(wired: Wired, first: Settled): Settled[] {
  const found = [first];
  for (let i = 0; i < 2; i++) {
    const last = found.at(-1)!;
    const { states } = last;
    const over = Object.fromEntries(waitingOf(last).map((w) => [w.device, w.to]));
    found.push(protectedNow(wired, settle(wired.structure, { ...states, ...over })));
  }
  return found;
}

/** A panel by design in every state in which a wrong landing is tried, once for all of its landings. */
export function judgeOf(station: Station, panel: Panel): (landings: Landings) => Class {
  const inputs = inputsToTry(panel);
  const design = wire(station, panel, { cores: [], links: [] });
  const should = inputs.map((i) =>
    stages(design, protectedNow(design, solveWith(design, i))).map((s) => see(design, s)),
  );
  const most = (of: (s: Seen) => ReadonlyMap<string, number>) => {
    const found = new Map<string, number>();
    for (const s of should.flat()) for (const [id, v] of of(s)) found.set(id, Math.max(v, found.get(id) ?? 0));
    return found;
  };
  const [rated, given] = [most((s) => s.loads), most((s) => s.amps)];
  /** A load burns, or a source is shorted. */
  const beyond = (is: Seen) =>
    [...is.loads].some(([id, v]) => (rated.get(id) ?? 0) > 1 && v > 1.15 * rated.get(id)!) ||
    [...is.amps].some(([id, a]) => a > Math.max(20, 3 * (given.get(id) ?? 0)));
  const ever = new Set(should.flat().flatMap((s) => [...s.live]));
  const isolating = (input: Inputs) =>
    panel.devices.some(
      (d) =>
        ['disconnect', 'breaker', 'fuse', 'residual-current'].includes(d.function) &&
        input[d.tag] !== undefined &&
        input[d.tag] !== d.initial,
    );
  return (landings) => {
    const landed = wire(station, panel, landings);
    let stops = false;
    for (const [i, input] of inputs.entries()) {
      for (const [k, state] of stages(landed, protectedNow(landed, solveWith(landed, input))).entries()) {
        const is = see(landed, state);
        const wanted = should[i]![k]!;
        if ([...is.harm].some((h) => !wanted.harm.has(h))) return 'danger';
        if (beyond(is)) return 'danger';
        // What somebody has opened to work behind it, and what is live there all the same.
        if (isolating(input) && [...is.live].some((t) => ever.has(t) && !wanted.live.has(t))) return 'danger';
        stops ||= is.outcomes !== wanted.outcomes;
      }
    }
    // An earth core that is not on earth: the frame is held by nothing.
    const nets = new Map(panel.terminals.map((t) => [t.id, t.net]));
    const earths = panel.cores.every((c) => {
      if (!c.pin.endsWith(':PE')) return true;
      const to = landed.landed.get(c.id) ?? null;
      return to !== null && panel.wires[nets.get(to)!] === 'earth';
    });
    return !earths ? 'danger' : stops ? 'stops' : 'harmless';
  };
}

/** What the check of landings says of it. */
export function told(station: Station, panel: Panel, landings: Landings): Class {
  const { effects } = asLanded({ ...station, landings }, panel);
  if (effects.some((e) => e.severity === 'danger')) return 'danger';
  return effects.some((e) => e.severity === 'fault') ? 'stops' : 'harmless';
}

/** Every demo station with every scheme that fits it. */
export const panelsToTry = (): { station: Station; panel: Panel; name: string }[] =>
  demoStations().flatMap(({ station, file }) =>
    SCHEMES.flatMap(({ id }) => {
      const made = panelOf(station, id);
      return made.ok ? [{ station, panel: made.panel, name: `${file} as ${id}` }] : [];
    }),
  );
