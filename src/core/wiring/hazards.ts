import { between, conducts, liveToEarth, potential, rms, type Settled } from '../circuit';
import type { Device, DeviceFunction, Panel } from '../schemes';
import { carriedBy, changedOf, type Changed } from './changed';
import { happens as on, type Inputs } from './inputs';
import type { Wired } from './wired';
import { LOADS } from './loads';

/** What can hurt somebody in one state of a panel as it is landed, and that its design does not do. */
export interface Hazard {
  readonly id: string;
  readonly sentence: string;
}

/** One state of a panel, by its design and as landed. */
export interface Sides {
  readonly design: Settled;
  readonly landed: Settled;
}

/** A panel by its design and as landed, with what the design lets its parts carry. */
export interface Compared {
  readonly panel: Panel;
  readonly design: Wired;
  readonly landed: Wired;
  readonly changed: Changed;
  /** Loads by element, with the most volts that the design ever puts on them. */
  readonly made: ReadonlyMap<string, number>;
  /** The most that each source ever gives by design, A. */
  readonly given: ReadonlyMap<string, number>;
  /** Terminals that are ever live by design: what a person who opens a switch expects to be dead then. */
  readonly everLive: ReadonlySet<string>;
}

/** More than this on what is made for extra-low voltage, V (IEC 61140, band I: 50 V alternating; for direct that is on the safe side). */
const BAND = 50;
/** A load burns above this share of what it is made for; a motor that has less than the other does not start. */
const OVER = 1.15;
const UNDER = 0.8;
/** A source that gives so many times what it ever should, and at least so many amperes, is shorted. */
const SHORT = { times: 3, amps: 20 };

/** What one opens to work at what is behind it. */
const ISOLATES: ReadonlySet<DeviceFunction> = new Set(['disconnect', 'breaker', 'fuse', 'residual-current']);

const figure = (v: number): string => `${v.toFixed(v < 10 ? 1 : 0)} V`;

/** The loads of a panel, each with its element, its device and its ends in the circuit. */
function loadsOf({ panel, structure }: Wired): { id: string; device: Device; a: string; b: string }[] {
  return panel.devices.flatMap((device) =>
    Object.entries(device.elements).flatMap(([name, e]) => {
      const part = structure.components.get(`${device.tag}.${name}`);
      return part && !e.closed && LOADS.has(e.sign) ? [{ id: part.id, device, a: part.a, b: part.b }] : [];
    }),
  );
}

const over = ({ solution }: Settled, { a, b }: { a: string; b: string }): number =>
  rms(between(solution, a, b, 'ac'), between(solution, a, b, 'dc'));

const sourcesOf = ({ structure }: Wired) => [...structure.components.values()].filter((p) => p.kind === 'source');

const gives = ({ solution, states }: Settled, source: ReturnType<typeof sourcesOf>[number]): number => {
  if (!conducts(source, states)) return 0;
  const e = between(solution, source.a, source.b, source.frequency === 0 ? 'dc' : 'ac');
  const turn = (source.phaseDeg * Math.PI) / 180;
  return Math.hypot(source.volts * Math.cos(turn) - e.re, source.volts * Math.sin(turn) - e.im) / source.r;
};

/** Compares a panel as landed with its design, from the states in which both were tried. */
export function comparedOf(design: Wired, landed: Wired, trials: readonly Sides[]): Compared {
  const most = <T>(list: readonly T[], id: (item: T) => string, of: (settled: Settled, item: T) => number) =>
    new Map(list.map((item) => [id(item), Math.max(...trials.map((t) => of(t.design, item)))]));
  return {
    panel: landed.panel,
    design,
    landed,
    changed: changedOf(landed),
    made: most(loadsOf(design), (l) => l.id, over),
    given: most(sourcesOf(design), (s) => s.id, gives),
    everLive: new Set(
      design.panel.terminals
        .filter(({ id, net }) => trials.some((t) => liveToEarth(t.design.solution, design.points.get(id) ?? net) > 0))
        .map((t) => t.id),
    ),
  };
}

/** Metal that can be touched, and that an earth core should hold. */
function frames({ panel, design, landed, changed }: Compared, now: Sides): Hazard[] {
  return panel.devices.flatMap((device) => {
    const pin = `${device.tag}:PE`;
    const [is, should] = [landed.points.get(pin), design.points.get(pin)];
    if (!device.cable || is === undefined || should === undefined) return [];
    const volts = liveToEarth(now.landed.solution, is);
    if (volts === 0 || liveToEarth(now.design.solution, should) > 0) return [];
    const what =
      device.function === 'motor'
        ? `the frame of ${device.label}, and the water that it stands in,`
        : device.function === 'supply' || device.function === 'alarm-supply'
          ? 'all that is earthed at this panel'
          : `the frame of ${device.label}`;
    return [
      {
        id: `${device.tag}-frame`,
        sentence: `${what} is live: ${figure(volts)} to earth${carriedBy(landed, now.landed, is, changed)}`,
      },
    ];
  });
}

/** Terminals of circuits that people take to be harmless. */
function extraLow({ panel, design, landed, changed }: Compared, now: Sides): Hazard[] {
  return panel.circuits
    .filter((c) => c.low)
    .flatMap((circuit) => {
      for (const { id, net } of panel.terminals.filter((t) => t.circuit === circuit.id)) {
        const cores = panel.cores.filter((c) => c.terminal === id).map((c) => c.pin);
        for (const point of [id, ...cores]) {
          const [is, should] = [landed.points.get(point) ?? net, design.points.get(point) ?? net];
          const volts = liveToEarth(now.landed.solution, is);
          if (volts < BAND || liveToEarth(now.design.solution, should) >= BAND) continue;
          return [
            {
              id: `mains-on-${circuit.id}`,
              sentence: `mains on an extra-low-voltage circuit (${circuit.label}): ${point} carries ${figure(volts)} to earth${carriedBy(landed, now.landed, is, changed)}`,
            },
          ];
        }
      }
      return [];
    });
}

/** Cords that by design carry extra-low voltage alone, as those of floats in the water: whoever cuts or splices one takes it to be harmless. */
function lowCords({ panel, design, landed, changed }: Compared, now: Sides): Hazard[] {
  const low = new Set(panel.circuits.filter((c) => c.low).map((c) => c.id));
  const circuit = new Map(panel.terminals.map((t) => [t.id, t.circuit]));
  return panel.devices.flatMap((device): Hazard[] => {
    const cores = device.cable ? panel.cores.filter((c) => c.cable === device.cable!.id) : [];
    const used = cores.flatMap((c) => (c.terminal === null ? [] : [low.has(circuit.get(c.terminal)!)]));
    if (used.length === 0 || used.includes(false)) return [];
    for (const { pin, colour } of cores) {
      const volts = liveToEarth(now.landed.solution, landed.points.get(pin) ?? pin);
      if (volts < BAND || liveToEarth(now.design.solution, design.points.get(pin) ?? pin) >= BAND) continue;
      return [
        {
          id: `mains-in-${device.cable!.id}`,
          sentence: `mains in an extra-low-voltage cord (${device.cable!.label}): its ${colour} core carries ${figure(volts)} to earth${carriedBy(landed, now.landed, landed.points.get(pin) ?? pin, changed)}`,
        },
      ];
    }
    return [];
  });
}

/** Neutrals that are not held: whoever takes one for harmless touches the line through a load. */
function neutrals({ panel, design, landed, changed }: Compared, now: Sides): Hazard[] {
  for (const { id, net } of panel.terminals) {
    if (panel.wires[net] !== 'neutral') continue;
    const volts = liveToEarth(now.landed.solution, landed.points.get(id) ?? net);
    if (volts === 0 || liveToEarth(now.design.solution, design.points.get(id) ?? net) > 0) continue;
    const by = carriedBy(landed, now.landed, net, changed);
    return [
      {
        id: `neutral-${net}`,
        sentence: `the neutral at ${id} is live: ${figure(volts)} to earth${by || ', through what hangs on it: its way back is not there'}`,
      },
    ];
  }
  return [];
}

/** What gives far more than it ever should, and nothing stops it. */
function shorts({ landed, given, changed }: Compared, now: Sides): Hazard[] {
  return sourcesOf(landed).flatMap((source) => {
    const amps = gives(now.landed, source);
    if (amps < Math.max(SHORT.amps, SHORT.times * (given.get(source.id) ?? 0))) return [];
    const words = [...changed.values()];
    return [
      {
        id: `${source.id}-short`,
        sentence: `a short circuit stands and nothing in this panel opens: ${amps.toFixed(0)} A from ${source.id.split('.')[0]}${words.length > 0 ? `, by ${words.join(' and ')}` : ''}`,
      },
    ];
  });
}

/** Loads that get more than they are made for, and motors that cannot turn as they should. */
function loads({ landed, made, changed }: Compared, now: Sides): Hazard[] {
  const told = new Set<string>();
  return loadsOf(landed).flatMap((load) => {
    const { device } = load;
    const [has, needs] = [over(now.landed, load), made.get(load.id) ?? 0];
    if (needs < 1 || told.has(device.tag)) return [];
    const name = device.function === 'motor' ? device.label : `${device.tag} (${device.label})`;
    if (has > OVER * needs) {
      told.add(device.tag);
      const by = [load.a, load.b].map((n) => carriedBy(landed, now.landed, n, changed)).find((w) => w !== '') ?? '';
      return [
        {
          id: `${device.tag}-over`,
          sentence: `${name} gets ${figure(has)} and is made for ${figure(needs)}: it burns${by}`,
        },
      ];
    }
    const turning = comesTo(now.landed, device.tag);
    if (turning === null || comesTo(now.design, device.tag) === turning) return [];
    told.add(device.tag);
    const least = has > 1 && has < UNDER * needs ? `: it gets ${figure(has)} where it needs ${figure(needs)}` : '';
    return [
      turning === 'single'
        ? {
            id: `${device.tag}-single`,
            sentence: `${name} runs on two of its three phases: √3 of its current flows, and it overheats`,
          }
        : { id: `${device.tag}-under`, sentence: `${name} hums, does not begin to turn, and overheats${least}` },
    ];
  });
}

/** How a motor came to turn badly, or to stand under voltage, before its protection opened; null where it did neither. */
function comesTo({ states, moves }: Settled, tag: string): 'single' | 'stalled' | null {
  const bad = [states[tag], ...moves.filter((m) => m.device === tag).map((m) => m.to)];
  return bad.includes('stalled') ? 'stalled' : bad.includes('single') ? 'single' : null;
}

/** What interrupts the way back of a load that is live: the device whose open contact has the live end of it on one side and the return on the other. */
function breaksReturn(
  { structure, panel }: Wired,
  { solution, states }: Settled,
  pins: readonly string[],
): string | null {
  const level = (n: string) => rms(potential(solution, n, 'ac'), potential(solution, n, 'dc'));
  const reached = new Set(pins);
  for (let more = true; more;) {
    more = false;
    for (const p of structure.components.values()) {
      if (p.kind !== 'impedance' || !conducts(p, states) || reached.has(p.a) === reached.has(p.b)) continue;
      const next = reached.has(p.a) ? p.b : p.a;
      if (level(next) > 25) [more] = [true, reached.add(next)];
    }
  }
  const open = [...structure.components.values()].find(
    (p) =>
      p.when &&
      !conducts(p, states) &&
      reached.has(p.a) !== reached.has(p.b) &&
      level(reached.has(p.a) ? p.b : p.a) < 10,
  );
  const device = open?.when && panel.devices.find((d) => d.tag === open.when!.device);
  // What has opened to protect is another matter.
  return device && device.behaviour.kind !== 'trip' ? `${device.tag} (${device.label})` : null;
}

/** What stands and is live all the same. */
function liveOff({ panel, design, landed, changed }: Compared, now: Sides): Hazard[] {
  const volts = (wired: Wired, settled: Settled, pins: readonly string[]) =>
    Math.max(...pins.map((p) => liveToEarth(settled.solution, wired.points.get(p) ?? p)));
  return panel.outcomes.flatMap((o) => {
    if (!o.dead || on(now.landed, o)) return [];
    const has = volts(landed, now.landed, o.dead);
    if (has === 0 || (!on(now.design, o) && volts(design, now.design, o.dead) > 0)) return [];
    const pins = o.dead.map((p) => landed.points.get(p) ?? p);
    const by = pins.map((p) => carriedBy(landed, now.landed, p, changed)).find((w) => w !== '') ?? '';
    const breaks = breaksReturn(landed, now.landed, pins);
    return [
      {
        id: `${o.id}-live`,
        sentence: `${o.not} and stays live when off: its terminals carry ${figure(has)} to earth while it stands${by}${breaks ? `. ${breaks} breaks its way back and not its line. Never switch the neutral instead of the line` : ''}`,
      },
    ];
  });
}

/** What a hand has isolated, and is live all the same: terminals that are dead by design with this device open. */
export function isolated({ panel, landed, design, changed, everLive }: Compared, now: Sides, inputs: Inputs): Hazard[] {
  const open = panel.devices.find(
    (d) => ISOLATES.has(d.function) && inputs[d.tag] !== undefined && inputs[d.tag] !== d.initial,
  );
  if (!open) return [];
  for (const { id, net } of panel.terminals) {
    if (!everLive.has(id)) continue;
    const volts = liveToEarth(now.landed.solution, landed.points.get(id) ?? net);
    if (volts === 0 || liveToEarth(now.design.solution, design.points.get(id) ?? net) > 0) continue;
    return [
      {
        // Told of the first that one would open: it is the same conductor behind each.
        id: 'isolates',
        sentence: `${id} stays live though ${open.tag} (${open.label}) is off: ${figure(volts)} to earth${carriedBy(landed, now.landed, net, changed)}`,
      },
    ];
  }
  return [];
}

/** Why a protection opens, by what it attends to. */
function opensBecause({ behaviour }: Device): string {
  if (behaviour.kind !== 'trip') return '';
  if (behaviour.senses.what === 'amps')
    return behaviour.senses.by === 'sum'
      ? ': what goes out through it and what comes back are not the same'
      : ': too much current flows';
  return ': what it watches is not there';
}

function opened({ panel }: Compared, { design, landed }: Sides): Hazard[] {
  const trips = panel.devices
    .filter((d) => landed.states[d.tag] === 'tripped' && design.states[d.tag] !== 'tripped')
    .map((d) => ({ id: `${d.tag}-opens`, sentence: `${d.tag} opens (${d.label})${opensBecause(d)}` }));
  return landed.chatter.length > 0
    ? [
        ...trips,
        { id: 'chatter', sentence: `${landed.chatter.join(', ')} chatter: they start and stop each other without end` },
      ]
    : trips;
}

/** In the order of what they do to people: what one touches, what burns, what only stops. */
const KINDS = [frames, extraLow, lowCords, neutrals, liveOff, shorts, loads, opened];
const OPENED = KINDS.indexOf(opened);

/** Whether a hazard is that something opened, or never rests: where a fault was put in, that is as it should be. */
export const isOpening = ({ rank }: { rank: number }): boolean => rank === OPENED;

/** Every hazard of one state, each with its rank: 0 is the worst. */
export const hazardsOf = (compared: Compared, now: Sides): readonly (Hazard & { rank: number })[] =>
  KINDS.flatMap((kind, rank) => kind(compared, now).map((h) => ({ ...h, rank })));
